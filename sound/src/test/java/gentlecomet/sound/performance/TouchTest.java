package gentlecomet.sound.performance;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.engine.Played;
import gentlecomet.sound.engine.Spectrum;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What hands do besides striking keys: pressure, bend, slide, stacks, crossfades. */
class TouchTest {

    private static final int RATE = 48000;

    private static Engine play(Patch patch, double seconds, Consumer<Engine> hands) {
        Engine engine = Played.engine(patch, RATE);
        hands.accept(engine);
        render(engine, seconds);
        return engine;
    }

    private static double[] render(Engine engine, double seconds) {
        double[] left = new double[(int) (seconds * RATE)];
        engine.render(left, new double[left.length], 0, left.length);
        return left;
    }

    private static double touch(Engine engine) {
        return engine.view().modulation(0, Modulator.AFTERTOUCH);
    }

    private static double semitones(double hz, int key) {
        return 12 * Math.log(hz / (440 * Math.pow(2, (key - 69) / 12.0))) / Math.log(2);
    }

    /** Above the threshold the whole range is reached: (p - t) / (1 - t). */
    @ParameterizedTest
    @CsvSource({"0, 0.4, 0.4", "20, 0.2, 0", "20, 0.1, 0", "20, 0.6, 0.5", "20, 1, 1", "60, 0.7, 0.25"})
    void pressureBeginsAtItsThreshold(double threshold, double pressure, double expected) {
        Patch patch = Played.patch("performance.touchThreshold=" + threshold);
        assertEquals(expected, touch(play(patch, 0.3, e -> {
            e.noteOn(60, 100);
            e.aftertouch(pressure);
        })), 1e-6);
        assertEquals(expected, touch(play(patch, 0.3, e -> {
            e.noteOn(60, 100);
            e.keyAftertouch(60, pressure);
        })), 1e-6, "and on one key");
    }

    /** The one bent line of the engine: (1 - 2^(-8 a x)) / (1 - 2^(-8 a)). */
    @Test
    void theCurveBendsWhatFollows() {
        Patch patch = Played.patch("performance.touchCurve=50");
        double expected = (1 - Math.pow(2, -4 * 0.5)) / (1 - Math.pow(2, -4));
        assertEquals(expected, touch(play(patch, 0.3, e -> {
            e.noteOn(60, 100);
            e.aftertouch(0.5);
        })), 1e-6);
    }

    /** Half the rise time, half the way; a small ease of 6 ms comes on top. */
    @Test
    void pressureRisesAndFallsNoFasterThanItMay() {
        Patch patch = Played.patch("performance.touchRise=400 ms", "performance.touchFall=1 s");
        Engine engine = play(patch, 0.2, e -> {
            e.noteOn(60, 100);
            e.aftertouch(1);
        });
        assertEquals(0.5, touch(engine), 0.03);
        render(engine, 0.4);
        assertEquals(1, touch(engine), 1e-6);
        engine.aftertouch(0);
        render(engine, 0.25);
        assertEquals(0.75, touch(engine), 0.02);
        render(engine, 1);
        assertEquals(0, touch(engine), 1e-6);
    }

    /** Steps of a 7-bit controller that sweeps in a second arrive as a smooth line: no step of the modulator above 1 %. */
    @Test
    void aSweepInSevenBitsIsSmooth() {
        Engine engine = play(Played.patch(), 0.1, e -> e.noteOn(60, 100));
        double before = touch(engine);
        double worst = 0;
        for (int value = 0; value < 128; value++) {
            engine.aftertouch(value / 127.0);
            for (int step = 0; step < 12; step++) {
                render(engine, Engine.STEP / (double) RATE);
                worst = Math.max(worst, Math.abs(touch(engine) - before));
                before = touch(engine);
            }
        }
        assertTrue(worst < 0.01, "worst step " + worst);
    }

    /** MIDI 1.0: the centre is no bend and the ends are the whole range, whatever the curve; between them it bends. */
    @ParameterizedTest
    @CsvSource({"0, 1, 12", "0, -1, -5", "0, 0.5, 6", "60, 1, 12", "60, -1, -5", "60, 0, 0"})
    void bendReachesItsRangeByAnyCurve(double curve, double bend, double expected) {
        Patch patch = Played.patch("performance.bendUp=12", "performance.bendDown=5", "performance.bendCurve=" + curve);
        double[] sound = Played.left(patch, RATE, RATE, e -> {
            e.noteOn(60, 100);
            e.bend(bend);
        });
        double near = 440 * Math.pow(2, (60 + expected - 69) / 12);
        assertEquals(expected, semitones(Played.frequency(sound, near, RATE), 60), 0.01);
    }

