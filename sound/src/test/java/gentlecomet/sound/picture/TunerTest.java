package gentlecomet.sound.picture;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.engine.Played;
import gentlecomet.sound.patch.Patch;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Frequencies of keys by MIDI 1.0: 440 x 2^((key-69)/12) Hz. */
class TunerTest {

    private static final double RATE = 48000;
    private static final int MOMENTS = 12;

    private static double hz(int key) {
        return 440 * Math.pow(2, (key - 69) / 12.0);
    }

    private static double cents(double hz, int key) {
        return 1200 * Math.log(hz / hz(key)) / Math.log(2);
    }

    /** Readings one after the other, as a held note gives them. */
    private static double[] readings(Patch patch, int key, int moments) {
        Engine engine = Played.engine(patch, RATE);
        engine.noteOn(key, 100);
        engine.render(new double[9600], new double[9600], 0, 9600);
        double[] found = new double[moments];
        for (int i = 0; i < moments; i++) {
            double[] left = new double[Tuner.FRAMES];
            double[] right = new double[Tuner.FRAMES];
            engine.render(left, right, 0, Tuner.FRAMES);
            found[i] = Tuner.hz(left, right, RATE);
        }
        return found;
    }

    @ParameterizedTest
    @ValueSource(strings = {"sine", "saw", "pulse", "triangle"})
    void plainWavesAreReadToACent(String wave) {
        for (int key = 28; key <= 96; key += 7) {
            for (double found : readings(Played.patch("layer1.source1.wave=" + wave), key, 2)) {
                assertEquals(0, cents(found, key), 1, wave + " at key " + key);
            }
        }
    }

    /** Seven copies over half a semitone: the reading may sway, but never by an octave. */
    @ParameterizedTest
    @ValueSource(ints = {36, 48, 55, 60, 67, 72, 84})
    void wideUnisonKeepsItsOctave(int key) {
        Patch wide = Played.patch("layer1.source1.wave=saw", "layer1.source1.unisonVoices=7", "layer1.source1.detune=25", "layer1.source1.width=100");
        int read = 0;
        for (double found : readings(wide, key, MOMENTS)) {
            if (found > 0) {
                read++;
                assertEquals(0, cents(found, key), 45, "key " + key + " read as " + found + " Hz");
            }
        }
        assertTrue(read >= MOMENTS / 2, read + " of " + MOMENTS);
    }

    @Test
    void noiseAndSilenceHaveNoPitch() {
        Random random = new Random(4);
        double[] noise = random.doubles(Tuner.FRAMES, -1, 1).toArray();
        assertEquals(0, Tuner.hz(noise, noise, RATE));
        assertEquals(0, Tuner.hz(new double[Tuner.FRAMES], new double[Tuner.FRAMES], RATE));
    }
}
