package gentlecomet.sound.effect;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.engine.Played;
import gentlecomet.sound.engine.Spectrum;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.PatchImage;
import java.util.function.IntToDoubleFunction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Effects that stand still against the formulas of what they are: combs, all-passes, zero-order hold, middle and side, time constants. */
class EffectLawsTest {

    private static final int RATE = 48000;
    private static final int LENGTH = 96000;

    private final double[][] out = new double[2][LENGTH];

    private void play(IntToDoubleFunction left, IntToDoubleFunction right, String... changes) {
        double[] image = PatchImage.of(Played.patch(changes));
        int at = PatchParameters.effect(0);
        EffectSlot slot = new EffectSlot(RATE);
        slot.equip((int) image[at + EffectParameters.TYPE]);
        slot.reset();
        double[] l = new double[EffectStep.SAMPLES];
        double[] r = new double[EffectStep.SAMPLES];
        for (int start = 0; start + l.length <= LENGTH; start += l.length) {
            for (int i = 0; i < l.length; i++) {
                l[i] = left.applyAsDouble(start + i);
                r[i] = right.applyAsDouble(start + i);
            }
            slot.process(image, at, image[PatchParameters.TEMPO], l, r);
            System.arraycopy(l, 0, out[0], start, l.length);
            System.arraycopy(r, 0, out[1], start, r.length);
        }
    }

    private static IntToDoubleFunction sine(double hz, double level) {
        return i -> level * Math.sin(2 * Math.PI * hz * i / RATE);
    }

    private double gain(double hz, String... changes) {
        play(sine(hz, 0.5), sine(hz, 0.5), changes);
        return Played.rms(out[0], 48000, LENGTH) / Played.rms(samples(sine(hz, 0.5)), 48000, LENGTH);
    }

    private static double[] samples(IntToDoubleFunction signal) {
        double[] all = new double[LENGTH];
        for (int i = 0; i < LENGTH; i++) {
            all[i] = signal.applyAsDouble(i);
        }
        return all;
    }

    /**
     * N first-order all-passes beside the dry sound: half of 1 + A^N, where A turns by -2 atan(tan(pi f / rate) / tan(pi fc / rate)). So the
     * gain is |cos(N atan(...))|, with N / 2 notches (J. O. Smith, "Physical Audio Signal Processing", phasing with first-order all-passes).
     */
    @ParameterizedTest
    @CsvSource({"4, 300", "4, 800", "4, 2000", "4, 5000", "6, 500", "6, 800", "8, 400", "8, 3000", "12, 100", "12, 800", "12, 9000"})
    void thePhaserTurnsThePhaseOfItsStages(int stages, double hz) {
        double turn = Math.atan(Math.tan(Math.PI * hz / RATE) / Math.tan(Math.PI * 800 / RATE));
        double expected = Math.abs(Math.cos(stages * turn));
        assertEquals(expected, gain(hz, "effect1.type=phaser", "effect1.phaser.stages=" + stages, "effect1.phaser.depth=0", "effect1.phaser.feedback=0",
                "effect1.phaser.centre=800"), 0.002);
    }

    /** A delay of T beside the dry sound: |cos(pi f T)|, the comb of any handbook. */
    @ParameterizedTest
    @CsvSource({"1, 100", "1, 250", "1, 500", "1, 1000", "1, 1500", "2, 250", "2, 1100", "0.5, 1000", "0.5, 1700"})
    void theFlangerIsAComb(double ms, double hz) {
        assertEquals(Math.abs(Math.cos(Math.PI * hz * ms / 1000)), gain(hz, "effect1.type=flanger", "effect1.flanger.delay=" + ms + " ms",
                "effect1.flanger.depth=0", "effect1.flanger.feedback=0"), 0.01);
    }

    /** Feedback F rings at multiples of 1 / T, where the late sound is 1 / (1 - F): beside the dry sound half of 1 + 1 / (1 - F). */
    @ParameterizedTest
    @CsvSource({"1, 1000, 50", "1, 2000, 50", "2, 500, 70"})
    void aFlangerWithFeedbackRingsAtItsDelay(double ms, double hz, double feedback) {
        double expected = 0.5 + 0.5 / (1 - feedback / 100);
        assertEquals(expected, gain(hz, "effect1.type=flanger", "effect1.flanger.delay=" + ms + " ms", "effect1.flanger.depth=0",
                "effect1.flanger.feedback=" + feedback), 0.03 * expected);
    }

