package gentlecomet.sound.engine;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.motion.Lfo;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.LfoParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** LFO, pedal, moving parameters by hand, and voices that make room. */
class MotionTest {

    private static final double STEP = 32 / 48000.0;

    private static final double[] NOTHING = {};

    private static double[] block(String... changes) {
        double[] block = new double[LayerParameters.SIZE];
        System.arraycopy(PatchImage.of(Played.patch(changes)), Parameters.ofLayer(0, 0), block, 0, block.length);
        return block;
    }

    @Test
    void theLfoWaitsForItsDelayAndFadesIn() {
        double[] block = block("layer1.lfo1.wave=square", "layer1.lfo1.rate=0.02", "layer1.lfo1.delay=400 ms", "layer1.lfo1.fade=600 ms");
        Lfo lfo = new Lfo();
        lfo.start(block, LayerParameters.lfo(0), 120, 1, 0);
        double atDelay = 1;
        double halfWay = 0;
        double atEnd = 0;
        for (double t = 0; t < 1.2; t += STEP) {
            double v = lfo.advance(block, LayerParameters.lfo(0), NOTHING, NOTHING, 120, STEP);
            atDelay = t < 0.399 ? v : atDelay;
            halfWay = t < 0.7 ? v : halfWay;
            atEnd = v;
        }
        assertEquals(0, atDelay);
        assertEquals(0.5, halfWay, 0.01);
        assertEquals(1, atEnd);
    }

