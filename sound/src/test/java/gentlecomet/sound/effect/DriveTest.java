package gentlecomet.sound.effect;

import static gentlecomet.sound.effect.InSlot.RATE;
import static gentlecomet.sound.effect.InSlot.gainDb;
import static gentlecomet.sound.effect.InSlot.sine;
import static gentlecomet.sound.effect.InSlot.through;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.distortion.Shaper;
import gentlecomet.sound.engine.Played;
import gentlecomet.sound.engine.Spectrum;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Distortion: what is not a harmonic of what comes in, and what the curves say by hand. */
class DriveTest {

    /** Strongest component below 20 kHz that is no harmonic, under the fundamental in dB. */
    static double aliasDb(double[] sound, double hz) {
        Spectrum spectrum = new Spectrum(sound, sound.length - 65536, 65536, RATE);
        return Spectrum.db(spectrum.strongestBetweenHarmonics(hz, 20000) / spectrum.amplitude(hz));
    }

    @ParameterizedTest
    @CsvSource({"soft,12,-70", "hard,12,-70", "fold,12,-70", "tape,12,-70", "tube,12,-70", "soft,24,-60", "hard,24,-60", "fold,24,-60", "tape,24,-60", "tube,24,-60"})
    void aFullSineOfFourKilohertzMakesFewAliases(String shape, double amount, double limit) {
        double hz = 4200.3;
        double[] out = through(80000, sine(hz, 1), "effect1.type=drive", "effect1.drive.shape=" + shape, "effect1.drive.amount=" + amount)[0];
        assertTrue(aliasDb(out, hz) < limit, aliasDb(out, hz) + " dB");
    }

    @ParameterizedTest
    @CsvSource({"soft,24", "hard,24", "fold,24", "tape,24", "tube,24", "tube,6"})
    void noShapeLeavesADirectPart(String shape, double amount) {
        double[] out = through(96000, sine(480, 1), "effect1.type=drive", "effect1.drive.shape=" + shape, "effect1.drive.amount=" + amount)[0];
        double mean = 0;
        for (int i = 48000; i < 96000; i++) {
            mean += out[i] / 48000;
        }
        assertEquals(0, mean, 1e-4);
    }

    /** At levels that move slowly the mean of the curve over a step is the curve: hard at 2 is 1, a triangle over 1.5 is 0.5, 1.5 u - 0.5 u^3 of 0.6 with u = 0.4 is 0.568. */
    @ParameterizedTest
    @CsvSource({"2,2,1", "3,1.5,0.5", "3,-1.5,-0.5", "3,5.5,0.5", "1,0.6,0.568", "1,-4,-1", "2,-0.3,-0.3"})
    void curvesSayWhatTheyDoByHand(int shape, double in, double out) {
        assertEquals(out, Shaper.value(shape, in), 1e-12);
        Shaper shaper = new Shaper();
        double[] x = new double[2000];
        for (int i = 0; i < x.length; i++) {
            x[i] = in * Math.min(1, i / 1000.0);
        }
        double[] given = x.clone();
        shaper.process(x, x.length, shape, 0);
        for (int i = 100; i < x.length; i++) {
            assertEquals(Shaper.value(shape, given[i]), x[i], 0.01, "at " + given[i]);
        }
        assertEquals(out, x[x.length - 1], 1e-9);
    }

    /** Against the mean over the step by Simpson's rule; for the fold over three inputs. */
    @ParameterizedTest
    @ValueSource(ints = {Shaper.SOFT, Shaper.HARD, Shaper.FOLD})
    void anOutputIsTheMeanOfTheCurveOverTheStep(int shape) {
        double[] x = {0, 0.4, 2.9, -3.3, -3.3, 0.1, 7.2};
        double[] y = x.clone();
        new Shaper().process(y, y.length, shape, 0);
        for (int i = 2; i < x.length; i++) {
            double expected = shape == Shaper.FOLD ? overTriangle(x[i - 2], x[i - 1], x[i]) : simpson(shape, x[i - 1], x[i]);
            assertEquals(expected, y[i], shape == Shaper.FOLD ? 5e-3 : 1e-6, "to " + x[i]);
        }
    }

    /** Mean of the curve over all weighted means of three inputs, which is what a second divided difference is (Hermite and Genocchi). */
    private static double overTriangle(double a, double b, double c) {
        int steps = 600;
        double sum = 0;
        int count = 0;
        for (int i = 0; i < steps; i++) {
            for (int k = 0; k < steps - i; k++) {
                double s = (i + 1.0 / 3) / steps;
                double t = (k + 1.0 / 3) / steps;
                sum += Shaper.value(Shaper.FOLD, a + s * (b - a) + t * (c - a));
                count++;
            }
        }
        return sum / count;
    }

    private static double simpson(int shape, double from, double to) {
        int steps = 20000;
        double sum = 0;
        for (int k = 0; k <= steps; k++) {
            sum += (k == 0 || k == steps ? 1 : k % 2 == 1 ? 4 : 2) * Shaper.value(shape, from + (to - from) * k / steps);
        }
        return sum / (3.0 * steps);
    }

    /** Half of the dry and half of the distorted sound, which is itself at this level: nothing is lost between them. */
    @ParameterizedTest
    @ValueSource(doubles = {100, 1000, 5000, 12000})
    void theDrySoundIsAsLateAsTheDistorted(double hz) {
        assertEquals(0, gainDb(hz, "effect1.type=drive", "effect1.mix=50", "effect1.drive.shape=hard", "effect1.drive.amount=0"), 0.2);
        assertEquals(0, gainDb(hz, "effect1.type=limiter", "effect1.mix=50"), 0.01);
    }

    @Test
    void theLowCutTakesLowsAwayBeforeTheCurve() {
        String[] drive = {"effect1.type=drive", "effect1.drive.shape=hard", "effect1.drive.amount=0", "effect1.drive.lowCut=400"};
        assertEquals(-3.01, gainDb(400, drive), 0.05);
        assertEquals(-12, gainDb(50, drive) - gainDb(100, drive), 0.5);
        assertEquals(0, gainDb(4000, drive), 0.05);
    }

    /** Tape presses highs more than lows: of two sines of one level the high one comes out more compressed. */
    @Test
    void tapePressesHighsMore() {
        String[] tape = {"effect1.type=drive", "effect1.drive.shape=tape", "effect1.drive.amount=18"};
        double low = Spectrum.db(Played.rms(through(48000, sine(200, 0.5), tape)[0], 24000, 48000));
        double high = Spectrum.db(Played.rms(through(48000, sine(9000, 0.5), tape)[0], 24000, 48000));
        assertTrue(low - high > 3, low + " against " + high);
        assertEquals(0.5 * 0.7 / Math.sqrt(2) * 0.01, Played.rms(through(48000, sine(200, 0.005), "effect1.type=drive", "effect1.drive.shape=tape", "effect1.drive.amount=0")[0], 24000, 48000), 2e-5);
    }
}