    /**
     * Samples held for L samples are those of a hold in discrete time, sin(pi f L / rate) / sin(pi f / rate): an image at R - f stands to the tone
     * as sin(pi f / rate) to sin(pi (R - f) / rate) (A. V. Oppenheim, R. W. Schafer, "Discrete-Time Signal Processing").
     */
    @ParameterizedTest
    @CsvSource({"1000, 12000", "3000, 12000", "500, 6000", "2000, 16000"})
    void heldSamplesHaveTheImagesOfAZeroOrderHold(double hz, double held) {
        play(sine(hz, 0.5), sine(hz, 0.5), "effect1.type=bitcrusher", "effect1.bitcrusher.bits=16", "effect1.bitcrusher.rate=" + held);
        double image = tone(out[0], held - hz) / tone(out[0], hz);
        assertEquals(Spectrum.db(Math.sin(Math.PI * hz / RATE) / Math.sin(Math.PI * (held - hz) / RATE)), Spectrum.db(image), 0.05);
    }

    /** Level of a tone with a whole number of cycles in half a second. */
    private static double tone(double[] x, double hz) {
        double re = 0;
        double im = 0;
        for (int i = 48000; i < 72000; i++) {
            re += x[i] * Math.cos(2 * Math.PI * hz * i / RATE);
            im += x[i] * Math.sin(2 * Math.PI * hz * i / RATE);
        }
        return Math.hypot(re, im) / 12000;
    }

    /** Curves that are the same upside down add odd harmonics alone; a lopsided one adds even ones (any textbook on distortion). */
    @ParameterizedTest
    @CsvSource({"soft, false", "hard, false", "fold, false", "tape, false", "tube, true"})
    void driveAddsTheHarmonicsOfItsCurve(String shape, boolean even) {
        play(sine(440, 0.5), sine(440, 0.5), "effect1.type=drive", "effect1.drive.shape=" + shape, "effect1.drive.amount=12");
        double first = tone(out[0], 440);
        double second = Spectrum.db(tone(out[0], 880) / first + 1e-9);
        double third = Spectrum.db(tone(out[0], 1320) / first);
        assertTrue(third > -40, "third harmonic " + third);
        assertTrue(even ? second > -40 : second < -90, "second harmonic " + second);
    }

    /** Middle and side: left and right are M + wS and M - wS of M = (L + R) / 2 and S = (L - R) / 2 (A. Blumlein's, in any handbook). */
    @ParameterizedTest
    @ValueSource(doubles = {0, 50, 100, 200})
    void widthIsTheSideTimesAFactor(double width) {
        IntToDoubleFunction l = sine(333, 0.4);
        IntToDoubleFunction r = sine(777, 0.3);
        play(l, r, "effect1.type=stereo", "effect1.stereo.width=" + width);
        for (int i = 4800; i < 9600; i++) {
            double middle = (l.applyAsDouble(i) + r.applyAsDouble(i)) / 2;
            double side = (l.applyAsDouble(i) - r.applyAsDouble(i)) / 2 * width / 100;
            assertEquals(middle + side, out[0][i], 1e-12);
            assertEquals(middle - side, out[1][i], 1e-12);
        }
    }

    /** Two first-order high-passes in the side: -6 dB at their frequency, -12 dB per octave far below it. */
    @ParameterizedTest
    @CsvSource({"300, -6.02", "75, -24.6", "37.5, -36.3", "3000, -0.09"})
    void belowItsFrequencyTheSideIsTakenAway(double hz, double db) {
        IntToDoubleFunction tone = sine(hz, 0.5);
        play(tone, i -> -tone.applyAsDouble(i), "effect1.type=stereo", "effect1.stereo.monoBelow=300");
        assertEquals(db, Spectrum.db(Played.rms(out[0], 48000, LENGTH) * Math.sqrt(2) / 0.5), 0.4);
    }

