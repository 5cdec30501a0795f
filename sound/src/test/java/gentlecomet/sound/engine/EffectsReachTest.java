package gentlecomet.sound.engine;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Every parameter of every effect does something that can be measured, and a route moves it as a hand would. The oracle is the parameter
 * itself: the sound with it set elsewhere. Effects are played where all their parts work: bells with a gain, a delay that wobbles.
 */
class EffectsReachTest {

    /** Half of the usual rate: the question is whether, not how. */
    private static final int RATE = 24000;
    private static final int FRAMES = 15040;
    private static final int HELD = 7200;
    /** A bright sound, different on both sides, that is struck, held and let go. */
    private static final List<String> SOUND = List.of("layer1.source1.wave=saw", "layer1.source1.unisonVoices=3", "layer1.source1.detune=12",
            "layer1.source1.width=80", "layer1.amplitude.decay=100 ms", "layer1.amplitude.sustain=40", "layer1.amplitude.release=100 ms", "performance.tempo=240");
    private static final Map<String, List<String>> AT_WORK = Map.ofEntries(
            Map.entry("drive", List.of("drive.tone=4k")),
            Map.entry("delay", List.of("delay.timeLeft=40 ms", "delay.timeRight=60 ms", "delay.modulationDepth=1 ms", "delay.modulationRate=4", "delay.drift=50")),
            Map.entry("body", List.of("body.decay=800 ms", "body.tune=110", "body.touch=30")),
            Map.entry("filterBank", List.of("bank.shift=1.5", "bank.depth=80", "bank.hold=40")),
            Map.entry("filter", List.of("filter.cutoff=900", "filter.resonance=6")),
            Map.entry("multibandDrive", List.of("bands.count=4", "bands.amount1=36", "bands.amount2=36", "bands.amount3=36", "bands.amount4=48", "bands.mix1=70", "bands.mix2=70", "bands.mix3=70", "bands.mix4=70")),
            Map.entry("reverb", List.of("reverb.early=-6", "reverb.highCut=9k", "reverb.width=70", "reverb.gate=byLevel", "reverb.gateHold=60 ms")),
            Map.entry("equaliser", List.of("equaliser.lowSlope=12dB", "equaliser.lowCut=150", "equaliser.highSlope=24dB", "equaliser.highCut=9k",
                    "equaliser.lowGain=6", "equaliser.highGain=-6", "equaliser.gain1=6", "equaliser.gain2=-6", "equaliser.gain3=6", "equaliser.gain4=-6")),
            Map.entry("compressor", List.of("compressor.threshold=-18", "compressor.knee=12")),
            Map.entry("multibandCompressor", List.of("multiband.downThreshold=-36", "multiband.upThreshold=-40", "multiband.upRatio=2")),
            Map.entry("transientShaper", List.of("transientShaper.attack=6", "transientShaper.sustain=-6")),
            Map.entry("limiter", List.of("limiter.gain=18", "limiter.clip=6")),
            Map.entry("stereo", List.of("stereo.width=140", "stereo.monoBelow=300")),
            Map.entry("tremolo", List.of("tremolo.stereoPhase=40")));

    /** Of each type as it is, rendered once. */
    private static final Map<Patch, double[]> STILL = new ConcurrentHashMap<>();

    static Stream<Arguments> parameters() {
        Parameter type = Parameters.at(PatchParameters.effect(0) + EffectParameters.TYPE);
        return type.choices().stream().skip(1).flatMap(name -> {
            Patch patch = patch(name);
            return Parameters.ALL.stream().filter(p -> p.id().startsWith("effect1.") && p != type && patch.relevant(p))
                    .map(p -> Arguments.of(name + ", " + p.id(), p, patch));
        });
    }

    static Patch patch(String type) {
        return Played.patch(Stream.of(SOUND.stream(), Stream.of("effect1.type=" + type, "effect1.mix=80"),
                AT_WORK.getOrDefault(type, List.of()).stream().map(s -> "effect1." + s)).flatMap(s -> s).toArray(String[]::new));
    }

    /** A choice goes to the next one, anything else by a fifth of its way. */
    private static double elsewhere(Parameter p, double value) {
        if (!p.taper().continuous()) {
            return value < p.max() ? value + 1 : p.min();
        }
        double position = p.position(value);
        return p.value(position > 0.5 ? position - 0.2 : position + 0.2);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("parameters")
    void aParameterIsHeard(String name, Parameter parameter, Patch patch) {
        double[] still = STILL.computeIfAbsent(patch, EffectsReachTest::sound);
        double[] moved = sound(patch.withValue(parameter, elsewhere(parameter, patch.value(parameter.id()))));
        double loud = Played.rms(still, 0, FRAMES);
        for (int i = 0; i < FRAMES; i++) {
            moved[i] -= still[i];
        }
        double db = Spectrum.db(Played.rms(moved, 0, FRAMES) / loud + 1e-12);
        assertTrue(db > -50, parameter.id() + " changes the sound by no more than " + db + " dB of it");
    }

    static Stream<Arguments> movable() {
        return parameters().filter(a -> Parameters.movable((Parameter) a.get()[1]));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("movable")
    void aConstantMovesAParameterAsAHandWould(String name, Parameter target, Patch patch) {
        double base = patch.value(target.id());
        double depth = 0.05 * target.maxDepth();
        if (target.moved(base, 2 * depth) == target.max()) {
            depth = -depth;
        }
        double moved = target.moved(base, depth);
        assertNotEquals(base, moved, target.id() + " can be moved");
        double[] expected = sound(patch.withValue(target, moved));
        double[] routed = sound(Played.routed(patch, Modulator.CONSTANT, target.id(), depth));
        for (int i = 0; i < FRAMES; i++) {
            assertEquals(expected[i], routed[i], 1e-7, target.id() + " at frame " + i);
        }
    }

    private static double[] sound(Patch patch) {
        Engine engine = Played.engine(patch, RATE);
        double[] left = new double[FRAMES];
        double[] right = new double[FRAMES];
        engine.noteOn(57, 110);
        engine.render(left, right, 0, HELD);
        engine.noteOff(57);
        engine.render(left, right, HELD, FRAMES - HELD);
        for (int i = 0; i < FRAMES; i++) {
            left[i] += 0.5 * right[i];
        }
        return left;
    }
}
