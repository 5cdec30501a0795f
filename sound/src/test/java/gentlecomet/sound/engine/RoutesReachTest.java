package gentlecomet.sound.engine;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * A route reaches any continuous parameter of a layer, wherever in the voice it is read: at the start of a note, by the modulators, by
 * sources or filters. The oracle is the parameter itself: moved by a constant it sounds as if it had been set there.
 */
class RoutesReachTest {

    private static final int RATE = 48000;
    private static final int FRAMES = 14400;
    private static final String[] MOTION = {"layer1.lfo1.wave=square", "layer1.lfo1.smooth=30", "layer1.lfo1.delay=20 ms", "layer1.lfo1.fade=100 ms",
        "layer1.lfo1.phase=10", "layer1.lfo2.wave=smoothRandom", "layer1.lfo3.wave=triangle", "layer1.lfo3.scope=shared", "layer1.lfo4.wave=rampUp",
        "layer1.amplitude.delay=5 ms", "layer1.amplitude.attack=30 ms", "layer1.amplitude.hold=20 ms", "layer1.amplitude.decay=200 ms",
        "layer1.amplitude.sustain=50", "layer1.amplitude.release=300 ms", "layer1.envelope2.delay=5 ms", "layer1.envelope2.attack=30 ms",
        "layer1.envelope2.hold=20 ms", "layer1.envelope2.decay=200 ms", "layer1.envelope2.sustain=50", "layer1.envelope2.release=300 ms",
        "layer1.filter1.type=ladder24", "layer1.filter1.cutoff=900", "layer1.filter1.resonance=6 dB", "layer1.filter1.envelopeAmount=1",
        "layer1.filter1.keyTracking=50", "layer1.filter1.drive=3 dB", "layer1.filter1.mix=80", "layer1.drive.type=soft", "layer1.drive.amount=6",
        "layer1.drive.mix=70", "layer1.noise.level=-20", "layer1.noise.width=50", "layer1.noise.lowCut=200", "layer1.noise.highCut=4000"};
    private static final String[] WAVES = {"layer1.source1.wave=saw", "layer1.source1.unisonVoices=3", "layer1.source1.detune=12", "layer1.source1.width=50",
        "layer1.source2.wave=pulse", "layer1.source2.level=-10", "layer1.source2.pulseWidth=40", "layer1.source2.phase=20",
        "layer1.source3.wave=table", "layer1.source3.level=-12", "layer1.source3.position=30", "layer1.filter2.type=comb",
        "layer1.filter2.combFeedback=40", "layer1.filter2.mix=60"};
    private static final String[] BODIES = {"layer1.source1.wave=partials", "layer1.source1.inharmonicity=5", "layer1.source1.gridPull=30",
        "layer1.source2.wave=body", "layer1.source2.level=-6", "layer1.source2.pitchFall=5", "layer1.source2.spread=4",
        "layer1.source3.wave=sine", "layer1.source3.level=-12", "layer1.source3.phaseModulation1=0.8", "layer1.source3.ring=30",
        "layer1.source3.ringFrom=source2", "layer1.filter2.type=vowels"};

    private static Patch patch(String[] sources) {
        List<String> all = new ArrayList<>(List.of(MOTION));
        all.addAll(List.of(sources));
        Patch patch = Played.mapped(Played.stirred(Played.patch(all.toArray(new String[0]))));
        patch = Played.routed(patch, Modulator.ENVELOPE_2, "layer1.source3.level", 3);
        return Played.routed(patch, Modulator.CURVE_1, "layer1.zone.level", -6);
    }

