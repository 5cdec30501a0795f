package gentlecomet.craft.probe;

import gentlecomet.craft.format.Hashes;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.patch.Route;
import gentlecomet.sound.patch.SoundFile;
import gentlecomet.sound.pattern.Patterns;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;

/**
 * What of a patch some notes can make heard, as a digest: two states of a patch with the same digest sound the same there. Left out are the voices of layers that do not play these notes, routes
 * from hands that stay at rest and move nothing there, and how far macros and hands reach that stay where they are.
 */
final class Heard {

    private static final Set<Modulator> HANDS = EnumSet.of(Modulator.AFTERTOUCH, Modulator.KEY_AFTERTOUCH, Modulator.MOD_WHEEL, Modulator.BEND, Modulator.BREATH, Modulator.PEDAL, Modulator.SLIDE);
    private static final Set<Modulator> OF_VOICES = EnumSet.range(Modulator.RANDOM, Modulator.LFO_4);
    private static final int DIGITS = 16;

    private final Patch patch;
    private final double[] soundings;
    private final Map<Condition, String> known = new HashMap<>();

    /** @param layers a bit for each whose voices are heard @param hands that move */
    private record Condition(int layers, Set<Modulator> hands) {
    }

    Heard(Patch patch) {
        this.patch = patch;
        this.soundings = PatchImage.soundings(PatchImage.of(patch));
    }

    /** Of notes, every hand at rest. */
    String notes(Collection<Integer> keys, int velocity) {
        return moved(layers(keys, velocity), EnumSet.noneOf(Modulator.class));
    }

    /** Of a note while some hands move. */
    String note(int key, int velocity, Set<Modulator> hands) {
        return moved(layers(Set.of(key), velocity), hands);
    }

    /** Of everything, every hand at rest. */
    String atRest() {
        return moved(-1, EnumSet.noneOf(Modulator.class));
    }

    /** Of everything, whatever moves. */
    String everything() {
        return moved(-1, EnumSet.allOf(Modulator.class));
    }

    private int layers(Collection<Integer> keys, int velocity) {
        int layers = 0;
        for (int key : keys) {
            layers |= ProbeNotes.layers(patch, key, velocity);
        }
        // A pattern plays other keys as well, and what a voice says to an effect may come from any layer's.
        boolean all = Patterns.on(patch) || patch.shape(Shapes.PATTERN_CHORD).length > 0
                || patch.routes().stream().anyMatch(r -> effect(r.target().index()) && (OF_VOICES.contains(r.source()) || r.scaler() != null && OF_VOICES.contains(r.scaler())));
        return all ? -1 : layers;
    }

    /** Sixteen digits that stand for a text. */
    static String digest(String text) {
        return digest(text.getBytes(StandardCharsets.UTF_8));
    }

    private static String digest(byte[] bytes) {
        return Hashes.of(bytes).substring(0, DIGITS);
    }

    private String moved(int layers, Set<Modulator> hands) {
        return known.computeIfAbsent(new Condition(layers, hands), c -> worked(layers, hands));
    }

    private String worked(int layers, Set<Modulator> hands) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream(40000);
        try (DataOutputStream out = new DataOutputStream(bytes)) {
            out.writeInt(layers);
            Set<Modulator> listened = EnumSet.noneOf(Modulator.class);
            for (Route route : patch.routes()) {
                if (heard(route.target().index(), layers) && !rests(route, hands)) {
                    listened.add(route.source());
                    out.writeInt(route.source().ordinal());
                    out.writeInt(route.target().index());
                    out.writeDouble(route.depth());
                    out.writeInt(route.side().ordinal());
                    out.writeDouble(route.bend());
                    out.writeDouble(route.low());
                    out.writeDouble(route.high());
                    out.writeInt(route.scaler() == null ? -1 : route.scaler().ordinal());
                    if (route.scaler() != null) {
                        listened.add(route.scaler());
                    }
                }
            }
            for (int i = 0; i < soundings.length; i++) {
                int macro = i - PatchParameters.MACRO;
                boolean unheard = macro >= 0 && macro < PatchParameters.MACROS && !listened.contains(Modulator.macro(macro)) || !heard(i, layers);
                out.writeDouble(unheard || ofRestingHand(i, hands) ? 0 : soundings[i]);
            }
            for (int m = 0; m < PatchParameters.MACROS; m++) {
                if (hands.contains(Modulator.macro(m))) {
                    reach(out, patch.macros().get(m), layers);
                }
            }
            for (int kind = 0; kind < Shapes.COUNT; kind++) {
                int layer = Shapes.layerOf(kind);
                if (layer < 0 || (layers & 1 << layer) != 0) {
                    for (double v : patch.shape(kind)) {
                        out.writeDouble(v);
                    }
                    out.writeInt(kind);
                }
            }
            for (SoundFile file : patch.recordings()) {
                if ((layers & 1 << file.source() / LayerParameters.SOURCES) != 0) {
                    out.writeInt(file.source());
                    out.writeDouble(file.key());
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return digest(bytes.toByteArray());
    }

    /** Whether a parameter says nothing but how a hand moves that is at rest. */
    private static boolean ofRestingHand(int parameter, Set<Modulator> moving) {
        boolean bend = parameter == PatchParameters.BEND_UP || parameter == PatchParameters.BEND_DOWN || parameter == PatchParameters.BEND_CURVE;
        boolean touch = parameter == PatchParameters.TOUCH_THRESHOLD || parameter == PatchParameters.TOUCH_CURVE || parameter == PatchParameters.TOUCH_RISE || parameter == PatchParameters.TOUCH_FALL;
        return bend && !moving.contains(Modulator.BEND) || touch && !moving.contains(Modulator.AFTERTOUCH) && !moving.contains(Modulator.KEY_AFTERTOUCH);
    }

    private static void reach(DataOutputStream out, Macro macro, int layers) throws IOException {
        for (MacroTarget target : macro.targets()) {
            if (heard(target.target().index(), layers)) {
                out.writeInt(target.target().index());
                out.writeDouble(target.low());
                out.writeDouble(target.high());
                out.writeDouble(target.bend());
            }
        }
    }

    /** Effects of a layer count whether its voices are heard or not: how long they may echo decides how long a rendering waits. */
    private static boolean heard(int parameter, int layers) {
        int layer = Parameters.layerOf(parameter);
        return layer < 0 || (layers & 1 << layer) != 0 || parameter == Parameters.ofLayer(layer, LayerParameters.ON) || effect(parameter);
    }

    private static boolean effect(int parameter) {
        int layer = Parameters.layerOf(parameter);
        return parameter >= Parameters.ofEffect(layer, 0) && (layer >= 0 || parameter < PatchParameters.PATTERN);
    }

    /** Whether a route says nothing while its hand, or the one that scales it, is at rest. */
    private static boolean rests(Route route, Set<Modulator> moving) {
        boolean source = HANDS.contains(route.source()) && !moving.contains(route.source()) && route.shaped(0) == 0;
        boolean scaler = route.scaler() != null && HANDS.contains(route.scaler()) && !moving.contains(route.scaler()) && route.low() <= 0 && route.high() >= 0;
        return source || scaler;
    }
}
