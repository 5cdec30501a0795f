package gentlecomet.sound.effect;

import static gentlecomet.sound.effect.InSlot.RATE;
import static gentlecomet.sound.effect.InSlot.gainDb;
import static gentlecomet.sound.effect.InSlot.sine;
import static gentlecomet.sound.effect.InSlot.through;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.engine.Played;
import gentlecomet.sound.engine.Spectrum;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import java.util.function.IntToDoubleFunction;
import org.apache.commons.math3.complex.Complex;
import org.apache.commons.math3.transform.DftNormalization;
import org.apache.commons.math3.transform.FastFourierTransformer;
import org.apache.commons.math3.transform.TransformType;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Effects measured alone, in their slot, against published curves. */
class EffectsTest {

    /** W3C Audio EQ Cookbook: a bell has its gain at its frequency, a shelf half of its gain in dB there, a Butterworth cut -3 dB. */
    @Test
    void theEqualiserHasTheGainsOfTheCookbook() {
        String type = "effect1.type=equaliser";
        assertEquals(9, gainDb(1500, type, "effect1.equaliser.gain3=9", "effect1.equaliser.q3=2"), 0.05);
        assertEquals(-12, gainDb(400, type, "effect1.equaliser.gain2=-12"), 0.05);
        assertEquals(4, gainDb(150, type, "effect1.equaliser.lowGain=8"), 0.05);
        assertEquals(8, gainDb(25, type, "effect1.equaliser.lowGain=8"), 0.1);
        assertEquals(-3, gainDb(6000, type, "effect1.equaliser.highGain=-6"), 0.05);
        assertEquals(0, gainDb(500, type), 1e-9);
        for (String slope : new String[] {"12dB", "24dB", "48dB"}) {
            assertEquals(-3.01, gainDb(200, type, "effect1.equaliser.lowCut=200", "effect1.equaliser.lowSlope=" + slope), 0.05, slope);
            double octave = gainDb(50, type, "effect1.equaliser.lowCut=400", "effect1.equaliser.lowSlope=" + slope)
                    - gainDb(100, type, "effect1.equaliser.lowCut=400", "effect1.equaliser.lowSlope=" + slope);
            assertEquals(-Double.parseDouble(slope.substring(0, 2)), octave, 0.5, slope);
        }
    }

    /** Butterworth: -3 dB at the cut whatever the order, and 6 dB per octave for each order well beyond it. */
    @ParameterizedTest
    @ValueSource(strings = {"6dB", "12dB", "24dB"})
    void theWetSoundOfADelayIsCutAsSteeplyAsItSays(String slope) {
        String[] delay = {"effect1.type=delay", "effect1.mix=100", "effect1.delay.feedback=0", "effect1.delay.timeLeft=5 ms", "effect1.delay.lowCut=400", "effect1.delay.lowSlope=" + slope,
            "effect1.delay.highCut=20000"};
        assertEquals(-3.01, gainDb(400, delay), 0.05);
        assertEquals(-Double.parseDouble(slope.replace("dB", "")), gainDb(50, delay) - gainDb(100, delay), 0.5);
        String[] high = {"effect1.type=delay", "effect1.mix=100", "effect1.delay.feedback=0", "effect1.delay.timeLeft=5 ms", "effect1.delay.lowCut=20", "effect1.delay.highSlope=" + slope,
            "effect1.delay.highCut=500"};
        assertEquals(-3.01, gainDb(500, high), 0.05);
        assertEquals(-Double.parseDouble(slope.replace("dB", "")), gainDb(4000, high) - gainDb(2000, high), 0.7);
    }

