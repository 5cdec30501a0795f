package gentlecomet.craft.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.performance.Audio;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Pitch read from sounds whose pitch is known by how they are made. */
class PitchFinderTest {

    private static final int RATE = 48000;

    private static Audio made(DoubleUnaryOperator ofSeconds) {
        float[] left = new float[2 * RATE];
        for (int i = 0; i < left.length; i++) {
            left[i] = (float) ofSeconds.applyAsDouble((double) i / RATE);
        }
        return new Audio(left, left.clone(), RATE);
    }

    private static double harmonics(double hz, double t, int step, int count) {
        double sum = 0;
        for (int k = 1; k < count * step && k * hz < 20000; k += step) {
            sum += Math.sin(2 * Math.PI * hz * k * t) / k;
        }
        return 0.4 * sum;
    }

    private static double cents(double hz, double expected) {
        return 1200 * Math.log(hz / expected) / Math.log(2);
    }

    @ParameterizedTest
    @ValueSource(doubles = {55, 82.41, 130.81, 261.63, 440, 1046.5, 2093})
    void ofAPlainTone(double hz) {
        assertEquals(0, cents(PitchFinder.hz(made(t -> 0.5 * Math.sin(2 * Math.PI * hz * t)), 0.2, 1.8), hz), 2);
    }

    /** All harmonics, and odd ones only: the pitch is the fundamental, not its octave. */
    @ParameterizedTest
    @CsvSource({"65.41,1", "65.41,2", "220,1", "220,2", "880,1", "880,2"})
    void ofARichTone(double hz, int step) {
        assertEquals(0, cents(PitchFinder.hz(made(t -> harmonics(hz, t, step, 30)), 0.2, 1.8), hz), 2);
    }

    @Test
    void twoCopiesApartByAFewCentsStandInTheirMiddle() {
        double up = Math.pow(2, 8 / 1200.0);
        Audio pair = made(t -> harmonics(220 * up, t, 1, 8) + harmonics(220 / up, t, 1, 8));
        assertEquals(0, cents(PitchFinder.hz(pair, 0.1, 1.9), 220), 3);
    }

    /** Sixteen voices evenly over 22 cents, each with a phase of its own, as a unison has them: their middle is the pitch. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6})
    void aWideUnisonStandsInItsMiddle(int seed) {
        Random random = new Random(seed);
        double[] phases = random.doubles(16).toArray();
        Audio unison = made(t -> {
            double sum = 0;
            for (int v = 0; v < 16; v++) {
                double hz = 220 * Math.pow(2, (v - 7.5) / 7.5 * 22 / 1200);
                for (int k = 1; k <= 12; k++) {
                    sum += Math.sin(2 * Math.PI * k * (hz * t + phases[v])) / k;
                }
            }
            return 0.02 * sum;
        });
        assertEquals(0, cents(PitchFinder.hz(unison, 0.1, 1), 220), 6);
    }

    /** A weak fundamental under a strong second partial is still the pitch. */
    @ParameterizedTest
    @ValueSource(doubles = {65.41, 130.81, 261.63})
    void aStrongSecondPartialIsNotTakenForThePitch(double hz) {
        Audio bell = made(t -> 0.12 * Math.sin(2 * Math.PI * hz * t) + 0.5 * Math.sin(4 * Math.PI * hz * t) + 0.1 * Math.sin(6 * Math.PI * hz * t));
        assertEquals(0, cents(PitchFinder.hz(bell, 0.1, 1), hz), 2);
    }

    @Test
    void noiseAndSilenceHaveNone() {
        Random random = new Random(20261126);
        assertTrue(Double.isNaN(PitchFinder.hz(made(t -> 0.3 * random.nextGaussian()), 0.2, 1.8)));
        assertTrue(Double.isNaN(PitchFinder.hz(made(t -> 0), 0.2, 1.8)));
        assertTrue(Double.isNaN(PitchFinder.hz(made(t -> Math.sin(2764 * t)), 1.99, 2)), "too short a stretch");
    }

    /** MIDI 1.0: key 69 is 440 Hz, key 60 is 261.6256 Hz; octaves count as the same. */
    @ParameterizedTest
    @CsvSource({"440, 69, 0", "261.6256, 60, 0", "880, 69, 0", "220, 69, 0", "446.4, 69, 25", "433.7, 69, -25", "659.2551, 69, 700", "329.6276, 69, -500", "130.8128, 60, 0", "195.9977, 60, -500"})
    void centsFromAKey(double hz, int key, double expected) {
        assertEquals(expected, PitchFinder.centsFromKey(hz, key), 0.1);
    }
}
