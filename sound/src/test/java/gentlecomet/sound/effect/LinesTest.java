package gentlecomet.sound.effect;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.sound.engine.Spectrum;
import gentlecomet.sound.maths.ControlStep;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The delay line and the gentle cuts that the effects are made of. */
class LinesTest {

    private static DelayLine filled(int samples) {
        DelayLine line = new DelayLine(500);
        for (int i = 0; i < samples; i++) {
            line.put(parabola(i));
        }
        return line;
    }

    private static double parabola(double x) {
        return 0.002 * x * x - 0.3 * x + 4;
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 17, 300})
    void wholeDelaysAreExact(int delay) {
        assertEquals(parabola(400 - delay), filled(400).at(delay), 1e-12);
    }

    /** A delay that moves reads the parabola where it stands at each sample: backwards, slowly, and faster than time itself. */
    @ParameterizedTest
    @ValueSource(doubles = {0, 0.01, -0.01, 0.7, -0.7, 1.25})
    void movingDelaysReadWhereTheyStand(double slope) {
        DelayLine line = filled(400);
        double[] one = new double[32];
        double[] two = new double[32];
        double[] both = new double[32];
        line.tap(32, 80.3, slope, 0.5, one);
        line.tap(32, 90.6, -slope, 0.5, two);
        line.twoTaps(32, 80.3, 90.6, slope, 0.5, both);
        for (int i = 0; i < 32; i++) {
            // The first of 32 samples was put at time 368; a delay of 1 reads it.
            double expected = parabola(369 + i - 80.3 - slope * i);
            assertEquals(0.5 * expected, one[i], 1e-9);
            assertEquals(0.5 * (expected + parabola(369 + i - 90.6 + slope * i)), both[i], 1e-9);
            assertEquals(one[i] + two[i], both[i], 1e-12);
        }
    }

    /** Third-order interpolation with central slopes gives parabolas back exactly (E. Catmull and R. Rom, 1974). */
    @ParameterizedTest
    @ValueSource(doubles = {2.25, 7.5, 33.875, 210.01})
    void betweenSamplesAParabolaIsExact(double delay) {
        assertEquals(parabola(400 - delay), filled(400).at(delay), 1e-9);
    }

    /** A tap that moves reads beside each new sample what lay there; a delay of 1 is that sample itself. */
    @ParameterizedTest
    @CsvSource({"40, 0", "40.5, 0.25", "200.75, -0.4", "60, -0.01"})
    void aMovingTapReadsWhereItStands(double delay, double slope) {
        int count = 32;
        DelayLine line = filled(400);
        double[] block = new double[count];
        for (int i = 0; i < count; i++) {
            block[i] = parabola(400 + i);
        }
        line.put(block, count);
        double[] out = new double[count];
        line.tap(count, delay, slope, 0.5, out);
        double[] expected = new double[count];
        for (int i = 0; i < count; i++) {
            expected[i] = 0.5 * parabola(400 + i - (delay - 1 + slope * i));
        }
        assertArrayEquals(expected, out, 1e-8);
    }

    @Test
    void aDelayBeyondTheLongestIsHeldAtTheLongest() {
        DelayLine line = filled(4000);
        double[] out = new double[4];
        line.tap(4, line.longest() + 100, 0, 1, out);
        assertEquals(parabola(4000 - 4 - (line.longest() - 1)), out[0], 1e-6);
    }

    private static double gain(double hz, double lowCut, double highCut) {
        OnePoleCuts cuts = new OnePoleCuts();
        int n = ControlStep.SAMPLES;
        double[] left = new double[n];
        double[] right = new double[n];
        double sum = 0;
        int counted = 0;
        for (int at = 0; at < 96000; at += n) {
            for (int i = 0; i < n; i++) {
                left[i] = Math.sin(2 * Math.PI * hz * (at + i) / 48000);
                right[i] = -left[i];
            }
            cuts.process(left, right, lowCut, highCut, 48000);
            for (int i = 0; i < n; i++) {
                assertEquals(-left[i], right[i], 1e-12, "both sides alike");
                sum += at >= 48000 ? left[i] * left[i] : 0;
                counted += at >= 48000 ? 1 : 0;
            }
        }
        return Spectrum.db(Math.sqrt(2 * sum / counted));
    }

    /** A first-order section: -3.01 dB at its frequency, -6.99 dB an octave beyond it, -20.04 dB a decade beyond (any handbook). */
    @ParameterizedTest
    @CsvSource({"400, 400, 20000, -3.01", "200, 400, 20000, -6.99", "40, 400, 20000, -20.04", "400, 20, 400, -3.01", "800, 20, 400, -6.99", "400, 20, 20000, 0"})
    void cutsFallBySixDecibelsPerOctave(double hz, double lowCut, double highCut, double db) {
        assertEquals(db, gain(hz, lowCut, highCut), 0.05);
    }
}