    @Test
    void theSidesOfADelayHaveTheirLevelsAndComeTogether() {
        String[] delay = {"effect1.type=delay", "effect1.mix=100", "effect1.delay.feedback=0", "effect1.delay.timeLeft=5 ms", "effect1.delay.timeRight=9 ms", "effect1.delay.lowCut=20",
            "effect1.delay.highCut=20000", "effect1.delay.levelLeft=-12", "effect1.delay.levelRight=-3"};
        double[][] apart = through(48000, sine(500, 0.1), delay);
        assertEquals(-12, Spectrum.db(Played.rms(apart[0], 24000, 48000) / 0.1 * Math.sqrt(2)), 0.01);
        assertEquals(-3, Spectrum.db(Played.rms(apart[1], 24000, 48000) / 0.1 * Math.sqrt(2)), 0.01);
        String[] narrow = java.util.Arrays.copyOf(delay, delay.length + 1);
        narrow[delay.length] = "effect1.delay.width=0";
        double[][] together = through(48000, sine(500, 0.1), narrow);
        for (int n = 24000; n < 24100; n++) {
            assertEquals(0.5 * (apart[0][n] + apart[1][n]), together[0][n], 1e-9);
            assertEquals(together[0][n], together[1][n], 1e-12);
        }
    }

    /** What a huge reverb cut at 400 Hz leaves below 150 Hz, against the same without the cut: more than 24 dB less, as it is beyond an octave away. */
    @Test
    void aSteepCutKeepsTheTailOutOfTheLows() {
        String[] reverb = {"effect1.type=reverb", "effect1.mix=100", "effect1.reverb.size=100", "effect1.reverb.decay=6", "effect1.reverb.lowCut=400", "effect1.reverb.lowSlope=24dB"};
        String[] open = {"effect1.type=reverb", "effect1.mix=100", "effect1.reverb.size=100", "effect1.reverb.decay=6", "effect1.reverb.lowCut=20"};
        assertTrue(gainDb(150, reverb) - gainDb(150, open) < -24, "falls by " + (gainDb(150, reverb) - gainDb(150, open)));
    }

    @ParameterizedTest
    @ValueSource(doubles = {60, 150, 900, 4000, 12000})
    void thePictureOfTheEqualiserIsTrue(double hz) {
        String[] changes = {"effect1.type=equaliser", "effect1.equaliser.gain1=5", "effect1.equaliser.gain3=-7", "effect1.equaliser.highGain=4",
            "effect1.equaliser.lowSlope=24dB", "effect1.equaliser.lowCut=80"};
        double[] image = PatchImage.of(Played.patch(changes));
        assertEquals(Equaliser.responseDb(image, PatchParameters.effect(0), hz, RATE), gainDb(hz, changes), 0.1);
    }

    /** D. Giannoulis, M. Massberg, J. D. Reiss (JAES 60, 2012), equation 4: the static curve with a soft knee, worked by hand. */
    @ParameterizedTest
    @CsvSource({"-40,-40", "-21,-21", "-18,-18.5", "-12,-16", "-6,-14", "-1,-12.333"})
    void theCompressorFollowsItsStaticCurve(double in, double expected) {
        String[] changes = {"effect1.type=compressor", "effect1.compressor.threshold=-18", "effect1.compressor.ratio=3", "effect1.compressor.knee=6",
            "effect1.compressor.attack=0.2 ms", "effect1.compressor.release=2 s"};
        double level = Math.pow(10, in / 20);
        double[] out = through(96000, sine(1000, level), changes)[0];
        assertEquals(expected, Spectrum.db(Played.rms(out, 72000, 96000) * Math.sqrt(2)), 0.3);
    }

    /** The root of the mean square of a sine lies 3.01 dB below its peak. */
    @ParameterizedTest
    @CsvSource({"-40,-40", "-12,-16.007", "-1,-12.337"})
    void aMeanSquareDetectorHearsASineThreeDecibelsLower(double in, double expected) {
        String[] changes = {"effect1.type=compressor", "effect1.compressor.threshold=-21.01", "effect1.compressor.ratio=3", "effect1.compressor.knee=6",
            "effect1.compressor.attack=0.2 ms", "effect1.compressor.release=2 s", "effect1.compressor.detector=rms"};
        double level = Math.pow(10, in / 20);
        double[] out = through(96000, sine(1000, level), changes)[0];
        assertEquals(expected, Spectrum.db(Played.rms(out, 72000, 96000) * Math.sqrt(2)), 0.3);
    }