    @Test
    void aBentCurveOfTheWheelMovesEarlierThanAStraightOne() {
        Patch patch = Played.patch("performance.bendUp=12", "performance.bendCurve=50");
        double expected = 12 * (1 - Math.pow(2, -4 * 0.25)) / (1 - Math.pow(2, -4));
        double[] sound = Played.left(patch, RATE, RATE, e -> {
            e.noteOn(60, 100);
            e.bend(0.25);
        });
        assertEquals(expected, semitones(Played.frequency(sound, 440 * Math.pow(2, (60 + expected - 69) / 12), RATE), 60), 0.01);
    }

    /** Bend, pressure and slide of one note leave the others alone, as multidimensional controllers need it. */
    @Test
    void oneKeyIsBentAlone() {
        double[] sound = Played.left(Played.patch(), RATE, RATE, e -> {
            e.noteOn(60, 100);
            e.noteOn(79, 100);
            e.keyBend(60, 2);
        });
        Spectrum spectrum = new Spectrum(sound, 12000, 32768, RATE);
        double bent = spectrum.amplitude(440 * Math.pow(2, (62 - 69) / 12.0));
        assertEquals(0, Spectrum.db(spectrum.amplitude(440 * Math.pow(2, (79 - 69) / 12.0)) / bent), 0.1);
        assertTrue(Spectrum.db(spectrum.amplitude(440 * Math.pow(2, (60 - 69) / 12.0)) / bent) < -60, "nothing is left where it was");
        Engine engine = play(Played.patch(), 0.2, e -> {
            e.noteOn(60, 100);
            e.keySlide(62, 0.9);
            e.keySlide(60, 0.3);
        });
        assertEquals(0.3, engine.view().modulation(0, Modulator.SLIDE), 1e-6);
    }

    /** A key that is struck with its bend already set begins there, without a glide. */
    @Test
    void aBendSetBeforeTheNoteIsThereFromItsStart() {
        Engine engine = Played.engine(Played.patch(), RATE);
        engine.keyBend(60, 7);
        engine.noteOn(60, 100);
        assertEquals(7, semitones(Played.frequency(render(engine, 0.6), 440 * Math.pow(2, (67 - 69) / 12.0), RATE, 8192), 60), 0.001);
    }

    /** Voices of a stack stand evenly from -detune to +detune. */
    @Test
    void aStackSpreadsItsVoices() {
        Patch patch = Played.patch("performance.stack=3", "performance.stackDetune=100", "performance.stackWidth=0");
        Engine engine = Played.engine(patch, RATE);
        engine.noteOn(69, 100);
        double[] sound = render(engine, 1);
        assertEquals(3, engine.voicesSounding());
        Spectrum spectrum = new Spectrum(sound, 12000, 32768, RATE);
        double middle = spectrum.amplitude(440);
        for (int semitone : new int[] {-1, 1}) {
            assertEquals(0, Spectrum.db(spectrum.amplitude(440 * Math.pow(2, semitone / 12.0)) / middle), 0.3);
        }
        double alone = Spectrum.db(new Spectrum(Played.left(Played.patch(), 69, 100, RATE, RATE), 12000, 32768, RATE).amplitude(440));
        assertEquals(-10 * Math.log10(3), Spectrum.db(middle) - alone, 0.3, "together as strong as one");
    }

    @Test
    void aStackComesAndGoesAsOneNote() {
        Patch patch = Played.patch("performance.stack=4", "performance.voices=2");
        Engine engine = Played.engine(patch, RATE);
        for (int key : new int[] {60, 64, 67}) {
            engine.noteOn(key, 100);
            render(engine, 0.05);
        }
        assertEquals(8, engine.voicesSounding(), "two notes of four voices");
        engine.noteOff(64);
        engine.noteOff(67);
        render(engine, 0.5);
        assertEquals(0, engine.voicesSounding());
    }

    @Test
    void aLegatoStackMovesAsOne() {
        Engine engine = Played.engine(Played.patch("performance.stack=4", "performance.mode=legato"), RATE);
        engine.noteOn(60, 100);
        render(engine, 0.05);
        engine.noteOn(67, 100);
        render(engine, 0.05);
        assertEquals(4, engine.voicesSounding());
        engine.noteOff(67);
        engine.noteOff(60);
        render(engine, 0.5);
        assertEquals(0, engine.voicesSounding());
    }

