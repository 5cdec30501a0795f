package gentlecomet.sound.engine;

import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Every parameter of a layer's voices does something: in a patch in which the part works to which it belongs, and as three notes are played that
 * overlap, are struck and let go at different velocities, at least one other value of it gives other samples.
 */
class EveryParameterIsHeardTest {

    /** Half of the usual rate: the question is whether, not how. */
    private static final int RATE = 24000;
    private static final int FRAMES = RATE / 2;
    private static final List<String> COMMON = List.of("layer1.lfo1.wave=square", "layer1.lfo1.smooth=30", "layer1.lfo1.delay=20 ms",
            "layer1.lfo1.fade=100 ms", "layer1.lfo2.wave=smoothRandom", "layer1.lfo3.wave=triangle", "layer1.lfo4.wave=pulse", "layer1.lfo4.rate=7",
            "layer1.amplitude.delay=5 ms", "layer1.amplitude.attack=30 ms", "layer1.amplitude.hold=20 ms", "layer1.amplitude.decay=100 ms",
            "layer1.amplitude.sustain=50", "layer1.amplitude.release=150 ms", "layer1.envelope2.attack=30 ms", "layer1.envelope2.decay=100 ms",
            "layer1.envelope2.sustain=50", "layer1.envelope3.attack=30 ms", "layer1.envelope3.decay=100 ms", "layer1.envelope3.sustain=50",
            "layer1.envelope4.attack=30 ms", "layer1.envelope4.decay=100 ms", "layer1.envelope4.sustain=50", "layer1.filter1.type=ladder24",
            "layer1.filter1.cutoff=900", "layer1.filter1.resonance=6 dB", "layer1.filter1.envelopeAmount=1", "layer1.filter1.keyTracking=50",
            "layer1.filter1.drive=3 dB", "layer1.filter1.mix=80", "layer1.filter2.type=comb", "layer1.filter2.combFeedback=40", "layer1.filter2.mix=60",
            "layer1.noise.level=-20", "layer1.noise.width=50",
            "layer1.zone.lowKeyFade=12", "layer1.zone.highKeyFade=12",
            "layer1.zone.lowKey=38", "layer1.zone.highKey=68", "layer1.curve1.length=100 ms", "layer1.curve2.length=100 ms");

    private static Patch patch(Object... more) {
        List<String> all = new ArrayList<>(COMMON);
        for (Object o : more) {
            all.addAll(o instanceof String[] several ? List.of(several) : List.of((String) o));
        }
        Patch patch = Played.mapped(Played.stirred(Played.patch(all.toArray(new String[0]))));
        patch = Played.routed(patch, Modulator.ENVELOPE_3, "layer1.source3.level", 3);
        patch = Played.routed(patch, Modulator.ENVELOPE_4, "layer1.source2.cents", 30);
        patch = Played.routed(patch, Modulator.AFTERTOUCH, "layer1.filter1.cutoff", 1);
        patch = Played.routed(patch, Modulator.CURVE_1, "layer1.zone.level", -6);
        return Played.routed(patch, Modulator.CURVE_2, "layer1.source1.cents", 30);
    }

    /** Each parameter has to be heard in one of these. */
    private static final List<Patch> PATCHES = List.of(
            patch("layer1.source1.wave=saw", "layer1.source1.unisonVoices=3", "layer1.source1.detune=12", "layer1.source1.phaseStart=random",
                    "layer1.source2.wave=pulse", "layer1.source2.level=-10", "layer1.source2.sync=source1", "layer1.source2.unisonVoices=3",
                    "layer1.source3.wave=table", "layer1.source3.level=-12", "layer1.source3.position=30", "layer1.source3.unisonVoices=3"),
            patch("layer1.source1.wave=table", "layer1.source1.position=30", "layer1.source1.unisonVoices=3", "layer1.source1.phaseModulation2=1", "layer1.source1.ring=40",
                    "layer1.source2.wave=table", "layer1.source2.level=-10", "layer1.source2.phaseModulation3=1", "layer1.source2.ring=40",
                    "layer1.source3.wave=pulse", "layer1.source3.level=-10", "layer1.source3.phaseModulation1=1", "layer1.source3.ring=40",
                    "layer1.filter2.type=vowels", "layer1.source1.sync=source2", "layer1.source3.phaseStart=random", "layer1.source2.phaseStart=random"),
            patch(bands(1), bands(2), bands(3), "layer1.filter2.type=highPass12", "layer1.filters.routing=parallel"),
            patch("layer1.source1.wave=body", "layer1.source1.pitchFall=5", "layer1.source2.pitchFall=5",
                    "layer1.source3.pitchFall=5", "layer1.source2.wave=body", "layer1.source2.level=-6", "layer1.source3.wave=body", "layer1.source3.level=-6",
                    "performance.mode=legato", "performance.glideTime=50 ms", "performance.velocityCurve=soft", "performance.stack=2",
                    "layer1.noise.colour=pink"),
            patch("layer1.source1.wave=noise", "performance.mode=mono", "performance.glideTime=50 ms", "layer1.drive.type=soft", "layer1.drive.amount=6", "layer1.drive.mix=70",
                    "layer1.drive.place=between",
                    "layer1.lfo1.division=1/8"));

