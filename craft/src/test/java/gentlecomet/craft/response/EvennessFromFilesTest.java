package gentlecomet.craft.response;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.TypedPatch;
import gentlecomet.craft.format.WavFormat;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.io.File;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Steps at splits and evenness along the keys, computed once more from WAV files alone: read by the JDK, weighted with the filter
 * coefficients printed in ITU-R BS.1770-4 (tables 1 and 2, 48 kHz), in windows of 400 ms. Nothing of the product's measures is used.
 */
class EvennessFromFilesTest {

    private static final int RATE = 48000;
    private static final double[] SHELF = {1.53512485958697, -2.69169618940638, 1.19839281085285, -1.69065929318241, 0.73248077421585};
    private static final double[] HIGH_PASS = {1, -2, 1, -1.99004745483398, 0.99007225036621};

    @TempDir
    private Path folder;

    @Test
    void stepsAndEvennessHoldInTheFiles() throws Exception {
        Patch uneven = TypedPatch.neutralWith("layer1.zone.highKey=B3", "layer2.on=on", "layer2.zone.lowKey=C4", "layer2.source1.level=-12 dB",
                "layer1.source1.wave=saw", "layer1.filter1.type=low pass 24", "layer1.filter1.cutoff=120", "layer2.source1.wave=triangle");
        KeyLevelBalance.Proposal proposal = new KeyLevelBalance(Recordings.NONE).propose(uneven, 0);
        Patch even = proposal.edit().apply(uneven);
        assertEquals(loudness(uneven, 60) - loudness(uneven, 59), step(proposal.before()), 0.05, "as told before");
        assertEquals(loudness(even, 60) - loudness(even, 59), step(proposal.after()), 0.05, "as told after");
        assertTrue(Math.abs(loudness(even, 60) - loudness(even, 59)) < 1, "the split steps by less than 1 dB");
        for (int key = 36; key <= 84; key += 6) {
            assertEquals(loudness(even, 60), loudness(even, key), 1, "key " + key);
        }
    }

    private static double step(List<SplitStep> steps) {
        return steps.stream().filter(s -> s.byKey() && s.below() == 59).findFirst().orElseThrow().loudnessLu();
    }

    /** Loudest 400 ms of a note of half a second, in LUFS, out of a file of 24-bit samples. */
    private double loudness(Patch patch, int key) throws Exception {
        Path file = folder.resolve(key + ".wav");
        Files.write(file, WavFormat.write24(new Rendering(RATE).render(PatchImage.of(patch), Phrase.single(key, 100, 0.5), 0.1, Rendering.ControllerState.AT_REST).audio()));
        double[][] channels = read(file.toFile());
        double loudest = 0;
        int window = RATE * 4 / 10;
        double[] left = weighted(channels[0]);
        double[] right = weighted(channels[1]);
        for (int from = 0; from + window <= left.length; from += RATE / 10) {
            double sum = 0;
            for (int i = from; i < from + window; i++) {
                sum += left[i] * left[i] + right[i] * right[i];
            }
            loudest = Math.max(loudest, sum / window);
        }
        return -0.691 + 10 * Math.log10(loudest);
    }

    private static double[][] read(File file) throws Exception {
        try (AudioInputStream in = AudioSystem.getAudioInputStream(file)) {
            assertEquals(24, in.getFormat().getSampleSizeInBits());
            ByteBuffer bytes = ByteBuffer.wrap(in.readAllBytes());
            double[][] channels = new double[2][bytes.capacity() / 6];
            for (int i = 0; i < channels[0].length; i++) {
                for (int c = 0; c < 2; c++) {
                    int at = 6 * i + 3 * c;
                    channels[c][i] = ((bytes.get(at) & 0xFF) | (bytes.get(at + 1) & 0xFF) << 8 | bytes.get(at + 2) << 16) / 8388608.0;
                }
            }
            return channels;
        }
    }

    private static double[] weighted(double[] samples) {
        return filtered(filtered(samples, SHELF), HIGH_PASS);
    }

    private static double[] filtered(double[] in, double[] c) {
        double[] out = new double[in.length];
        for (int i = 0; i < in.length; i++) {
            double x1 = i > 0 ? in[i - 1] : 0;
            double x2 = i > 1 ? in[i - 2] : 0;
            double y1 = i > 0 ? out[i - 1] : 0;
            double y2 = i > 1 ? out[i - 2] : 0;
            out[i] = c[0] * in[i] + c[1] * x1 + c[2] * x2 - c[3] * y1 - c[4] * y2;
        }
        return out;
    }
}