    static Stream<Arguments> targets() {
        return Stream.of(WAVES, BODIES).flatMap(sources -> {
            Patch patch = patch(sources);
            int first = Parameters.ofLayer(0, 0);
            return Parameters.ALL.stream()
                    .filter(p -> p.index() >= first && p.index() < first + LayerParameters.VOICE_SIZE && Parameters.movable(p))
                    .filter(patch::relevant)
                    // An LFO that all notes share begins before any of them, so no route can say where.
                    .filter(p -> !p.id().equals("layer1.lfo3.phase"))
                    .map(p -> Arguments.of(p.id(), patch));
        });
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("targets")
    void aConstantMovesAParameterAsAHandWould(String id, Patch patch) {
        Parameter target = Parameters.find(id);
        double base = patch.value(id);
        double depth = 0.05 * target.maxDepth();
        if (target.moved(base, 2 * depth) == target.max()) {
            depth = -depth;
        }
        double moved = target.moved(base, depth);
        assertNotEquals(base, moved, id + " can be moved");
        double[] expected = sound(patch.withValue(target, moved));
        double[] routed = sound(Played.routed(patch, Modulator.CONSTANT, id, depth));
        for (int i = 0; i < FRAMES; i++) {
            assertEquals(expected[i], routed[i], 1e-7, id + " at frame " + i);
        }
    }

    /** What modulators say is heard in this patch, so the parameters of modulators have to be. */
    @ParameterizedTest
    @MethodSource("motion")
    void aRouteToAModulatorIsHeard(String id, double depth) {
        Patch patch = patch(WAVES);
        double[] plain = sound(patch);
        double[] routed = sound(Played.routed(patch, Modulator.VELOCITY, id, depth));
        double most = 0;
        for (int i = 0; i < FRAMES; i++) {
            most = Math.max(most, Math.abs(plain[i] - routed[i]));
        }
        assertTrue(most > 1e-3, id + " moves the sound by " + most);
    }

    static Stream<Arguments> motion() {
        return Stream.of(Arguments.of("layer1.lfo1.rate", 1), Arguments.of("layer1.lfo1.delay", 0.05), Arguments.of("layer1.lfo1.fade", 0.2),
                Arguments.of("layer1.lfo1.phase", 40), Arguments.of("layer1.lfo1.smooth", 60), Arguments.of("layer1.lfo2.rate", 1),
                Arguments.of("layer1.lfo3.rate", 1), Arguments.of("layer1.amplitude.delay", 0.02), Arguments.of("layer1.amplitude.attack", 0.1),
                Arguments.of("layer1.amplitude.hold", 0.1), Arguments.of("layer1.amplitude.decay", 0.2), Arguments.of("layer1.amplitude.sustain", 40),
                Arguments.of("layer1.amplitude.release", 0.3), Arguments.of("layer1.amplitude.attackCurve", 50),
                Arguments.of("layer1.envelope2.attack", 0.1), Arguments.of("layer1.envelope2.sustain", 40), Arguments.of("layer1.curve1.length", -0.5),
                Arguments.of("layer1.source2.phase", 30));
    }

    /** While a hand moves another parameter, routed ones stay where their routes put them. */
    @Test
    void aRoutedSustainHoldsWhileAnotherValueMoves() {
        Patch patch = Played.routed(Played.patch("layer1.amplitude.sustain=20", "layer1.amplitude.decay=10 ms"), Modulator.CONSTANT, "layer1.amplitude.sustain", 70);
        Engine still = Played.engine(patch, RATE);
        Engine moved = Played.engine(patch, RATE);
        still.noteOn(57, 127);
        moved.noteOn(57, 127);
        double[] expected = new double[FRAMES];
        double[] found = new double[FRAMES];
        still.render(expected, new double[FRAMES], 0, FRAMES);
        moved.render(found, new double[FRAMES], 0, 9600);
        for (int i = 0; i < 10; i++) {
            // Noise that is off changes nothing that is heard, but the layer's values.
            moved.setParameter(Parameters.find("layer1.noise.pan").index(), 3 * i);
            moved.render(found, new double[FRAMES], 9600 + 480 * i, 480);
        }
        assertNotEquals(0, expected[9700]);
        for (int i = 0; i < FRAMES; i++) {
            assertEquals(expected[i], found[i], 1e-9, "frame " + i);
        }
    }

    /** Also a note that comes before anything has been rendered finds macros where they stand. */
    @Test
    void theFirstNoteBeginsWhereAMacroPutsIt() {
        Patch patch = Played.patch("macro1=100", "layer1.source1.wave=saw", "layer1.source1.phase=10");
        double[] expected = sound(patch.withValue(Parameters.find("layer1.source1.phase"), 35));
        assertArrayEquals(expected, sound(Played.routed(patch, Modulator.MACRO_1, "layer1.source1.phase", 25)), 1e-9);
    }

    private static double[] sound(Patch patch) {
        Engine engine = Played.engine(patch, RATE);
        double[] left = new double[FRAMES];
        double[] right = new double[FRAMES];
        engine.noteOn(57, 110);
        engine.render(left, right, 0, 9600);
        engine.noteOff(57);
        engine.render(left, right, 9600, FRAMES - 9600);
        for (int i = 0; i < FRAMES; i++) {
            left[i] += 0.5 * right[i];
        }
        return left;
    }
}
