package gentlecomet.sound.performance;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.engine.Played;
import gentlecomet.sound.engine.Spectrum;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.patch.Route;
import java.lang.management.ManagementFactory;
import java.util.List;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How keys and hands are played: priorities, glides, tunings, velocity, routes in all their details. */
class PlayingTest {

    private static double[] after(Patch patch, Consumer<Engine> hands) {
        Engine engine = Played.engine(patch, 48000);
        hands.accept(engine);
        double[] left = new double[60000];
        engine.render(left, new double[60000], 0, 60000);
        return left;
    }

    private static double hz(int key) {
        return 440 * Math.pow(2, (key - 69) / 12.0);
    }

    @ParameterizedTest
    @CsvSource({"last,55", "lowest,48", "highest,64"})
    void monoPlaysTheKeyOfItsPriority(String priority, int expected) {
        double[] sound = after(Played.patch("performance.mode=mono", "performance.priority=" + priority), e -> {
            e.noteOn(48, 100);
            e.noteOn(64, 100);
            e.noteOn(55, 100);
        });
        assertEquals(hz(expected), Played.frequency(sound, hz(expected), 48000), 0.05);
    }

    @Test
    void theKeyBelowComesBackWhenTheUpperOneIsLetGo() {
        double[] sound = after(Played.patch("performance.mode=legato"), e -> {
            e.noteOn(48, 100);
            e.noteOn(60, 100);
            e.noteOff(60);
        });
        assertEquals(hz(48), Played.frequency(sound, hz(48), 48000), 0.05);
    }

    /** A glide by rate takes its time for each octave: half way through, an octave's glide stands on the sixth semitone. */
    @Test
    void aGlideByRateTakesItsTimeForEachOctave() {
        Patch patch = Played.patch("performance.mode=legato", "performance.glideTime=1 s", "performance.glideBy=perOctave");
        Engine engine = Played.engine(patch, 48000);
        engine.noteOn(48, 100);
        engine.render(new double[4800], new double[4800], 0, 4800);
        engine.noteOn(72, 100);
        double[] left = new double[48000 * 2 + 40000];
        engine.render(left, new double[left.length], 0, left.length);
        Spectrum middle = new Spectrum(left, 48000 - 1024, 2048, 48000);
        assertTrue(middle.amplitude(hz(60)) > middle.amplitude(hz(72)) * 5, "after one second it is half way of two octaves");
        assertEquals(hz(72), Played.frequency(java.util.Arrays.copyOfRange(left, 96000, left.length), hz(72), 48000), 0.05);
    }

    /** Bend of 12 up and 3 down, MIDI 1.0's wheel from end to end. */
    @ParameterizedTest
    @CsvSource({"1,69", "-1,54", "0,57"})
    void bendReachesEachWayAsFarAsItIsSet(double bend, int expected) {
        double[] sound = after(Played.patch("performance.bendUp=12", "performance.bendDown=3"), e -> {
            e.bend(bend);
            e.render(new double[9600], new double[9600], 0, 9600);
            e.noteOn(57, 100);
        });
        assertEquals(hz(expected), Played.frequency(sound, hz(expected), 48000), 0.05);
    }

    /** A4 at 415 Hz, and a scale that sets one key 50 cents up. */
    @Test
    void tuningsMoveTheKeys() {
        assertEquals(415, Played.frequency(after(Played.patch("performance.tuning=415"), e -> e.noteOn(69, 100)), 415, 48000), 0.01);
        double[] cents = new double[128];
        cents[60] = 50;
        Patch scaled = Played.patch().withShape(Shapes.SCALE, cents);
        assertEquals(hz(60) * Math.pow(2, 0.5 / 12), Played.frequency(after(scaled, e -> e.noteOn(60, 100)), 269, 48000), 0.01);
        assertEquals(hz(61), Played.frequency(after(scaled, e -> e.noteOn(61, 100)), hz(61), 48000), 0.01);
    }