    private static final List<double[]> SOUNDS = PATCHES.stream().map(EveryParameterIsHeardTest::sound).toList();

    /** A source of partials whose bands all rise. */
    private static String[] bands(int source) {
        String at = "layer1.source" + source + ".";
        List<String> all = new ArrayList<>(List.of(at + "wave=partials", at + "level=-8", at + "gridPull=30", at + "inharmonicity=5", at + "bandSlide=-0.5"));
        for (int band = 1; band <= 8; band++) {
            all.add(at + "band" + band + "Rise=" + (-4 * band));
            all.add(at + "band" + band + "Time=200 ms");
        }
        return all.toArray(new String[0]);
    }

    static Stream<Parameter> parameters() {
        int layer = Parameters.ofLayer(0, 0);
        return Parameters.ALL.stream().filter(p -> p.id().startsWith("performance.") || p.index() >= layer && p.index() < layer + LayerParameters.VOICE_SIZE)
                .filter(p -> PATCHES.stream().anyMatch(patch -> patch.relevant(p)));
    }

    private static DoubleStream elsewhere(Parameter p, double value) {
        if (p.taper().continuous()) {
            double position = p.position(value);
            return DoubleStream.of(position > 0.5 ? position - 0.2 : position + 0.2, 1, 0).map(p::value).filter(v -> v != value);
        }
        return DoubleStream.of(value + 1, value - 1, value + 2, p.min(), p.max()).filter(v -> v >= p.min() && v <= p.max() && v != value);
    }

    @ParameterizedTest
    @MethodSource("parameters")
    void inAPatchThatUsesIt(Parameter p) {
        boolean heard = IntStream.range(0, PATCHES.size()).filter(k -> PATCHES.get(k).relevant(p))
                .anyMatch(k -> elsewhere(p, PATCHES.get(k).value(p.id())).anyMatch(v -> differs(SOUNDS.get(k), sound(PATCHES.get(k).withValue(p, v)))));
        assertTrue(heard, p.id() + " changes nothing");
    }

    private static boolean differs(double[] one, double[] other) {
        double most = 0;
        for (int i = 0; i < FRAMES; i++) {
            most = Math.max(most, Math.abs(one[i] - other[i]));
        }
        return most > 1e-4;
    }

    private static double[] sound(Patch patch) {
        Engine engine = Played.engine(patch, RATE);
        double[] left = new double[FRAMES];
        double[] right = new double[FRAMES];
        engine.noteOn(45, 110);
        engine.render(left, right, 0, 3600);
        engine.noteOn(52, 50);
        engine.bend(-0.5);
        engine.aftertouch(0.4);
        engine.render(left, right, 3600, 2400);
        engine.noteOff(45);
        engine.noteOn(57, 90);
        engine.render(left, right, 6000, 2400);
        engine.bend(0.5);
        engine.aftertouch(0.8);
        engine.noteOff(52, 20);
        engine.noteOff(57, 100);
        engine.render(left, right, 8400, 1200);
        // All keys are up: not a legato one.
        engine.aftertouch(0.1);
        engine.noteOn(48, 80);
        engine.render(left, right, 9600, FRAMES - 9600);
        for (int i = 0; i < FRAMES; i++) {
            left[i] += 0.5 * right[i];
        }
        return left;
    }
}
