package gentlecomet.sound.engine;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Parameters of a voice are what their units say: intervals, decibels, degrees, seconds, octaves. */
class VoiceLawsTest {

    private static final int RATE = 48000;
    private static final double MIDDLE_A = 440;

    private static double[] play(Patch patch, int frames) {
        return Played.left(patch, 69, 127, RATE, frames);
    }

    /** Intervals of equal temperament, 2^(n/12), ratios and plain hertz; MIDI 1.0 puts key 69 at 440 Hz. */
    @ParameterizedTest
    @CsvSource({"source1.octave=1, 880", "source1.octave=-2, 110", "source1.semitones=7, 659.2551", "source1.cents=-50, 427.4741", "source1.ratio=1.5, 660",
        "source1.offset=7, 447", "source1.offset=-40, 400", "zone.transpose=-12, 220", "pitch.shift=0.5, 452.8930", "source1.keyFollow=0, 261.6256"})
    void pitchIsMovedByWhatTheParameterSays(String change, double hz) {
        double[] sound = play(Played.patch("layer1." + change), 48000);
        assertEquals(0, 1200 * Math.log(Played.frequency(sound, hz, RATE) / hz) / Math.log(2), 0.02);
    }

    @ParameterizedTest
    @CsvSource({"source1.level, -6", "source1.level, -30", "zone.level, -10", "zone.level, 6"})
    void levelsAreDecibels(String parameter, double db) {
        double[] plain = play(Played.patch("layer1." + parameter + "=0"), 24000);
        double[] moved = play(Played.patch("layer1." + parameter + "=" + db), 24000);
        assertEquals(db, Spectrum.db(Played.rms(moved, 12000, 24000) / Played.rms(plain, 12000, 24000)), 1e-6);
    }

    /** Equal power: the squares of both sides add up to the same everywhere, and the middle is 3.01 dB below a side. */
    @ParameterizedTest
    @ValueSource(strings = {"source1.pan", "zone.pan", "noise.pan"})
    void panKeepsThePower(String parameter) {
        String noise = parameter.startsWith("noise") ? "-12" : "off";
        double whole = 0;
        for (int pan = -100; pan <= 100; pan += 25) {
            Engine engine = Played.engine(Played.patch("layer1.noise.level=" + noise, "layer1.source1.level=" + (noise.equals("off") ? "-12" : "off"),
                    "layer1." + parameter + "=" + pan), RATE);
            double[][] sound = new double[2][24000];
            engine.noteOn(69, 127);
            engine.render(sound[0], sound[1], 0, 24000);
            double left = Played.rms(sound[0], 12000, 24000);
            double right = Played.rms(sound[1], 12000, 24000);
            whole = pan == -100 ? Math.hypot(left, right) : whole;
            assertEquals(0, Spectrum.db(Math.hypot(left, right) / whole), 0.001, "pan " + pan);
            if (pan == 0) {
                assertEquals(-3.0103, Spectrum.db(left / whole), 0.001);
                assertEquals(left, right, 1e-9);
            }
        }
    }

    /** A sine that begins at a phase: its first sample, a fixed lag after the key, is the sine of that phase. */
    @ParameterizedTest
    @ValueSource(doubles = {0, 12.5, 25, 60, 75})
    void aSourceBeginsAtItsPhase(double percent) {
        double[] sound = play(Played.patch("layer1.source1.phase=" + percent, "layer1.amplitude.attack=0", "layer1.amplitude.decay=1 ms"), 48000);
        // Traced back from a later second, of which a whole number of cycles lies between.
        double re = 0;
        double im = 0;
        for (int i = 0; i < 24000; i++) {
            re += sound[24000 + i] * Math.sin(2 * Math.PI * MIDDLE_A * i / RATE);
            im += sound[24000 + i] * Math.cos(2 * Math.PI * MIDDLE_A * i / RATE);
        }
        double lag = 12.0 * MIDDLE_A / RATE;
        double phase = Math.atan2(im, re) / (2 * Math.PI) + lag - percent / 100;
        assertEquals(0, phase - Math.rint(phase), 1e-4);
    }

    /** An octave of the second envelope at its top is an octave of cutoff, and 100 % of tracking one for every octave from middle C. */
    @ParameterizedTest
    @CsvSource({"ladder24", "lowPass12", "highPass24", "bandPass12"})
    void octavesOfEnvelopeAndKeyAreOctavesOfCutoff(String type) {
        String[] base = {"layer1.source1.wave=saw", "layer1.filter1.type=" + type, "layer1.filter1.resonance=6", "layer1.envelope2.attack=0",
            "layer1.envelope2.sustain=100"};
        double[] expected = settled(Played.patch(with(base, "layer1.filter1.cutoff=1200")), 72);
        assertArrayEquals(expected, settled(Played.patch(with(base, "layer1.filter1.cutoff=300", "layer1.filter1.envelopeAmount=2")), 72), 1e-6);
        assertArrayEquals(expected, settled(Played.patch(with(base, "layer1.filter1.cutoff=600", "layer1.filter1.keyTracking=100")), 72), 1e-6);
        assertArrayEquals(expected, settled(Played.patch(with(base, "layer1.filter1.cutoff=300", "layer1.filter1.keyTracking=200")), 72), 1e-6);
        assertArrayEquals(expected, settled(Played.routed(Played.patch(with(base, "layer1.filter1.cutoff=600")), Modulator.CONSTANT,
                "layer1.filter1.cutoff", 1), 72), 1e-6);
    }

    private static String[] with(String[] base, String... more) {
        String[] all = java.util.Arrays.copyOf(base, base.length + more.length);
        System.arraycopy(more, 0, all, base.length, more.length);
        return all;
    }