    /** 40 log10(v/127) dB at 100 % (DLS 1 and General MIDI 2); none at 0 %; the drawn curve in dB of its depth. */
    @Test
    void velocityGoesToLevelAsItIsTold() {
        assertEquals(40 * Math.log10(64 / 127.0), levelDb(Played.patch("performance.velocityToLevel=100"), 64), 0.05);
        assertEquals(0, levelDb(Played.patch("performance.velocityToLevel=0"), 20), 0.01);
        Patch drawn = Played.patch("performance.velocityCurve=drawn", "performance.velocityDepth=40")
                .withShape(Shapes.VELOCITY, new double[] {0, 0, 50, 90, 100, 100});
        assertEquals(-4, levelDb(drawn, 64), 0.1);
    }

    private static double levelDb(Patch patch, int velocity) {
        double[] sound = after(patch, e -> e.noteOn(69, velocity));
        return Spectrum.db(Played.rms(sound, 10000, 60000) * Math.sqrt(2)) + 12;
    }

    /** Two layers that cross over an octave with equal power: together they are as loud as one (pan and fade: sin squared + cos squared). */
    @Test
    void crossfadesKeepTheirPower() {
        Patch patch = Played.patch("layer1.zone.highKey=C5", "layer1.zone.highKeyFade=13", "layer1.source1.wave=noise", "layer2.on=on",
                "layer2.zone.lowKey=C4", "layer2.zone.lowKeyFade=13", "layer2.source1.wave=noise", "layer2.source1.level=-12");
        double alone = Played.rms(after(patch, e -> e.noteOn(50, 127)), 4800, 60000);
        for (int key = 60; key <= 72; key += 3) {
            double both = Played.rms(after(patch, note(key)), 4800, 60000);
            assertEquals(0, Spectrum.db(both / alone), 0.4, "key " + key);
        }
    }

    private static Consumer<Engine> note(int key) {
        return e -> e.noteOn(key, 127);
    }

    /** Side, bend, limits and scaling of a route, read back from where the parameter stands. */
    @Test
    void routesGoThroughSideBendLimitsAndScaler() {
        assertEquals(50, panWith(new Route(Modulator.CONSTANT, Parameters.find("layer1.zone.pan"), 50), 0), 1e-9);
        assertEquals(20, panWith(new Route(Modulator.CONSTANT, Parameters.find("layer1.zone.pan"), 50, Route.Side.OWN, 0, -1, 0.4, null), 0), 1e-9);
        assertEquals(25, panWith(new Route(Modulator.CONSTANT, Parameters.find("layer1.zone.pan"), 50, Route.Side.OWN, 0, -1, 1, Modulator.MACRO_1), 50), 0.1);
        assertEquals(-50, panWith(new Route(Modulator.MACRO_2, Parameters.find("layer1.zone.pan"), 50, Route.Side.BOTH, 0, -1, 1, null), 0), 1e-9);
        assertEquals(25, panWith(new Route(Modulator.BEND, Parameters.find("layer1.zone.pan"), 50, Route.Side.ONE, 0, -1, 1, null), 0), 1e-9);
        double bent = panWith(new Route(Modulator.MACRO_1, Parameters.find("layer1.zone.pan"), 50, Route.Side.OWN, 0.5, -1, 1, null), 50);
        assertTrue(bent > 35 && bent < 50, "a bend upward rises early: " + bent);
    }

    private static double panWith(Route route, double macroPosition) {
        Patch patch = Played.patch("macro1=" + macroPosition).withRoutes(List.of(route));
        Engine engine = Played.engine(patch, 48000);
        engine.noteOn(60, 100);
        engine.render(new double[4800], new double[4800], 0, 4800);
        return engine.view().soundingValue(Parameters.find("layer1.zone.pan").index());
    }

