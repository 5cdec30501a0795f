package gentlecomet.craft.quick;

import gentlecomet.craft.edit.CompositeEdit;
import gentlecomet.craft.edit.DepthText;
import gentlecomet.craft.edit.NamedParts;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A whole setting typed as one line, by the names and units of the registry:
 *
 * <pre>
 * source 1 saw 7 voices detune 18 ct width 80; filter 1 low pass 24 cutoff 800 resonance 6
 * amplitude 5 300 50 400
 * delay 1/8D feedback 40 mix 25
 * lfo 1 &gt; cutoff 1 oct
 * macro 1 holds cutoff 300 2k
 * lfo 2 &gt; source 1 level 6 dB one-sided
 * macro 2 named Wind, calm to wild
 * </pre>
 *
 * A line has parts between semicolons. Each begins with what it sets (a source, a filter, an envelope, an effect ...), or routes a modulator
 * ({@code >}), or gives a parameter to a macro ({@code holds}) or a macro a name ({@code named}). A line is understood as a whole or not at all.
 */
public final class QuickLine {

    private static final int LONGEST = 600;
    private static final int LONGEST_LABEL = 100;
    private static final Map<String, Route.Side> SIDES = Map.of("one-sided", Route.Side.ONE, "two-sided", Route.Side.BOTH, "own", Route.Side.OWN);
    private static final Pattern NAMED = Pattern.compile("([^,]+)(?:,\\s*(.+?)\\s+to\\s+(.+))?");

    private final Sketch sketch;
    private final int layer;
    private List<Suggestion> suggestions = List.of();

    private QuickLine(Patch patch, int layer) {
        this.sketch = new Sketch(patch);
        this.layer = layer;
    }

    /**
     * What could come next.
     *
     * @param text what takes the place of the word that is being typed
     * @param note what stands there now and what is allowed, for people
     */
    public record Suggestion(String text, String note) {
    }

    /**
     * What a line means for a patch.
     *
     * @param understood  each step in words
     * @param fault       why the rest means nothing, empty when all of it does
     * @param edit        all of it as one step; null where there is a fault, or nothing to do
     * @param result      the patch as it would be, as far as the line was understood
     * @param place       id of a parameter where the last step happened, empty for none
     */
    public record Reading(List<String> understood, String fault, PatchEdit edit, Patch result, List<Suggestion> suggestions, String place) {
    }

    /** Reads a line. @param layer the layer that is meant where none is named, from 0 */
    public static Reading read(Patch patch, int layer, String line) {
        QuickLine reader = new QuickLine(patch, layer);
        String fault = "";
        try {
            if (line.length() > LONGEST) {
                throw new EditException("The line has " + line.length() + " characters; at most " + LONGEST + " are read.");
            }
            String[] parts = line.split(";", -1);
            for (int i = 0; i < parts.length; i++) {
                reader.part(parts[i], i == parts.length - 1);
            }
        } catch (EditException e) {
            fault = e.getMessage();
        }
        Sketch done = reader.sketch;
        PatchEdit edit = !fault.isEmpty() || done.edits().isEmpty() ? null : new CompositeEdit(label(line), done.edits());
        return new Reading(List.copyOf(done.words()), fault, edit, done.patch(), reader.suggestions, done.place());
    }

    /** The step that a line stands for. @throws EditException when it is not understood as a whole; the message says what was not */
    public static PatchEdit edit(Patch patch, int layer, String line) {
        Reading reading = read(patch, layer, line);
        if (!reading.fault().isEmpty()) {
            throw new EditException(reading.fault());
        }
        if (reading.edit() == null && !line.isBlank()) {
            throw new EditException("All of this stands so already.");
        }
        if (reading.edit() == null) {
            throw new EditException("The line is empty. It begins with a part, such as " + PartName.EXAMPLES + ".");
        }
        return reading.edit();
    }

    private static String label(String line) {
        String tidy = line.strip().replaceAll("\\s+", " ");
        return tidy.length() <= LONGEST_LABEL ? tidy : tidy.substring(0, LONGEST_LABEL - 1) + "…";
    }

