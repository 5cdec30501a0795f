package gentlecomet.sound.effect;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.sound.engine.Spectrum;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The delay line and the gentle cuts that the effects are made of. */
class LinesTest {

    private static final int STEP = EffectStep.SAMPLES;

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

    /** Third-order interpolation with central slopes gives parabolas back exactly (E. Catmull and R. Rom, 1974). */
    @ParameterizedTest
    @ValueSource(doubles = {2.25, 7.5, 33.875, 210.01})
    void betweenSamplesAParabolaIsExact(double delay) {
        assertEquals(parabola(400 - delay), filled(400).at(delay), 1e-9);
    }

    private static double[] parabolas(int first) {
        double[] step = new double[STEP];
        for (int i = 0; i < STEP; i++) {
            step[i] = parabola(first + i);
        }
        return step;
    }

    private static InterpolatedDelayLine curves(int steps, double gain) {
        InterpolatedDelayLine line = new InterpolatedDelayLine(500);
        for (int k = 0; k < steps; k++) {
            line.put(parabolas(k * STEP), gain);
        }
        return line;
    }

    /**
     * A delay that moves reads the parabola where it stands beside each new sample: backwards, slowly, and faster than time itself; a delay
     * of 1 is that sample. Wherever in the ring the step lies: it has been written around twice and a half.
     */
    @ParameterizedTest
    @CsvSource({"40, 0", "40.5, 0.25", "80.3, 0.01", "80.3, -0.01", "80.3, 0.7", "90.6, -0.7", "70.5, 1.25", "200.75, -0.4", "60, -0.01", "380.2, 2.5"})
    void aMovingTapReadsWhereItStands(double delay, double slope) {
        for (int steps = 30; steps < 47; steps++) {
            double[] out = new double[STEP];
            out[5] = 1;
            double[] added = out.clone();
            InterpolatedDelayLine line = curves(steps, 0.5);
            line.tap(delay, slope, out);
            line.addTap(delay, slope, added);
            for (int i = 0; i < STEP; i++) {
                double expected = 0.5 * parabola((steps - 1) * STEP + i - (delay - 1 + slope * i));
                assertEquals(expected, out[i], 1e-8, "sample " + i + " of step " + steps);
                assertEquals(expected + (i == 5 ? 1 : 0), added[i], 1e-8, "sample " + i + " of step " + steps);
            }
        }
    }

    @Test
    void aDelayBeyondTheLongestIsHeldAtTheLongest() {
        double[] out = new double[STEP];
        InterpolatedDelayLine line = curves(40, 1);
        line.tap(line.longest() + 100, 0, out);
        assertEquals(parabola(39 * STEP - (line.longest() - 1)), out[0], 1e-8);
    }

    /** Any step of the last two hundred can be read at a stretch, also across the end of the ring. */
    @ParameterizedTest
    @ValueSource(ints = {0, 1, 63, 64, 65, 100, 191})
    void aRingOfStepsGivesBackWhatWasWritten(int delay) {
        BlockRing ring = new BlockRing(200);
        for (int k = 0; k < 40; k++) {
            ring.write(parabolas(k * STEP));
            int from = ring.before(delay);
            for (int i = 0; i < STEP; i++) {
                int time = k * STEP + i - delay;
                assertEquals(time < 0 ? 0 : parabola(time), ring.samples[from + i], 0, "sample " + i + " of step " + k);
                assertEquals(ring.samples[from + i], ring.samples[ring.index(i - delay)], 0);
            }
            ring.moveOn();
        }
    }

    private static void write(ReverbDelayLine line, int first) {
        System.arraycopy(parabolas(first), 0, line.samples, line.at(), STEP);
        line.moveOn();
    }

    /** A line as long as its delay gives back what went in so many samples before, wherever its steps fall. */
    @ParameterizedTest
    @ValueSource(ints = {65, 100, 128, 317})
    void aTankLineGivesBackWhatWentInItsLengthAgo(int length) {
        ReverbDelayLine line = new ReverbDelayLine(400);
        line.resize(length);
        for (int k = 0; k < 60; k++) {
            for (int i = 0; i < STEP; i++) {
                int time = k * STEP + i - length;
                assertEquals(time < 0 ? 0 : parabola(time), line.samples[line.at() + i], 0, "sample " + i + " of step " + k);
            }
            write(line, k * STEP);
        }
    }

    /** What is in a line that changes its length is stretched: its oldest sample still comes out first, its newest last, and a straight line between. */
    @ParameterizedTest
    @CsvSource({"200, 300", "300, 200", "77, 78", "350, 70"})
    void aTankLineOfAnotherLengthIsStretched(int before, int after) {
        ReverbDelayLine line = new ReverbDelayLine(400);
        line.resize(before);
        int time = 0;
        for (int k = 0; k < 25; k++) {
            for (int i = 0; i < STEP; i++) {
                line.samples[line.at() + i] = time++;
            }
            line.moveOn();
        }
        line.resize(after);
        for (int n = 0; n < after; n++) {
            double expected = time - before + n * (before - 1.0) / (after - 1.0);
            assertEquals(expected, line.samples[line.at() + n % STEP], 1e-9, "sample " + n);
            if (n % STEP == STEP - 1) {
                line.moveOn();
            }
        }
    }

    private static double gain(double hz, double lowCut, double highCut) {
        OnePoleCuts cuts = new OnePoleCuts();
        int n = EffectStep.SAMPLES;
        double[] left = new double[n];
        double[] right = new double[n];
        double sum = 0;
        int counted = 0;
        for (int at = 0; at < 96000; at += n) {
            for (int i = 0; i < n; i++) {
                left[i] = Math.sin(2 * Math.PI * hz * (at + i) / 48000);
                right[i] = -left[i];
            }
            cuts.aim(lowCut, highCut, 48000);
            cuts.process(left, 0, right, 0, left, right, 0, n);
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