    /** A cut of 12 dB per octave at 400 Hz: a tone of 100 Hz is heard 24 dB softer, by which it stays below the threshold, one of 4 kHz as it is. */
    @Test
    void theDetectorCanBeDeafToLows() {
        String[] changes = {"effect1.type=compressor", "effect1.compressor.threshold=-20", "effect1.compressor.ratio=4", "effect1.compressor.knee=0",
            "effect1.compressor.release=2 s", "effect1.compressor.lowCut=400"};
        assertEquals(-6, Spectrum.db(Played.rms(through(96000, sine(100, 0.5), changes)[0], 72000, 96000) * Math.sqrt(2)), 0.05);
        assertEquals(-20 + 14.0 / 4, Spectrum.db(Played.rms(through(96000, sine(4000, 0.5), changes)[0], 72000, 96000) * Math.sqrt(2)), 0.3);
    }

    /** What is mixed in parallel adds up as gains do: half of nothing done, half of 6 dB less. */
    @Test
    void aParallelCompressorIsTrueToLevel() {
        String[] changes = {"effect1.type=compressor", "effect1.mix=50", "effect1.compressor.threshold=-20", "effect1.compressor.ratio=2", "effect1.compressor.knee=0",
            "effect1.compressor.release=2 s"};
        double in = Math.pow(10, -8 / 20.0);
        double expected = 20 * Math.log10(0.5 * in + 0.5 * in * Math.pow(10, -6 / 20.0));
        assertEquals(expected, Spectrum.db(Played.rms(through(96000, sine(1000, in), changes)[0], 72000, 96000) * Math.sqrt(2)), 0.1);
    }

    @ParameterizedTest
    @CsvSource({"0,fixed", "0.4,fixed", "1.5,adaptive", "10,fixed", "10,adaptive"})
    void noSampleLeavesTheLimiterAboveItsCeilingWhateverItsLookAhead(double ms, String release) {
        java.util.Random random = new java.util.Random(5);
        double[] noise = new double[96000];
        for (int i = 0; i < noise.length; i++) {
            noise[i] = random.nextGaussian() * (i % 9000 < 300 ? 4 : 0.2);
        }
        double[] out = through(96000, i -> noise[i], "effect1.type=limiter", "effect1.limiter.ceiling=-3", "effect1.limiter.lookAhead=" + ms + " ms", "effect1.limiter.adaptive=" + release,
                "effect1.limiter.detector=samplePeak")[0];
        double peak = 0;
        for (double v : out) {
            peak = Math.max(peak, Math.abs(v));
        }
        assertTrue(Spectrum.db(peak) <= -3 + 1e-6, "peak " + Spectrum.db(peak));
        assertTrue(Spectrum.db(peak) > -3.2);
    }

    /** A longer look ahead bends a low tone less while a peak is held down: its gain moves more slowly. */
    @Test
    void aLongerLookAheadDistortsLess() {
        IntToDoubleFunction knocks = i -> 0.3 * Math.sin(2 * Math.PI * 100 * i / RATE) + (i % 4800 < 8 ? 2 : 0);
        double[] harsh = through(96000, knocks, "effect1.type=limiter", "effect1.limiter.lookAhead=0", "effect1.limiter.release=200 ms")[0];
        double[] soft = through(96000, knocks, "effect1.type=limiter", "effect1.limiter.lookAhead=8 ms", "effect1.limiter.release=200 ms")[0];
        assertTrue(steepest(soft) < 0.2 * steepest(harsh), steepest(soft) + " against " + steepest(harsh));
    }

    /** Steepest change of the tone's level from one sample to the next just before the knocks. */
    private static double steepest(double[] x) {
        double most = 0;
        for (int i = 48000; i < 90000; i++) {
            boolean knock = false;
            for (int k = i - 20; k < i + 3; k++) {
                knock |= Math.abs(x[k]) > 0.5;
            }
            most = knock ? most : Math.max(most, Math.abs(x[i] - 2 * x[i - 1] + x[i - 2]));
        }
        return most;
    }