    @Test
    void aCurveHoldsUntilTheKeyGoesUp() {
        Patch patch = Played.routed(Played.patch("layer1.curve1.mode=hold", "layer1.curve1.length=1 s", "layer1.curve1.toPoint=2",
                "layer1.amplitude.release=5 s"), Modulator.CURVE_1, "layer1.zone.pan", 100)
                .withShape(Shapes.curve(0, 0), new double[] {0, 0, 0, 20, 80, 0, 100, -60, 0});
        Engine engine = Played.engine(patch, 48000);
        int pan = Parameters.find("layer1.zone.pan").index();
        engine.noteOn(60, 100);
        double[] out = new double[96000];
        engine.render(out, new double[96000], 0, 96000);
        assertEquals(80, engine.view().soundingValue(pan), 0.5);
        engine.noteOff(60);
        engine.render(out, new double[96000], 0, 96000);
        assertEquals(-60, engine.view().soundingValue(pan), 0.5);
    }

    @Test
    void anLfoStepsThroughItsDrawnSteps() {
        Patch patch = Played.routed(Played.patch("layer1.lfo1.wave=steps", "layer1.lfo1.rate=1", "layer1.lfo1.start=retrigger"), Modulator.LFO_1,
                "layer1.zone.pan", 100).withShape(Shapes.lfoSteps(0, 0), new double[] {100, -50, 20, 0});
        Engine engine = Played.engine(patch, 48000);
        int pan = Parameters.find("layer1.zone.pan").index();
        engine.noteOn(60, 100);
        double[] expected = {100, -50, 20, 0};
        for (double level : expected) {
            engine.render(new double[6000], new double[6000], 0, 6000);
            assertEquals(level, engine.view().soundingValue(pan), 1e-9);
            engine.render(new double[6000], new double[6000], 0, 6000);
        }
    }

    /** Bytes that the thread allocates while it renders: none, whatever is played (counted by the JVM). */
    @Test
    void renderingAllocatesNothing() {
        Patch patch = Played.routed(Played.patch("layer1.source1.wave=saw", "layer1.source1.unisonVoices=7", "layer1.source2.wave=table",
                "layer1.source2.table=reed", "layer1.source2.level=-20", "layer1.source3.wave=partials", "layer1.source3.level=-20",
                "layer1.noise.level=-30", "layer1.filter1.type=ladder24", "layer1.filter2.type=comb", "layer1.drive.type=fold",
                "effect1.type=chorus", "effect2.type=delay", "effect3.type=reverb", "effect4.type=equaliser", "effect5.type=limiter"),
                Modulator.LFO_1, "layer1.pitch.shift", 1);
        Engine engine = Played.engine(patch, 48000);
        double[] left = new double[48000];
        double[] right = new double[48000];
        engine.noteOn(50, 100);
        engine.render(left, right, 0, 48000);
        var threads = (com.sun.management.ThreadMXBean) ManagementFactory.getThreadMXBean();
        long id = Thread.currentThread().getId();
        threads.getThreadAllocatedBytes(id);
        long before = threads.getThreadAllocatedBytes(id);
        for (int n = 0; n < 8; n++) {
            engine.noteOn(52 + n, 100);
            engine.render(left, right, 0, 24000);
            engine.noteOff(52 + n);
            engine.bend(n / 8.0);
        }
        long allocated = threads.getThreadAllocatedBytes(id) - before;
        assertTrue(allocated < 4096, allocated + " bytes");
    }

    @Test
    void breathAndExpressionReachTheirTargets() {
        Patch patch = Played.routed(Played.patch(), Modulator.BREATH, "layer1.zone.pan", 80);
        Engine engine = Played.engine(patch, 48000);
        engine.load(PatchImage.of(patch));
        engine.breath(0.5);
        engine.noteOn(60, 100);
        engine.render(new double[9600], new double[9600], 0, 9600);
        assertEquals(40, engine.view().soundingValue(Parameters.find("layer1.zone.pan").index()), 0.01);
    }
}