    /** At its depth a tremolo lets 1 - depth through at least and everything at most. */
    @ParameterizedTest
    @CsvSource({"sine, 50", "triangle, 80", "square, 30"})
    void theTremoloGoesAsDeepAsItSays(String wave, double depth) {
        play(i -> 1, i -> 1, "effect1.type=tremolo", "effect1.tremolo.wave=" + wave, "effect1.tremolo.depth=" + depth, "effect1.tremolo.rate=4");
        double most = 0;
        double least = 1;
        for (int i = 24000; i < LENGTH - 64; i++) {
            most = Math.max(most, out[0][i]);
            least = Math.min(least, out[0][i]);
        }
        assertEquals(1, most, 0.01);
        assertEquals(1 - depth / 100, least, 0.01);
    }

    /** A time constant is the time in which 63 % of the way are gone (Giannoulis, Massberg, Reiss, JAES 60, 2012). */
    @ParameterizedTest
    @ValueSource(doubles = {20, 50, 100})
    void theCompressorTakesItsAttackTime(double ms) {
        // A constant steps from far below the threshold to 20 dB above it: at 4:1 15 dB are held down in the end.
        play(i -> i < 24000 ? 0.001 : 1, i -> 0, "effect1.type=compressor", "effect1.compressor.threshold=-20", "effect1.compressor.ratio=4",
                "effect1.compressor.knee=0", "effect1.compressor.attack=" + ms + " ms");
        int later = 24000 + (int) (ms / 1000 * RATE);
        assertEquals(-15 * (1 - Math.exp(-1)), Spectrum.db(out[0][later]), 0.3);
        assertEquals(-15, Spectrum.db(out[0][LENGTH - 100]), 0.05);
    }

    /** After a peak the limiter's gain comes back by 63 % of the way in its release time. */
    @ParameterizedTest
    @ValueSource(doubles = {50, 200})
    void theLimiterLetsGoInItsReleaseTime(double ms) {
        play(i -> i >= 24000 && i < 24640 ? 2 : 0.1, i -> 0, "effect1.type=limiter", "effect1.limiter.ceiling=0", "effect1.limiter.release=" + ms + " ms");
        int end = 24640 + 2 * EffectStep.SAMPLES;
        double missing = 1 - out[0][end] / 0.1;
        double later = 1 - out[0][end + (int) (ms / 1000 * RATE)] / 0.1;
        assertTrue(missing > 0.3, "gain is still held down by " + missing);
        assertEquals(Math.exp(-1), later / missing, 0.03);
    }

    /** Nothing comes out of a room before its pre-delay, and then at once. */
    @ParameterizedTest
    @CsvSource({"20, -48", "20, 0", "100, 0"})
    void aRoomWaitsForItsPreDelay(double ms, double early) {
        play(i -> i == 6400 ? 1 : 0, i -> 0, "effect1.type=reverb", "effect1.reverb.preDelay=" + ms + " ms", "effect1.reverb.early=" + early,
                "effect1.reverb.size=100");
        int heard = 0;
        while (Math.abs(out[0][heard]) < 1e-6) {
            heard++;
        }
        double seconds = (heard - 6400.0) / RATE - ms / 1000;
        assertTrue(seconds > -0.0001 && seconds < 0.005, "heard " + seconds + " s after the pre-delay");
    }

    /** With transients raised a blow is louder than what it becomes, and a steady sound stays as it is. */
    @Test
    void transientsRaiseTheBlowAndLeaveWhatIsSteady() {
        IntToDoubleFunction blow = i -> (i < 24000 ? 0.02 : 0.2) * Math.sin(2 * Math.PI * 1000 * i / RATE);
        play(blow, blow, "effect1.type=transientShaper", "effect1.transientShaper.attack=12");
        double[] dry = samples(blow);
        assertEquals(0, Spectrum.db(Played.rms(out[0], 19200, 23040) / Played.rms(dry, 19200, 23040)), 0.5);
        assertTrue(Spectrum.db(Played.rms(out[0], 24096, 24480) / Played.rms(dry, 24096, 24480)) > 4);
        assertEquals(0, Spectrum.db(Played.rms(out[0], 91200, 96000) / Played.rms(dry, 91200, 96000)), 0.5);
    }
}
