package gentlecomet.craft.quick;

import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Patch;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * The part of a patch that a line sets.
 *
 * @param prefix start of its parameters' ids; for an effect, which may have to be added first, empty
 * @param layer  from 0, or -1 where it belongs to the patch as a whole
 * @param source from 0, or -1 where it is no source
 * @param macro  from 0, or -1 where it is no macro
 * @param effect number of the effect's type, or {@link EffectParameters#NONE}
 * @param number which of the effects of that type, from 1
 * @param words  how many words its name takes
 */
record PartName(String prefix, int layer, int source, int macro, int effect, int number, int words) {

    static final String EXAMPLES = "source 1, filter 1, amplitude, lfo 1, delay, macro 1, pattern or performance";

    /** What a part may be called, its id, and how many there are of it; 0 where it has no number. */
    private static final Map<String, Kind> KINDS = kinds();
    private static final String UNIT = "m?s|k?hz|%|db|oct|st|ct";
    private static final Pattern NUMBERED = Pattern.compile("([a-z]+)(\\d*)");

    private record Kind(String id, int count, int first) {
    }

    /** The part at the start of a line, or null when its first word names none. @param shown layer that is meant where none is named, from 0 */
    static PartName read(Patch patch, int shown, List<String> line) {
        int at = 0;
        int layer = shown;
        boolean named = false;
        if (!line.isEmpty()) {
            Matcher m = NUMBERED.matcher(word(line, 0));
            if (m.matches() && (m.group(1).equals("layer") || m.group(1).equals("l"))) {
                String digits = m.group(2).isEmpty() ? word(line, 1) : m.group(2);
                if (digits.matches("[1-" + Parameters.LAYERS + "]")) {
                    layer = digits.charAt(0) - '1';
                    named = true;
                    at = m.group(2).isEmpty() ? 2 : 1;
                }
            }
        }
        if (at < line.size() && word(line, at).matches("effect|fx|add")) {
            return effect(line, at + 1, named ? layer : -1, true);
        }
        Matcher m = NUMBERED.matcher(word(line, at));
        Kind kind = m.matches() && inFull(line, at) == EffectParameters.NONE ? KINDS.get(m.group(1)) : null;
        if (kind != null && (m.group(2).isEmpty() || kind.count() > 0)) {
            return numbered(kind, layer, line, at, m.group(2));
        }
        PartName effect = effect(line, at, named ? layer : -1, false);
        return effect != null || !named ? effect : new PartName("layer" + (layer + 1) + ".zone.", layer, -1, -1, EffectParameters.NONE, 0, at);
    }

    private static PartName numbered(Kind kind, int layer, List<String> line, int at, String attached) {
        int number = kind.first();
        int words = at + 1;
        if (!attached.isEmpty()) {
            number = Integer.parseInt(attached.substring(0, Math.min(3, attached.length())));
        } else if (kind.count() > 0 && word(line, at + 1).matches("\\d") && word(line, at + 1).charAt(0) - '0' <= kind.count() && !word(line, at + 2).matches(UNIT)) {
            number = word(line, at + 1).charAt(0) - '0';
            words++;
        }
        if (kind.count() > 0 && (number < 1 || number > kind.count())) {
            return null;
        }
        if (kind.id().equals("macro")) {
            return new PartName("macro" + number, -1, -1, number - 1, EffectParameters.NONE, 0, words);
        }
        if (kind.id().equals("levelTrim") || kind.id().equals("performance.") || kind.id().equals("pattern.")) {
            return new PartName(kind.id(), -1, -1, -1, EffectParameters.NONE, 0, words);
        }
        String id = kind.id().equals("envelope") && number == 1 ? "amplitude." : kind.id() + (kind.count() > 0 ? number + "." : ".");
        return new PartName("layer" + (layer + 1) + "." + id, layer, kind.id().equals("source") ? number - 1 : -1, -1, EffectParameters.NONE, 0, words);
    }