    /** An adaptive release is back sooner after one peak, and later after half a second of them. */
    @Test
    void anAdaptiveReleaseGoesByWhatWasHeldDown() {
        for (boolean longer : new boolean[] {false, true}) {
            int end = longer ? 48000 : 24400;
            IntToDoubleFunction burst = i -> i >= 24000 && i < end ? 2 : 0.1;
            String[] all = {"effect1.type=limiter", "effect1.limiter.release=100 ms"};
            double fixed = through(96000, burst, all)[0][end + 3000];
            double adaptive = through(96000, burst, all[0], all[1], "effect1.limiter.adaptive=adaptive")[0][end + 3000];
            assertTrue(longer ? adaptive < 0.95 * fixed : adaptive > 1.05 * fixed, longer + ": " + adaptive + " against " + fixed);
        }
    }

    /** 1.5 u - 0.5 u cubed with the curve's top at the ceiling: a tone of a fifth of it is all but untouched, one of three times is a square at the ceiling. */
    @Test
    void theSoftClipTakesTopsOffBeforeTheLimiter() {
        String[] all = {"effect1.type=limiter", "effect1.limiter.ceiling=0", "effect1.limiter.clip=12"};
        double small = Played.rms(through(48000, sine(500, 0.2), all)[0], 24000, 48000) * Math.sqrt(2);
        assertEquals(0.2, small, 0.003);
        double[] large = through(48000, sine(500, 3), all)[0];
        assertTrue(Played.rms(large, 24000, 48000) > 0.8, "the level of a square, " + Played.rms(large, 24000, 48000));
        double[] limited = through(48000, sine(500, 3), "effect1.type=limiter", "effect1.limiter.ceiling=0")[0];
        assertEquals(Math.sqrt(0.5), Played.rms(limited, 24000, 48000), 0.02, "a limiter alone leaves a sine");
    }

    @Test
    void noSampleLeavesTheLimiterAboveItsCeiling() {
        java.util.Random random = new java.util.Random(3);
        double[] noise = new double[96000];
        for (int i = 0; i < noise.length; i++) {
            noise[i] = random.nextGaussian() * (i % 9000 < 300 ? 4 : 0.2);
        }
        double[][] out = through(96000, i -> noise[i], "effect1.type=limiter", "effect1.limiter.ceiling=-3");
        double peak = 0;
        for (double v : out[0]) {
            peak = Math.max(peak, Math.abs(v));
        }
        assertTrue(Spectrum.db(peak) <= -3 + 1e-6, "peak " + Spectrum.db(peak));
        assertTrue(Spectrum.db(peak) > -4);
    }

    /**
     * The wave between the samples at four times the rate, as ITU-R BS.1770-4 annex 2 reads it, but interpolated without error by the Fourier transform of Apache Commons
     * Math: a quarter of the sample rate in the worst phase (its peaks lie 3 dB above its samples), a square of harmonics up to 17 kHz, and noise and bursts below 17 kHz.
     */
    @ParameterizedTest
    @ValueSource(strings = {"quarter", "square", "noise", "burst"})
    void theWaveBetweenTheSamplesStaysBelowTheCeilingToo(String kind) {
        java.util.Random random = new java.util.Random(11);
        double[] noise = new double[65536];
        for (int i = 0; i < noise.length; i++) {
            noise[i] = random.nextGaussian();
        }
        int cut = 17000 * (65536 / 1000) / 48;
        var kept = FOURIER.transform(noise, TransformType.FORWARD);
        java.util.Arrays.fill(kept, cut, 65536 - cut, Complex.ZERO);
        var back = FOURIER.transform(kept, TransformType.INVERSE);
        for (int i = 0; i < noise.length; i++) {
            noise[i] = back[i].getReal();
        }
        double[] out = through(65536, i -> switch (kind) {
            case "quarter" -> 2 * Math.sin(Math.PI / 2 * i + Math.PI / 4);
            case "square" -> java.util.stream.IntStream.of(1, 3, 5).mapToDouble(n -> 2 * Math.sin(2 * Math.PI * 2750.3 * n * i / 48000) / n).sum();
            case "noise" -> 0.8 * noise[i];
            default -> i % 6000 < 200 ? 3 * noise[i] : 0.1 * noise[i];
        }, "effect1.type=limiter", "effect1.limiter.ceiling=-1", "effect1.limiter.release=30 ms")[0];
        double peak = truePeak(out, 8192, 57344);
        assertTrue(Spectrum.db(peak) <= -1 + 0.01, kind + ": " + Spectrum.db(peak));
        assertTrue(Spectrum.db(peak) > -1.5, kind + " is held no lower than it has to be: " + Spectrum.db(peak));
    }

