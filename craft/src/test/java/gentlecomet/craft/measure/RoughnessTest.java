package gentlecomet.craft.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.performance.Audio;
import org.junit.jupiter.api.Test;

/** What listeners find in modulated tones: Fastl and Zwicker, Psychoacoustics, chapter 11 (from memory). */
class RoughnessTest {

    private static final int RATE = 48000;

    private static double of(double depth, double modulationHz) {
        float[] x = new float[RATE];
        for (int i = 0; i < x.length; i++) {
            double t = (double) i / RATE;
            x[i] = (float) (0.3 * (1 + depth * Math.sin(2 * Math.PI * modulationHz * t)) * Math.sin(2 * Math.PI * 1000 * t));
        }
        return new Roughness(RATE, 0.1, 0.9).of(new Audio(x, x, RATE));
    }

    @Test
    void aSteadyToneIsSmooth() {
        assertTrue(of(0, 70) < 1e-4, "" + of(0, 70));
    }

    /** Roughness of a tone of 1 kHz is greatest near 70 swings a second and little below 15 and above 300. */
    @Test
    void seventySwingsASecondAreTheRoughest() {
        double most = of(1, 70);
        for (double hz : new double[] {10, 20, 35, 130, 200, 300}) {
            assertTrue(of(1, hz) < most, hz + " Hz");
        }
        assertTrue(of(1, 10) < 0.1 * most && of(1, 400) < 0.1 * most, of(1, 10) + " and " + of(1, 400) + " of " + most);
    }

    /** Roughness grows with about the square of the depth (the book's exponent is 1.6). */
    @Test
    void twiceTheDepthIsAboutThreeToFourTimesAsRough() {
        assertEquals(3.5, of(0.6, 70) / of(0.3, 70), 0.7);
    }

    /** Two tones 70 Hz apart beat inside one band of hearing; 600 Hz apart they do not. */
    @Test
    void tonesInOneBandBeat() {
        assertTrue(two(1000, 1070) > 10 * two(1000, 1600), two(1000, 1070) + " against " + two(1000, 1600));
    }

    private static double two(double a, double b) {
        float[] x = new float[RATE];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (0.3 * Math.sin(2 * Math.PI * a * i / RATE) + 0.3 * Math.sin(2 * Math.PI * b * i / RATE));
        }
        return new Roughness(RATE, 0.1, 0.9).of(new Audio(x, x, RATE));
    }
}
