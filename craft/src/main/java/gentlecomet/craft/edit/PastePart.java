package gentlecomet.craft.edit;

import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.ShapeKind;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import gentlecomet.sound.patch.SoundFile;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Puts a part of a patch into another place of its kind, of this patch or another: a source, filter, envelope, LFO, curve, effect, layer,
 * the common chain ("effect"), the macros ("macro"), the performance settings ("performance.") or the pattern ("pattern."). Parts are named by the start
 * of their parameters' ids, for example {@code layer1.source2.}. A parameter that a macro holds is taken where it sounds.
 *
 * @param source patch that the part comes from
 * @param from   start of the ids there
 * @param to     start of the ids here
 */
public record PastePart(Patch source, String from, String to) implements PatchEdit {

    private static final Pattern PARTS = Pattern.compile(
            "layer[1-4]\\.((source[1-3]|noise|filter[1-2]|drive|amplitude|envelope[2-4]|curve[1-2]|lfo[1-4]|effect[1-4])\\.)?"
                    + "|effect([1-9]|10)\\.|effect|macro|performance\\.|pattern\\.");
    private static final Pattern SOURCE = Pattern.compile("layer([1-4])\\.source([1-3])\\.");
    private static final Pattern LAYER = Pattern.compile("layer([1-4])\\.");

    /** The kind of a part: parts of one kind fit into each other's places. @param part start of its parameters' ids */
    public static String kind(String part) {
        return part.replaceFirst("^layer\\d\\.(?=.)", "").replaceAll("\\d+", "#").replace("amplitude", "envelope#");
    }

    @Override
    public Patch apply(Patch patch) {
        if (!PARTS.matcher(from).matches() || !PARTS.matcher(to).matches() || !kind(from).equals(kind(to))) {
            throw new EditException("What was copied (" + words(from) + ") does not fit into " + words(to) + ".");
        }
        if (from.equals("macro")) {
            return macros(patch);
        }
        Patch changed = patch;
        boolean layer = LAYER.matcher(to).matches();
        if (layer) {
            changed = withoutMacros(changed);
        }
        for (Parameter p : Parameters.startingWith(from)) {
            Parameter target = Parameters.find(to + p.id().substring(from.length()));
            if (target != null) {
                changed = changed.withValue(target, source.soundingValue(p));
            }
        }
        for (ShapeKind kind : Shapes.ALL) {
            ShapeKind target = kind.id().startsWith(from) ? Shapes.find(to + kind.id().substring(from.length())) : null;
            if (target != null) {
                changed = changed.withShape(target.index(), source.shape(kind.index()));
            }
        }
        Matcher taken = SOURCE.matcher(from);
        Matcher put = SOURCE.matcher(to);
        if (taken.matches() && put.matches()) {
            changed = recording(changed, number(taken, 1), number(taken, 2), number(put, 1), number(put, 2));
        }
        return layer ? layerParts(changed) : changed;
    }

    private static int number(Matcher m, int group) {
        return Integer.parseInt(m.group(group)) - 1;
    }

    private Patch recording(Patch patch, int fromLayer, int fromSource, int layer, int number) {
        SoundFile file = source.recording(fromLayer, fromSource);
        return patch.withRecording(layer, number, file == null ? null : new SoundFile(SoundFile.place(layer, number), file.hash(), file.name()));
    }

    /** Recordings and routes of a layer come along; its own routes go. */
    private Patch layerParts(Patch patch) {
        int fromLayer = from.charAt(5) - '1';
        int layer = to.charAt(5) - '1';
        Patch changed = patch;
        for (int s = 0; s < LayerParameters.SOURCES; s++) {
            changed = recording(changed, fromLayer, s, layer, s);
        }
        List<Route> routes = new ArrayList<>(changed.routes());
        routes.removeIf(r -> r.target().id().startsWith(to));
        for (Route r : source.routes()) {
            if (r.target().id().startsWith(from)) {
                Parameter target = Parameters.find(to + r.target().id().substring(from.length()));
                routes.add(new Route(r.source(), target, r.depth(), r.side(), r.bend(), r.low(), r.high(), r.scaler()));
            }
        }
        if (routes.size() > Patch.MAX_ROUTES) {
            throw new EditException("With the layer's routes the patch would have " + routes.size() + "; at most " + Patch.MAX_ROUTES + " are allowed.");
        }
        return changed.withRoutes(routes);
    }

    /** Macros let go of the place that is written over. */
    private Patch withoutMacros(Patch patch) {
        Patch changed = patch;
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            Macro macro = patch.macros().get(m);
            List<MacroTarget> kept = macro.targets().stream().filter(t -> !t.target().id().startsWith(to)).toList();
            changed = kept.size() == macro.targets().size() ? changed : changed.withMacro(m, macro.withTargets(kept));
        }
        return changed;
    }

    private Patch macros(Patch patch) {
        Patch changed = patch;
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            changed = changed.withMacro(m, source.macros().get(m));
            changed = changed.withValue(Parameters.at(PatchParameters.MACRO + m), source.value(PatchParameters.MACRO + m));
        }
        return changed;
    }

    /** A part in words: "layer 1 source 2". */
    public static String words(String part) {
        return switch (part) {
            case "effect" -> "the chain of effects";
            case "macro" -> "the macros";
            case "performance." -> "the performance settings";
            case "pattern." -> "the pattern";
            default -> part.replaceAll("\\.$", "").replace('.', ' ').replaceAll("([a-z])(\\d)", "$1 $2").replaceFirst(" amplitude", " amplitude envelope");
        };
    }

    @Override
    public String label(Patch before) {
        String where = words(to);
        return where.substring(0, 1).toUpperCase() + where.substring(1) + " pasted from " + words(from)
                + (source.name().equals(before.name()) ? "" : " of \"" + source.name() + "\"");
    }
}