    private static final FastFourierTransformer FOURIER = new FastFourierTransformer(DftNormalization.STANDARD);

    /** Greatest absolute value of a stretch between two samples of a sound of 65536 samples, from its spectrum four times as long. */
    private static double truePeak(double[] x, int from, int to) {
        var spectrum = FOURIER.transform(java.util.Arrays.copyOf(x, 65536), TransformType.FORWARD);
        var padded = new Complex[4 * 65536];
        java.util.Arrays.fill(padded, Complex.ZERO);
        for (int k = 0; k < 32768; k++) {
            padded[k] = spectrum[k].multiply(4);
            padded[padded.length - 1 - k] = spectrum[65535 - k].multiply(4);
        }
        var wave = FOURIER.transform(padded, TransformType.INVERSE);
        double peak = 0;
        for (int i = 4 * from; i < 4 * to; i++) {
            peak = Math.max(peak, Math.abs(wave[i].getReal()));
        }
        return peak;
    }

    /** Linkwitz-Riley bands add up flat when nothing is compressed. */
    @ParameterizedTest
    @ValueSource(doubles = {50, 160, 700, 2500, 9000})
    void bandsAddUpFlat(double hz) {
        assertEquals(0, gainDb(hz, "effect1.type=multibandCompressor", "effect1.multiband.downRatio=1", "effect1.multiband.upRatio=1"), 0.1);
    }

    @Test
    void bandsPressDownAndLiftUp() {
        assertTrue(gainDb(1000, "effect1.type=multibandCompressor", "effect1.multiband.downThreshold=-40", "effect1.multiband.downRatio=4") < -12);
        assertTrue(gainDb(1000, "effect1.type=multibandCompressor", "effect1.multiband.downThreshold=0", "effect1.multiband.upThreshold=-5", "effect1.multiband.upRatio=3") > 6);
    }

    @Test
    void theWidenerPutsOneSideLate() {
        double[][] out = through(9600, i -> i == 100 ? 1 : 0, "effect1.type=widener", "effect1.widener.delay=10 ms");
        assertEquals(480, peakAt(out[1]) - peakAt(out[0]), 1);
    }

    private static int peakAt(double[] x) {
        int at = 0;
        for (int i = 0; i < x.length; i++) {
            at = Math.abs(x[i]) > Math.abs(x[at]) ? i : at;
        }
        return at;
    }

    /** Tempo table: a sixteenth at 120 BPM is 125 ms, so the tremolo swings eight times a second. */
    @Test
    void theTremoloKeepsTheTempo() {
        double[] out = through(48000, i -> 1, "effect1.type=tremolo", "effect1.tremolo.division=1/16", "effect1.tremolo.depth=100")[0];
        int rises = 0;
        for (int i = 1; i < out.length; i++) {
            rises += out[i - 1] < 0.5 && out[i] >= 0.5 ? 1 : 0;
        }
        assertEquals(8, rises, 1);
    }

