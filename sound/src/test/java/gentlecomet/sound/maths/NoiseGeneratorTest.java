package gentlecomet.sound.maths;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class NoiseGeneratorTest {

    @ParameterizedTest
    @ValueSource(ints = {0, 1, -1, 7001, Integer.MIN_VALUE})
    void aStepAtOnceHasTheNumbersThatComeOneByOne(int seed) {
        NoiseGenerator one = new NoiseGenerator();
        NoiseGenerator other = new NoiseGenerator();
        one.seed(seed);
        other.seed(seed);
        double[] step = new double[ControlStep.SAMPLES];
        for (int n = 0; n < 50; n++) {
            one.fill(step);
            for (double number : step) {
                assertEquals(other.next(), number, 0);
            }
            assertEquals(other.next(), one.next(), 0, "and it goes on from there");
        }
    }

    /** Evenly spread from -1 to 1: mean 0, power 1/3, neighbours without relation; bounds are five times the deviation of such an estimate. */
    @ParameterizedTest
    @ValueSource(ints = {3, 4711})
    void numbersAreSpreadEvenly(int seed) {
        NoiseGenerator grain = new NoiseGenerator();
        grain.seed(seed);
        double[] step = new double[ControlStep.SAMPLES];
        int count = 0;
        double sum = 0;
        double power = 0;
        double neighbours = 0;
        double half = 0;
        double last = 0;
        for (int n = 0; n < 10000; n++) {
            grain.fill(step);
            for (int i = 0; i < step.length; i++) {
                assertTrue(step[i] >= -1 && step[i] < 1);
                sum += step[i];
                power += step[i] * step[i];
                neighbours += step[i] * last;
                half += step[i] * step[(i + step.length / 2) % step.length];
                last = step[i];
                count++;
            }
        }
        assertEquals(0, sum / count, 5 * Math.sqrt(1.0 / 3 / count));
        assertEquals(1.0 / 3, power / count, 5 * Math.sqrt(4.0 / 45 / count));
        assertEquals(0, neighbours / count, 5 * Math.sqrt(1.0 / 9 / count));
        assertEquals(0, half / count, 5 * Math.sqrt(2.0 / 9 / count));
    }

    /** White: no number has to do with any of the next 300, those of the step before in the same place among them. */
    @ParameterizedTest
    @ValueSource(ints = {5, 90210})
    void noiseIsWhite(int seed) {
        NoiseGenerator grain = new NoiseGenerator();
        grain.seed(seed);
        double[] noise = new double[1 << 18];
        double[] step = new double[ControlStep.SAMPLES];
        for (int at = 0; at < noise.length; at += step.length) {
            grain.fill(step);
            System.arraycopy(step, 0, noise, at, step.length);
        }
        for (int lag = 1; lag <= 300; lag++) {
            double sum = 0;
            for (int i = lag; i < noise.length; i++) {
                sum += noise[i] * noise[i - lag];
            }
            assertEquals(0, sum / (noise.length - lag), 5 * Math.sqrt(1.0 / 9 / noise.length), "lag " + lag);
        }
    }
}
