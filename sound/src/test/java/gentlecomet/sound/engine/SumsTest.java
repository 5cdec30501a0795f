package gentlecomet.sound.engine;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is mixed is the sum of its parts: layers, dry and wet sound, voices; and what rests is found again when it moves. */
class SumsTest {

    private static final int RATE = 48000;
    private static final int FRAMES = 24000;
    private static final String[] LAYERS = {
        "layer1.source1.wave=saw", "layer1.source1.unisonVoices=3", "layer1.filter1.type=low", "layer1.amplitude.decay=150 ms", "layer1.amplitude.sustain=0",
        "layer2.source1.wave=pulse", "layer2.source1.level=-15", "layer2.effect1.type=chorus", "layer2.amplitude.release=40 ms",
        "layer3.source1.wave=sine", "layer3.source1.level=-20", "layer3.source1.octave=2", "layer3.effect1.type=delay", "layer3.effect1.mix=40"};

    private static double[] both(Patch patch, int frames, Consumer<Engine> hands) {
        Engine engine = new Engine(RATE);
        engine.load(PatchImage.of(patch));
        hands.accept(engine);
        double[] left = new double[frames];
        double[] right = new double[frames];
        engine.render(left, right, 0, frames / 2);
        engine.noteOff(50);
        engine.render(left, right, frames / 2, frames - frames / 2);
        double[] all = new double[2 * frames];
        System.arraycopy(left, 0, all, 0, frames);
        System.arraycopy(right, 0, all, frames, frames);
        return all;
    }

    private static double[] note(Patch patch) {
        return both(patch, FRAMES, e -> e.noteOn(50, 100));
    }

    private static Patch layers(boolean first, boolean second, boolean third) {
        Patch patch = Played.patch(LAYERS);
        boolean[] on = {first, second, third};
        for (int layer = 0; layer < on.length; layer++) {
            patch = patch.withValue(Parameters.find("layer" + (layer + 1) + ".on"), on[layer] ? 1 : 0);
        }
        return patch;
    }

    /** Also while one of them has decayed and the tail of another goes on alone. */
    @Test
    void layersAddUp() {
        double[] all = note(layers(true, true, true));
        double[] first = note(layers(true, false, false));
        double[] second = note(layers(false, true, false));
        double[] third = note(layers(false, false, true));
        double[] pair = note(layers(true, false, true));
        for (int i = 0; i < all.length; i++) {
            assertEquals(first[i] + second[i] + third[i], all[i], 1e-12);
            assertEquals(first[i] + third[i], pair[i], 1e-12);
        }
        assertTrue(Played.rms(first, 100, 4000) > 0.01 && Played.rms(second, 100, 4000) > 0.01 && Played.rms(third, 100, 4000) > 0.001);
    }

    @Test
    void metersChangeNoSample() {
        Patch patch = layers(true, true, true);
        double[] plain = note(patch);
        double[] metered = both(patch, FRAMES, e -> {
            e.view().measureStages(true);
            e.view().takePeakBefore(1, 0);
            e.noteOn(50, 100);
        });
        assertArrayEquals(plain, metered, 0);
    }

    /** The wet sound alone, mixed by hand (those that take bands apart have a dry sound in phase with them, see EffectPartsTest), is what the slot mixes, whether an effect works in place or out of its own lines. */
    @ParameterizedTest
    @ValueSource(strings = {"drive", "bitcrusher", "chorus", "flanger", "phaser", "ensemble", "widener", "tremolo", "delay", "reverb", "equaliser", "compressor",
        "transientShaper", "ducking", "limiter", "stereo", "filter", "body"})
    void aSlotMixesDryAndWet(String type) {
        String[] base = {"layer1.source1.wave=saw", "layer1.source1.unisonVoices=5", "layer1.source1.detune=15", "layer1.source1.width=80",
            "effect1.type=" + type, "effect1.tremolo.depth=60", "effect1.equaliser.lowGain=6", "effect1.transientShaper.attack=6",
            "effect1.reverb.early=-6", "effect1.delay.pingPong=on", "effect1.delay.timeLeft=60 ms", "effect1.stereo.width=50"};
        Patch wet = Played.patch(base);
        double[] dry = note(wet.withValue(Parameters.find("effect1.on"), 1));
        double[] alone = note(wet);
        double[] mixed = note(wet.withValue(Parameters.find("effect1.mix"), 30));
        double most = 0;
        // What looks ahead, or changes the sample rate, has a dry sound that is as late as the wet one.
        int late = type.equals("drive") ? 26 : type.equals("limiter") ? 104 : 0;
        for (int i = 0; i < dry.length; i++) {
            double then = i % FRAMES < late ? 0 : dry[i - late];
            assertEquals(0.7 * then + 0.3 * alone[i], mixed[i], 1e-9, "frame " + i);
            most = Math.max(most, Math.abs(alone[i] - dry[i]));
        }
        assertTrue(most > 1e-4, "it does something: " + most);
    }

    /** A chord without effects is the sum of its notes, though two voices' filters run together. */
    @ParameterizedTest
    @CsvSource({"ladder24, 6", "ladder24, 20", "low, 6"})
    void aChordIsTheSumOfItsNotes(String filter, int resonance) {
        Patch patch = Played.patch("layer1.source1.wave=saw", "layer1.filter1.type=" + filter, "layer1.filter1.cutoff=700", "layer1.filter1.resonance=" + resonance,
                "layer1.filter1.envelopeAmount=2", "layer1.source1.level=-20");
        double[] chord = both(patch, FRAMES, e -> play(e, 50, 53, 57));
        double[] sum = new double[chord.length];
        for (int key : new int[] {50, 53, 57}) {
            double[] one = both(patch, FRAMES, e -> play(e, key));
            for (int i = 0; i < sum.length; i++) {
                sum[i] += one[i];
            }
        }
        assertArrayEquals(sum, chord, 1e-9);
    }

    private static void play(Engine engine, int... keys) {
        for (int key : keys) {
            engine.noteOn(key, 100);
        }
    }

    /** Whatever has rested for seconds is followed again when it moves, by routes that otherwise stand. */
    @ParameterizedTest
    @ValueSource(strings = {"modWheel", "bend", "breath", "expression", "pedal", "aftertouch", "keyAftertouch", "slide", "macro3"})
    void handsThatHaveRestedAreFollowedAgain(String hand) {
        Patch patch = Played.routed(Played.patch("layer1.source1.level=-20"), Modulator.find(hand), "layer1.source1.level", 6);
        Engine engine = Played.engine(patch, RATE);
        engine.noteOn(50, 100);
        double[] left = new double[2 * RATE];
        engine.render(left, new double[2 * RATE], 0, 2 * RATE);
        double before = Played.rms(left, RATE, 2 * RATE);
        move(engine, hand);
        engine.render(left, new double[2 * RATE], 0, 2 * RATE);
        double after = Played.rms(left, RATE, 2 * RATE);
        double expected = hand.equals("expression") ? -3 : 3;
        assertEquals(expected, Spectrum.db(after / before), 0.05);
    }

    private static void move(Engine engine, String hand) {
        switch (hand) {
            case "modWheel" -> engine.modWheel(0.5);
            case "bend" -> engine.bend(0.5);
            case "breath" -> engine.breath(0.5);
            case "expression" -> engine.expression(0.5);
            case "pedal" -> engine.pedal(0.5);
            case "aftertouch" -> engine.aftertouch(0.5);
            case "keyAftertouch" -> engine.keyAftertouch(50, 0.5);
            case "slide" -> engine.keySlide(50, 0.5);
            default -> engine.setParameter(Parameters.find(hand).index(), 50);
        }
    }
}