    private void part(String text, boolean last) {
        boolean open = last && (text.isEmpty() || !Character.isWhitespace(text.charAt(text.length() - 1)));
        List<String> words = new ArrayList<>(Arrays.asList(text.strip().split("\\s+")));
        words.removeIf(String::isEmpty);
        int arrow = words.indexOf(">") >= 0 ? words.indexOf(">") : words.indexOf("→");
        if (arrow > 0) {
            route(words.subList(0, arrow), new ArrayList<>(words.subList(arrow + 1, words.size())));
            return;
        }
        PartName part = PartName.read(sketch.patch(), layer, words);
        if (part == null) {
            if (last) {
                suggestions = Suggestions.parts(words.isEmpty() || !open ? "" : words.get(0));
            }
            if (!words.isEmpty()) {
                throw new EditException("\"" + words.get(0) + "\" is no part of a patch. A line begins with one, such as " + PartName.EXAMPLES + ".");
            }
            return;
        }
        List<String> settings = words.subList(part.words(), words.size());
        if (part.macro() >= 0 && !settings.isEmpty() && macro(part.macro(), settings)) {
            return;
        }
        String prefix = sketch.begin(part);
        try {
            new Settings(sketch, prefix).read(settings.stream().map(w -> w.toLowerCase(Locale.ROOT)).toList());
        } finally {
            if (last) {
                suggestions = Suggestions.settings(sketch.patch(), prefix, open || settings.isEmpty() ? settings : append(settings));
            }
        }
        sketch.end(part, prefix);
    }

    private static List<String> append(List<String> words) {
        List<String> all = new ArrayList<>(words);
        all.add("");
        return all;
    }

    /** "lfo 1 > cutoff 1 oct": a new route, or the depth of the one that is there; its polarity may follow. */
    private void route(List<String> from, List<String> to) {
        Modulator source = NamedParts.modulator(String.join(" ", from).replaceAll("(?i)\\b(lfo|macro|env(?:elope)?|curve)(\\d)", "$1 $2"));
        Route.Side side = to.isEmpty() ? null : SIDES.get(to.get(to.size() - 1).toLowerCase(Locale.ROOT));
        if (side != null) {
            to.remove(to.size() - 1);
        }
        EditException fault = null;
        for (int depthWords = Math.min(2, to.size() - 1); depthWords > 0; depthWords--) {
            String depthText = String.join(" ", to.subList(to.size() - depthWords, to.size()));
            try {
                Parameter target = target(to.subList(0, to.size() - depthWords));
                sketch.route(source, target, DepthText.parse(target, sketch.patch().soundingValue(target), depthText), side);
                return;
            } catch (EditException e) {
                fault = fault == null ? e : fault;
            }
        }
        throw fault != null ? fault
                : new EditException("A route needs a parameter and a depth, such as: " + source.label().toLowerCase(Locale.ROOT) + " > cutoff 1 oct.");
    }

    /** A parameter by its part and its name there, or else as the pages find it. */
    private Parameter target(List<String> words) {
        PartName part = PartName.read(sketch.patch(), layer, words);
        Parameter found = part == null || part.effect() != EffectParameters.NONE ? null
                : new Settings(sketch, part.prefix()).find(String.join(" ", words.subList(part.words(), words.size())).toLowerCase(Locale.ROOT));
        return found != null ? found : NamedParts.target(String.join(" ", words), sketch.patch(), layer);
    }

    /** "macro 1 holds cutoff 300 2k" and "macro 1 named Wind"; false for anything else. */
    private boolean macro(int macro, List<String> words) {
        String verb = words.get(0).toLowerCase(Locale.ROOT);
        if (verb.equals("named") || verb.equals("name")) {
            Matcher named = NAMED.matcher(String.join(" ", words.subList(1, words.size())));
            if (!named.matches()) {
                throw new EditException("A macro has a name, and may have words for its ends, such as: macro " + (macro + 1) + " named Wind, calm to wild.");
            }
            sketch.nameMacro(macro, named.group(1).strip(), named.group(2), named.group(3));
            return true;
        }
        if (!verb.equals("holds") && !verb.equals("hold")) {
            return false;
        }
        List<String> rest = new ArrayList<>(words.subList(1, words.size()));
        rest.removeIf(w -> w.equals("to") || w.equals(".."));
        EditException fault = null;
        for (int name = rest.size() - 2; name > 0; name--) {
            Parameter target;
            try {
                target = target(rest.subList(0, name));
            } catch (EditException e) {
                fault = fault == null ? e : fault;
                continue;
            }
            for (int low = 1; name + low < rest.size(); low++) {
                double from = ValueText.parse(target, String.join(" ", rest.subList(name, name + low)));
                double upTo = ValueText.parse(target, String.join(" ", rest.subList(name + low, rest.size())));
                if (!Double.isNaN(from) && !Double.isNaN(upTo)) {
                    sketch.hold(macro, target, from, upTo);
                    return true;
                }
            }
        }
        throw fault != null ? fault : new EditException("A macro holds a parameter between two values, such as: macro " + (macro + 1) + " holds cutoff 300 Hz 2 kHz.");
    }
}