    /** The end of a second, when every beginning has been forgotten. */
    private static double[] settled(Patch patch, int key) {
        double[] sound = Played.left(patch, key, 127, RATE, 48000);
        return java.util.Arrays.copyOfRange(sound, 43200, 48000);
    }

    /** A vibrato of half a semitone goes 50 cents up and 50 down, at its rate. */
    @ParameterizedTest
    @CsvSource({"5, 0.5", "2, 1"})
    void anLfoMovesThePitchByItsDepth(double rate, double depth) {
        Patch patch = Played.routed(Played.patch("layer1.lfo1.rate=" + rate, "layer1.lfo1.start=retrigger"), Modulator.LFO_1, "layer1.pitch.shift", depth);
        double[] sound = play(patch, 48000);
        double highest = 0;
        double lowest = 1e9;
        double before = -1;
        for (int i = 4801; i < 48000; i++) {
            if (sound[i - 1] < 0 && sound[i] >= 0) {
                double crossing = i - 1 + sound[i - 1] / (sound[i - 1] - sound[i]);
                if (before > 0) {
                    highest = Math.max(highest, RATE / (crossing - before));
                    lowest = Math.min(lowest, RATE / (crossing - before));
                }
                before = crossing;
            }
        }
        assertEquals(100 * depth, 1200 * Math.log(highest / MIDDLE_A) / Math.log(2), 1);
        assertEquals(-100 * depth, 1200 * Math.log(lowest / MIDDLE_A) / Math.log(2), 1);
    }

    /** First-order cuts of the noise: half of its power at their frequency, measured against noise without them in bands of a sixth of an octave. */
    @ParameterizedTest
    @CsvSource({"lowCut=1000, 1000, -3.01", "lowCut=1000, 250, -12.3", "lowCut=1000, 8000, -0.07", "highCut=2000, 2000, -3.01", "highCut=2000, 8000, -12.6"})
    void noiseIsCutAtItsFrequencies(String cut, double hz, double db) {
        double[] plain = play(Played.patch("layer1.source1.level=off", "layer1.noise.level=-12", "layer1.noise.start=repeatable"), 1 << 17);
        double[] less = play(Played.patch("layer1.source1.level=off", "layer1.noise.level=-12", "layer1.noise.start=repeatable", "layer1.noise." + cut), 1 << 17);
        assertEquals(db, 10 * Math.log10(power(less, hz) / power(plain, hz)), 0.5);
    }

    private static double power(double[] sound, double hz) {
        double sum = 0;
        double step = (double) RATE / sound.length;
        int first = (int) (hz * Math.pow(2, -1.0 / 12) / step);
        int last = (int) (hz * Math.pow(2, 1.0 / 12) / step);
        double[] re = sound.clone();
        double[] im = new double[sound.length];
        gentlecomet.sound.maths.Fourier.transform(re, im, 1);
        for (int k = first; k <= last; k++) {
            sum += re[k] * re[k] + im[k] * im[k];
        }
        return sum;
    }

    /** A string struck in its middle has no even partials, one struck at a third no third one (any textbook: they have a node there). */
    @ParameterizedTest
    @CsvSource({"50, 2", "50, 4", "33.3333, 3", "25, 4"})
    void aStrikeAtANodeLeavesAPartialOut(double strike, int partial) {
        double[] sound = play(Played.patch("layer1.source1.wave=body", "layer1.source1.bodySet=harmonic", "layer1.source1.strike=" + strike,
                "layer1.source1.exciterLength=0.5 ms", "layer1.source1.bodyDecay=4 s", "layer1.source1.bodyTilt=0"), 48000);
        double at = level(sound, MIDDLE_A * partial);
        double beside = Math.max(level(sound, MIDDLE_A), level(sound, MIDDLE_A * (partial + 1)));
        assertTrue(Spectrum.db(at / beside) < -35, "partial " + partial + " at " + Spectrum.db(at / beside));
    }

    private static double level(double[] sound, double hz) {
        double re = 0;
        double im = 0;
        for (int i = 0; i < 24000; i++) {
            double w = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / 24000);
            re += w * sound[12000 + i] * Math.cos(2 * Math.PI * hz * i / RATE);
            im += w * sound[12000 + i] * Math.sin(2 * Math.PI * hz * i / RATE);
        }
        return Math.hypot(re, im);
    }

    /** A drawn curve of a length reaches its last point when the length is over: here the usual one, a straight fall, lets the level rise from -20 dB to 0. */
    @ParameterizedTest
    @ValueSource(doubles = {0.2, 0.5})
    void aCurveTakesItsLength(double seconds) {
        Patch patch = Played.routed(Played.patch("layer1.curve1.length=" + seconds + " s"), Modulator.CURVE_1, "layer1.zone.level", -20);
        double[] sound = play(patch, 48000);
        double end = Played.rms(sound, 40000, 44800);
        int middle = (int) (seconds / 2 * RATE);
        assertEquals(-10, Spectrum.db(Played.rms(sound, middle - 600, middle + 600) / end), 0.3);
        int over = (int) (seconds * RATE);
        assertEquals(0, Spectrum.db(Played.rms(sound, over + 240, over + 2640) / end), 0.05);
        assertTrue(Spectrum.db(Played.rms(sound, over - 2640, over - 240) / end) < -0.5);
    }

    /** Partials of a stretched tone rise; what comes at the first one stays where it is. */
    @Test
    void theFirstPartialOfAStretchedToneStaysInTune() {
        double[] sound = play(Played.patch("layer1.source1.wave=partials", "layer1.source1.inharmonicity=10", "layer1.source1.partialCount=1"), 48000);
        assertEquals(0, 1200 * Math.log(Played.frequency(sound, MIDDLE_A, RATE) / MIDDLE_A) / Math.log(2), 0.02);
    }
}