    @Test
    void duckingDropsOnEveryBeat() {
        double[] out = through(96000, i -> 1, "effect1.type=ducking", "effect1.ducking.depth=24", "performance.tempo=120")[0];
        int drops = 0;
        for (int i = 1; i < out.length; i++) {
            drops += out[i - 1] > 0.25 && out[i] <= 0.25 ? 1 : 0;
        }
        assertEquals(4, drops, "two seconds at 120 beats per minute");
        assertTrue(out[23000] > 0.8, "back before the next beat");
    }

    @Test
    void crushingRoundsToItsBits() {
        double[] out = through(4800, sine(100, 0.9), "effect1.type=bitcrusher", "effect1.bitcrusher.bits=3", "effect1.bitcrusher.rate=48k")[0];
        for (double v : out) {
            assertEquals(Math.rint(v * 4), v * 4, 1e-9);
        }
    }

    @Test
    void widthNothingIsMonoAndLowsCanBeMono() {
        double[] image = PatchImage.of(Played.patch("effect1.type=stereo", "effect1.stereo.width=0"));
        StereoWidth width = new StereoWidth(RATE);
        double[] left = new double[EffectStep.SAMPLES];
        double[] right = new double[EffectStep.SAMPLES];
        left[0] = 1;
        left[1] = 0.5;
        left[2] = -0.2;
        width.process(image, PatchParameters.effect(0), 120, left, right);
        org.junit.jupiter.api.Assertions.assertArrayEquals(left, right, 1e-12);
    }

    /** An effect that changes nothing measurable is broken. */
    @ParameterizedTest
    @ValueSource(strings = {"drive", "bitcrusher", "chorus", "flanger", "phaser", "ensemble", "widener", "tremolo", "delay", "reverb", "compressor",
        "multibandCompressor", "transientShaper", "ducking", "limiter", "filter", "multibandDrive", "body", "filterBank"})
    void everyEffectIsHeardAndEndsInSilence(String type) {
        IntToDoubleFunction burst = i -> i < 24000 ? 0.7 * Math.sin(2 * Math.PI * 220 * i / RATE) * Math.min(1, i / 200.0) : 0;
        double[][] out = through(48000 * 20, burst, "effect1.type=" + type, "effect1.limiter.gain=12", "effect1.transientShaper.attack=12", "effect1.bands.amount1=12", "effect1.bank.shift=1", "effect1.mix=100");
        double difference = 0;
        double tail = 0;
        for (int i = 0; i < 48000; i++) {
            difference = Math.max(difference, Math.abs(out[1][i] - burst.applyAsDouble(i)));
        }
        for (int i = 48000 * 19; i < 48000 * 20 - 32; i++) {
            tail = Math.max(tail, Math.abs(out[0][i]));
        }
        assertTrue(difference > 0.01, type + " does nothing");
        assertTrue(tail < 1e-4, type + " still sounds at " + tail);
    }

    /** The type of a slot is changed, and two effects change places, under a held note: no step beyond what the wave itself makes. */
    @ParameterizedTest
    @ValueSource(strings = {"chorus", "phaser", "drive", "equaliser", "reverb", "delay", "stereo", "filterBank"})
    void changingTheTypeWhilePlayingDoesNotClick(String type) {
        Patch before = Played.patch("effect1.type=flanger", "effect2.type=chorus", "layer1.source1.level=-20");
        Engine engine = Played.engine(before, RATE);
        engine.noteOn(57, 127);
        double[] left = new double[28800];
        engine.render(left, new double[28800], 0, 9600);
        engine.change(PatchImage.of(before.withValue(Parameters.find("effect1.type"), Parameters.find("effect1.type").choices().indexOf(type))));
        engine.render(left, new double[28800], 9600, 19200);
        double steepest = Played.steepest(left, 9590, 14000);
        double usual = Math.max(Played.steepest(left, 4000, 9500), Played.steepest(left, 20000, 28000));
        assertTrue(steepest < 1.5 * usual + 1e-3, type + ": " + steepest + " against " + usual);
    }
}