    /** An effect by its name, or by enough of it. @param layer from 0, or -1 for the common chain @param said that it is an effect, and no part of the voices of the same name */
    private static PartName effect(List<String> line, int at, int layer, boolean said) {
        String wanted = word(line, at).equals("eq") ? "equaliser" : word(line, at);
        List<String> types = Parameters.at(Parameters.ofEffect(layer, 0)).choices();
        int found = inFull(line, at);
        int words = found == EffectParameters.NONE ? 1 : 2;
        for (int t = 1; t < types.size(); t++) {
            String[] spoken = ValueText.spoken(types.get(t)).split(" ");
            if (wanted.length() >= 3 && spoken[0].startsWith(wanted) && found == EffectParameters.NONE && (said || !ofVoice(spoken[0]))) {
                found = t;
                words = spoken.length > 1 && spoken[1].equals(word(line, at + 1)) ? 2 : 1;
            }
        }
        if (found == EffectParameters.NONE) {
            return null;
        }
        // A digit alone right after the name counts effects of one type; "delay 2 s" is a time.
        boolean counted = word(line, at + words).matches("[2-9]") && !word(line, at + words + 1).matches(UNIT);
        return new PartName("", layer, -1, -1, found, counted ? word(line, at + words).charAt(0) - '0' : 1, at + words + (counted ? 1 : 0));
    }

    /** The effect whose name of two words stands in a line, or {@link EffectParameters#NONE}. */
    private static int inFull(List<String> line, int at) {
        List<String> types = Parameters.at(Parameters.ofEffect(-1, 0)).choices();
        String name = word(line, at) + " " + word(line, at + 1);
        return IntStream.range(1, types.size()).filter(t -> ValueText.spoken(types.get(t)).equals(name)).findFirst().orElse(EffectParameters.NONE);
    }

    private static String word(List<String> line, int at) {
        return at < line.size() ? line.get(at).toLowerCase(Locale.ROOT) : "";
    }

    /** Whether a name belongs to a part of the voices, though an effect has it too: the effect is named with its place ("effect filter"). */
    static boolean ofVoice(String name) {
        return KINDS.containsKey(name);
    }

    /** Names by which parts are suggested. */
    static List<String> names() {
        return List.of("source 1", "source 2", "source 3", "noise", "filter 1", "filter 2", "filters", "drive", "amplitude", "envelope 2", "envelope 3", "envelope 4",
                "lfo 1", "lfo 2", "lfo 3", "lfo 4", "curve 1", "curve 2", "pitch", "zone", "layer 2", "performance", "pattern", "trim", "macro 1");
    }

    private static Map<String, Kind> kinds() {
        Map<String, Kind> kinds = new LinkedHashMap<>();
        for (String name : List.of("source", "src", "s")) {
            kinds.put(name, new Kind("source", LayerParameters.SOURCES, 1));
        }
        kinds.put("noise", new Kind("noise", 0, 0));
        for (String name : List.of("filter", "f")) {
            kinds.put(name, new Kind("filter", LayerParameters.FILTERS, 1));
        }
        kinds.put("filters", new Kind("filters", 0, 0));
        kinds.put("drive", new Kind("drive", 0, 0));
        for (String name : List.of("amplitude", "amp")) {
            kinds.put(name, new Kind("amplitude", 0, 0));
        }
        for (String name : List.of("envelope", "env", "e")) {
            kinds.put(name, new Kind("envelope", LayerParameters.ENVELOPES, 2));
        }
        kinds.put("lfo", new Kind("lfo", LayerParameters.LFOS, 1));
        kinds.put("curve", new Kind("curve", LayerParameters.CURVES, 1));
        kinds.put("pitch", new Kind("pitch", 0, 0));
        kinds.put("zone", new Kind("zone", 0, 0));
        for (String name : List.of("performance", "play", "voice")) {
            kinds.put(name, new Kind("performance.", 0, 0));
        }
        for (String name : List.of("pattern", "arpeggio", "arp")) {
            kinds.put(name, new Kind("pattern.", 0, 0));
        }
        for (String name : List.of("trim", "level")) {
            kinds.put(name, new Kind("levelTrim", 0, 0));
        }
        kinds.put("macro", new Kind("macro", PatchParameters.MACROS, 1));
        return kinds;
    }
}