    /** Cycles in ten seconds: rate in hertz, or tempo / 60 / quarter notes. */
    @ParameterizedTest
    @CsvSource({"free,5,50", "1/4,5,20", "1/8D,5,26", "1/8T,5,60"})
    void theLfoKeepsItsRateOrTheTempo(String division, double rate, int cycles) {
        double[] block = block("layer1.lfo1.wave=square", "layer1.lfo1.rate=" + rate, "layer1.lfo1.division=" + division);
        Lfo lfo = new Lfo();
        lfo.start(block, LayerParameters.lfo(0), 120, 1, 0);
        int rises = 0;
        double last = 1;
        for (int i = 0; i < Math.round(10 / STEP); i++) {
            double v = lfo.advance(block, LayerParameters.lfo(0), NOTHING, NOTHING, 120, STEP);
            rises += v > last ? 1 : 0;
            last = v;
        }
        assertEquals(cycles, rises, 1);
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3, 4, 5, 6, 7, 8})
    void everyLfoWaveStaysBetweenMinusOneAndOneAndMoves(int wave) {
        double[] block = block();
        int at = LayerParameters.lfo(0);
        block[at + LfoParameters.WAVE] = wave;
        double[] points = {0, -80, 0, 50, 100, 30, 100, -80, 0};
        double[] steps = {100, -50, 20, 0};
        double least = 2;
        double most = -2;
        for (int cycle = 0; cycle < 20; cycle++) {
            for (double phase = 0; phase < 1; phase += 0.01) {
                double v = Lfo.shape(block, at, points, steps, phase, 3, cycle);
                least = Math.min(least, v);
                most = Math.max(most, v);
            }
        }
        assertTrue(least >= -1 - 1e-9 && most <= 1 + 1e-9 && most - least > 1, least + " to " + most);
    }

    @Test
    void thePedalHoldsWhatTheHandLetsGo() {
        Engine engine = Played.engine(Played.patch(), 48000);
        double[] left = new double[9600];
        engine.noteOn(60, 100);
        engine.pedal(1);
        engine.noteOff(60);
        engine.render(left, new double[9600], 0, 9600);
        assertEquals(1, engine.voicesSounding());
        engine.pedal(0);
        engine.render(left, new double[9600], 0, 9600);
        assertEquals(0, engine.voicesSounding());
    }

    @Test
    void moreNotesThanVoicesStealWithoutAClick() {
        Patch patch = Played.patch("performance.voices=2", "layer1.amplitude.attack=20 ms", "layer1.source1.level=-20");
        Engine engine = Played.engine(patch, 48000);
        double[] left = new double[4800];
        double steepest = 0;
        double last = 0;
        for (int n = 0; n < 12; n++) {
            engine.noteOn(40 + n, 100);
            engine.render(left, new double[4800], 0, 4800);
            for (double v : left) {
                steepest = Math.max(steepest, Math.abs(v - last));
                last = v;
            }
            assertTrue(engine.voicesSounding() <= 2, "voices " + engine.voicesSounding());
        }
        // A voice of at most 0.1 that fades over 32 samples moves by 0.003 a sample; a cut would jump by up to 0.1.
        assertTrue(steepest < 0.02, "steepest " + steepest);
    }

    @ParameterizedTest
    @ValueSource(strings = {"layer1.source1.level=-40", "layer1.filter1.cutoff=100", "levelTrim=-30", "layer1.zone.pan=-100", "layer1.pitch.shift=3"})
    void aParameterMovedByHandDoesNotClick(String change) {
        Engine engine = Played.engine(Played.patch("layer1.filter1.type=low", "layer1.filter1.cutoff=5k"), 48000);
        double[] left = new double[9600];
        engine.noteOn(57, 127);
        engine.render(left, new double[9600], 0, 9600);
        var parameter = Parameters.find(change.substring(0, change.indexOf('=')));
        engine.setParameter(parameter.index(), ValueText.parse(parameter, change.substring(change.indexOf('=') + 1)));
        double before = left[9599];
        engine.render(left, new double[9600], 0, 9600);
        // The sine itself moves by at most 0.25 x 2 pi 262/48000 = 0.009 a sample.
        double steepest = Math.abs(left[0] - before);
        for (int i = 1; i < left.length; i++) {
            steepest = Math.max(steepest, Math.abs(left[i] - left[i - 1]));
        }
        assertTrue(steepest < 0.012, change + " " + steepest);
    }

    @Test
    void randomPerNoteIsRepeatableAndDiffersFromNoteToNote() {
        Patch patch = Played.routed(Played.patch(), Modulator.RANDOM, "layer1.source1.level", 20);
        Engine engine = Played.engine(patch, 48000);
        double[] levels = new double[4];
        for (int n = 0; n < 4; n++) {
            double[] left = new double[9600];
            engine.noteOn(69, 127);
            engine.render(left, new double[9600], 0, 9600);
            levels[n] = Played.rms(left, 4800, 9600);
            engine.noteOff(69);
            engine.render(new double[9600], new double[9600], 0, 9600);
        }
        assertTrue(Math.abs(Spectrum.db(levels[0] / levels[1])) > 0.1 || Math.abs(Spectrum.db(levels[1] / levels[2])) > 0.1);
        double[] again = Played.left(patch, 69, 127, 48000, 9600);
        assertEquals(levels[0], Played.rms(again, 4800, 9600));
    }

    /** Moved fully within 10 ms on a held note, nothing above 6 kHz comes up beyond what the ends themselves have, down to -60 dBFS. */
    @ParameterizedTest
    @ValueSource(strings = {"layer1.source1.level=-72", "layer1.filter1.cutoff=60", "layer1.filter1.resonance=30 dB", "layer1.source1.pan=100",
        "layer1.zone.level=-60", "effect1.mix=0", "effect1.output=-20 dB", "levelTrim=-20 dB"})
    void aParameterMovedFullyInTenMillisecondsDoesNotClick(String change) {
        double db = Figures.click(change);
        assertTrue(db < -60, change + " " + db);
    }

    /** A room that grows or shrinks stretches what echoes in it; a delay of another length slides there. */
    @ParameterizedTest
    @CsvSource({"effect1.reverb.size=90, reverb", "effect1.reverb.size=20, reverb", "effect1.chorus.depth=10 ms, chorus", "effect1.chorus.delay=30 ms, chorus"})
    void aLineOfAnotherLengthDoesNotClick(String change, String effect) {
        double db = Figures.click(change, effect);
        assertTrue(db < -60, change + " " + db);
    }
}
