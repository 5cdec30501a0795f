package gentlecomet.craft.format;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.craft.measure.Loudness;
import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Audio;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;

/**
 * Patches of formats 1 and 2 sound as the engines of their time played them, versions 1 and 6. Those were built from the history and rendered three notes of each; the loudness of
 * their samples was read by another implementation of ITU-R BS.1770-4 (scipy). What has been mended since is taken out of the patches: effects, the drive of filters, and
 * resonance, whose number is the height of the peak from engine 8 on (docs/engine-notes.md).
 */
class OldPatchesSoundTest {

    private static final int[] KEYS = {48, 60, 72};
    private static final int[] VELOCITIES = {64, 100, 110};
    private static final int RATE = 48000;

    @ParameterizedTest
    @CsvFileSource(resources = "/old/loudness.csv")
    void aPatchOfAnOldFormatIsAsLoudAsItWas(String file, double low, double middle, double high) throws IOException {
        double[] expected = {low, middle, high};
        String text;
        try (var in = OldPatchesSoundTest.class.getResourceAsStream("/old/" + file)) {
            text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
        Patch patch = PatchFormat.read(text, file);
        for (int n = 0; n < KEYS.length; n++) {
            double[] left = new double[4 * RATE];
            double[] right = new double[4 * RATE];
            Engine engine = new Engine(RATE);
            engine.load(PatchImage.of(patch));
            engine.noteOn(KEYS[n], VELOCITIES[n]);
            engine.render(left, right, 0, 72000);
            engine.noteOff(KEYS[n]);
            engine.render(left, right, 72000, 4 * RATE - 72000);
            assertEquals(expected[n], Loudness.of(new Audio(narrow(left), narrow(right), RATE)).integrated(), 0.1, file + ", key " + KEYS[n]);
        }
    }

    private static float[] narrow(double[] samples) {
        float[] narrow = new float[samples.length];
        for (int i = 0; i < narrow.length; i++) {
            narrow[i] = (float) samples[i];
        }
        return narrow;
    }
}