    /** Level down from 0 dB by the depth: v/127 straight, its root soft, its square hard; nothing where it is fixed. */
    @ParameterizedTest
    @CsvSource({"linear, 64, -19.843", "soft, 64, -11.605", "hard, 64, -29.842", "fixed, 5, 0", "linear, 127, 0"})
    void velocityFollowsTheChosenCurve(String curve, int velocity, double expectedDb) {
        Patch patch = Played.patch("performance.velocityCurve=" + curve).withValue(gentlecomet.sound.parameter.Parameters.find("performance.velocityDepth"), 40);
        double sounding = Played.rms(Played.left(patch, 69, velocity, RATE, RATE / 2), 6000, 22000);
        double full = Played.rms(Played.left(patch, 69, 127, RATE, RATE / 2), 6000, 22000);
        assertEquals(expectedDb, Spectrum.db(sounding / full), 0.02);
    }

    /** Fades that keep the level add up to one, fades that keep the power to one in squares: sin and cos of a quarter turn. */
    @ParameterizedTest
    @CsvSource({"level, 1", "power, 2"})
    void crossfadesKeepWhatTheySay(String law, int exponent) {
        String[] low = {"layer1.zone.highKey=C5", "layer1.zone.highKeyFade=13", "layer1.zone.fadeLaw=" + law};
        String[] high = {"layer1.zone.lowKey=C4", "layer1.zone.lowKeyFade=13", "layer1.zone.fadeLaw=" + law};
        double whole = Played.rms(Played.left(Played.patch(), 50, 127, RATE, RATE / 2), 6000, 22000);
        for (int key = 60; key <= 72; key += 4) {
            double one = Played.rms(Played.left(Played.patch(low), key, 127, RATE, RATE / 2), 6000, 22000) / whole;
            double other = Played.rms(Played.left(Played.patch(high), key, 127, RATE, RATE / 2), 6000, 22000) / whole;
            assertEquals(1, Math.pow(one, exponent) + Math.pow(other, exponent), 0.01, "key " + key);
        }
    }

    /** Straight between the points, level beyond them. */
    @ParameterizedTest
    @CsvSource({"36, 0", "48, 0", "60, -6", "72, -12", "90, -12"})
    void aLayerFollowsItsLevelAlongTheKeys(int key, double expectedDb) {
        Patch patch = Played.patch().withShape(gentlecomet.sound.parameter.Shapes.keyLevels(0), new double[] {48, 0, 72, -12});
        double sounding = Played.rms(Played.left(patch, key, 100, RATE, RATE / 2), 6000, 22000);
        double plain = Played.rms(Played.left(Played.patch(), key, 100, RATE, RATE / 2), 6000, 22000);
        assertEquals(expectedDb, Spectrum.db(sounding / plain), 0.01);
    }

    /** Wheels, pedal, held notes and a controller's bend range belong to the hands: a patch that is loaded sounds as it does in a fresh engine. */
    @Test
    void aLoadedPatchStandsAsItWasApproved() {
        Patch patch = Played.routed(Played.patch("performance.glideTime=300 ms", "performance.mode=mono", "layer1.source1.wave=saw", "layer1.source1.phaseStart=free",
                "effect1.type=delay"), Modulator.MOD_WHEEL, "layer1.pitch.shift", 7);
        Engine used = Played.engine(patch, RATE);
        used.noteOn(40, 127);
        used.modWheel(1);
        used.aftertouch(1);
        used.breath(1);
        used.expression(0.2);
        used.bend(0.7);
        used.bendRange(24);
        used.keyBend(60, 5);
        used.keySlide(60, 1);
        used.pedal(1);
        used.setParameter(gentlecomet.sound.parameter.Parameters.find("macro1").index(), 80);
        render(used, 0.7);
        used.load(gentlecomet.sound.patch.PatchImage.of(patch));
        Engine fresh = Played.engine(patch, RATE);
        used.noteOn(60, 100);
        fresh.noteOn(60, 100);
        assertArrayEquals(render(fresh, 0.5), render(used, 0.5));
    }

    /** Whatever arrives: nothing hangs and nothing breaks. */
    @Test
    void aFloodOfControllersAndLooseNoteOffsLeavesNothingBehind() {
        Engine engine = Played.engine(Played.patch("performance.stack=2"), RATE);
        for (int i = 0; i < 128; i++) {
            engine.noteOff(i);
            engine.modWheel(i / 127.0);
            engine.bend((i - 64) / 64.0);
            engine.keyAftertouch(i, 1);
            engine.keyBend(i, 200);
            engine.keySlide(200, 1);
        }
        engine.noteOn(60, 100);
        render(engine, 0.2);
        engine.panic();
        render(engine, 0.5);
        assertEquals(0, engine.voicesSounding());
        assertEquals(0, engine.faults());
    }
}
