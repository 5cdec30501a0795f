package gentlecomet.craft.quick;

import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.craft.format.PatchRules;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Taper;
import gentlecomet.sound.parameter.Unit;
import gentlecomet.sound.parameter.ValueText;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The settings of one part, read word by word: "cutoff 800 Hz", "7 voices", a choice by itself ("saw", "low pass 24"), a quantity by itself where
 * its unit leaves no doubt ("800 Hz" of a filter), and four values of an envelope in a row.
 */
final class Settings {

    private static final int LONGEST_NAME = 4;
    private static final int LONGEST_VALUE = 3;
    /** Names of the trade that are not beginnings of a label's words. */
    private static final Map<String, String> ALSO = Map.ofEntries(Map.entry("a", "attack"), Map.entry("d", "decay"), Map.entry("h", "hold"),
            Map.entry("s", "sustain"), Map.entry("r", "release"), Map.entry("q", "resonance"), Map.entry("fb", "feedback"), Map.entry("vol", "level"),
            Map.entry("gain", "level"), Map.entry("pw", "pulse width"), Map.entry("pm", "phase modulation"), Map.entry("track", "key tracking"),
            Map.entry("tuning", "fine tune"), Map.entry("time", "left"), Map.entry("freq", "cutoff"));
    /** Choices of the trade that are called otherwise here. */
    private static final Map<String, String> CHOICES = Map.of("lp", "low pass", "hp", "high pass", "bp", "band pass", "square", "pulse");
    private static final Map<String, Unit> UNITS = Map.ofEntries(Map.entry("hz", Unit.HERTZ), Map.entry("k", Unit.HERTZ), Map.entry("khz", Unit.HERTZ),
            Map.entry("ms", Unit.SECONDS), Map.entry("s", Unit.SECONDS), Map.entry("sec", Unit.SECONDS), Map.entry("db", Unit.DECIBELS), Map.entry("%", Unit.PERCENT),
            Map.entry("ct", Unit.CENTS), Map.entry("cents", Unit.CENTS), Map.entry("st", Unit.SEMITONES), Map.entry("semitones", Unit.SEMITONES),
            Map.entry("oct", Unit.OCTAVES), Map.entry("rad", Unit.RADIANS), Map.entry("bpm", Unit.BEATS_PER_MINUTE));
    /** What is meant first where several parameters of a part have the same unit: the last words of their ids. */
    private static final Set<String> LEADING = Set.of("level", "cutoff", "rate", "timeLeft", "timeRight", "decay", "threshold", "amount", "mix", "cents", "glideTime", "levelTrim");
    private static final String NUMBER = "[-+]?[0-9][0-9.,]*";
    private static final String DIVISION = "[0-9]+/[0-9]+[dt.]?";

    private final Sketch sketch;
    private final List<Parameter> parameters;

    Settings(Sketch sketch, String prefix) {
        this.sketch = sketch;
        this.parameters = Parameters.startingWith(prefix);
    }

    /** @param words in lower case @throws EditException at the first word that means nothing here */
    void read(List<String> words) {
        int at = parameters.size() == 1 ? alone(words) : envelope(words);
        while (at < words.size()) {
            int used = named(words, at);
            used = used > 0 ? used : numbered(words, at);
            used = used > 0 ? used : choice(words, at);
            if (used == 0) {
                throw new EditException(unknown(words, at));
            }
            at += used;
        }
    }

    /** The value of a part that is one parameter. */
    private int alone(List<String> words) {
        double value = words.isEmpty() ? Double.NaN : value(parameters.get(0), words, 0, words.size());
        if (!Double.isNaN(value)) {
            sketch.set(parameters.get(0), value);
        }
        return Double.isNaN(value) ? 0 : words.size();
    }

    /** Attack, decay, sustain and release in a row. */
    private int envelope(List<String> words) {
        List<Parameter> four = new ArrayList<>();
        for (String id : List.of("attack", "decay", "sustain", "release")) {
            parameters.stream().filter(p -> lastWord(p).equals(id)).findFirst().ifPresent(four::add);
        }
        if (four.size() < 4 || words.size() < 4) {
            return 0;
        }
        int at = 0;
        double[] values = new double[4];
        for (int i = 0; i < 4; i++) {
            int used = 0;
            for (int length = Math.min(2, words.size() - at); length > 0 && used == 0; length--) {
                values[i] = value(four.get(i), words, at, length);
                used = Double.isNaN(values[i]) ? 0 : length;
            }
            if (used == 0) {
                return 0;
            }
            at += used;
        }
        for (int i = 0; i < 4; i++) {
            sketch.set(four.get(i), values[i]);
        }
        return at;
    }

    /** A name and its value. @return words used, 0 where there is no name here, or no value that it can take while the word may mean something by itself */
    private int named(List<String> words, int at) {
        if (words.get(at).matches(NUMBER + ".*")) {
            return 0;
        }
        EditException fault = null;
        for (int length = Math.min(LONGEST_NAME, words.size() - at); length > 0; length--) {
            List<Parameter> candidates = named(String.join(" ", words.subList(at, at + length)));
            int from = at + length;
            if (candidates.isEmpty()) {
                continue;
            }
            from += from < words.size() && (words.get(from).equals("=") || words.get(from).equals("to")) ? 1 : 0;
            for (int values = Math.min(LONGEST_VALUE, words.size() - from); values > 0; values--) {
                if (values == 2 && isName(words, from + 1) && from + 2 < words.size() && words.get(from + 2).matches(NUMBER)) {
                    continue;
                }
                for (Parameter p : candidates) {
                    double value = value(p, words, from, values);
                    if (!Double.isNaN(value)) {
                        set(p, value);
                        return from + values - at;
                    }
                }
            }
            if (fault == null) {
                fault = new EditException(from >= words.size() ? PatchRules.name(candidates.get(0)) + " needs a value: " + range(candidates.get(0)) + "."
                        : "\"" + words.get(from) + "\" is not a value of " + PatchRules.name(candidates.get(0)) + ": " + range(candidates.get(0)) + ".");
            }
        }
        if (fault != null && choice(words, at, true) == 0) {
            throw fault;
        }
        return 0;
    }

    /** A number before a name, or a quantity by itself. */
    private int numbered(List<String> words, int at) {
        if (!words.get(at).matches(NUMBER + ".*") && !words.get(at).matches(DIVISION)) {
            return 0;
        }
        for (int length = Math.min(2, words.size() - at); length > 0; length--) {
            int after = at + length;
            for (int name = Math.min(LONGEST_NAME, words.size() - after); name > 0; name--) {
                boolean followed = after + name < words.size() && words.get(after + name).matches(NUMBER + ".*");
                boolean bare = length == 1 && words.get(at).matches(NUMBER);
                for (Parameter p : followed && !bare ? List.<Parameter>of() : named(String.join(" ", words.subList(after, after + name)))) {
                    double value = value(p, words, at, length);
                    if (!Double.isNaN(value)) {
                        set(p, value);
                        return length + name;
                    }
                }
            }
            Parameter meant = byUnit(String.join(" ", words.subList(at, after)));
            if (meant != null) {
                set(meant, value(meant, words, at, length));
                return length;
            }
        }
        return 0;
    }

    /** The parameter that a quantity by itself is meant for, or null. */
    private Parameter byUnit(String text) {
        Unit unit = UNITS.get(text.replaceFirst("^" + NUMBER + " ?", ""));
        boolean division = text.matches(DIVISION);
        List<Parameter> candidates = new ArrayList<>();
        for (Parameter p : parameters) {
            boolean fits = division ? p.division() && !Double.isNaN(ValueText.parse(p, text)) : unit != null && p.unit() == unit && p.taper().continuous();
            if (fits && typeAllows(p) && (division || !p.facts().advanced())) {
                candidates.add(p);
            }
        }
        List<Parameter> leading = candidates.stream().filter(p -> LEADING.contains(lastWord(p))).toList();
        List<Parameter> meant = candidates.size() == 1 || leading.isEmpty() ? candidates : leading;
        if (meant.isEmpty()) {
            return null;
        }
        if (meant.size() > 1 && other(meant.get(0)) != meant.get(1) && (leading.isEmpty() || meant.size() > 2 && !division)) {
            throw new EditException("\"" + text + "\" could be " + meant.get(0).label() + " or " + meant.get(1).label() + "; say which.");
        }
        return meant.size() == 2 && other(meant.get(0)) != meant.get(1) ? meant.get(1).id().length() > meant.get(0).id().length() ? meant.get(1) : meant.get(0) : meant.get(0);
    }

    /** A choice that is named by itself. */
    private int choice(List<String> words, int at) {
        return choice(words, at, false);
    }

    private int choice(List<String> words, int at, boolean only) {
        for (int length = Math.min(LONGEST_VALUE, words.size() - at); length > 0; length--) {
            String text = String.join(" ", words.subList(at, at + length));
            for (Parameter p : choices()) {
                double value = p.taper() == Taper.CHOICE ? chosen(p, text) : text.equals("off") ? p.min() : Double.NaN;
                if (!Double.isNaN(value)) {
                    if (!only) {
                        sketch.set(p, value);
                    }
                    return length;
                }
            }
        }
        return 0;
    }

    /** What a choice by itself can be for: the level of a source for "off", then what other parameters depend on, then the rest. */
    private List<Parameter> choices() {
        List<Parameter> ordered = new ArrayList<>();
        parameters.stream().filter(p -> p.taper() == Taper.DECIBEL && lastWord(p).equals("level")).forEach(ordered::add);
        parameters.stream().filter(p -> p.taper() == Taper.CHOICE && Parameters.decides(p) && !p.division()).forEach(ordered::add);
        parameters.stream().filter(p -> p.taper() == Taper.CHOICE && !ordered.contains(p) && !p.division()).forEach(ordered::add);
        // The table of a source is asked before choices that mean nothing to it as it stands.
        ordered.sort((a, b) -> Boolean.compare(!sketch.patch().relevant(a), !sketch.patch().relevant(b)));
        return ordered;
    }

    /** The number of a choice by its own name here, or by the trade's, or NaN. */
    private static double chosen(Parameter choice, String text) {
        double own = value(choice, text);
        return Double.isNaN(own) ? value(choice, trade(text)) : own;
    }

    private static double value(Parameter choice, String text) {
        for (int i = 0; i < choice.choices().size(); i++) {
            String spoken = ValueText.spoken(choice.choices().get(i)).toLowerCase();
            if (spoken.equals(text) || text.length() >= 3 && (spoken.startsWith(text) || spoken.replace(" ", "").startsWith(text.replace(" ", "")))) {
                return i;
            }
        }
        return Double.NaN;
    }

    /** Both sides where a name leaves the side out. */
    private void set(Parameter p, double value) {
        Parameter other = other(p);
        sketch.set(p, value);
        if (other != null && !sidesNamed) {
            sketch.set(other, value);
        }
    }

    private boolean sidesNamed;

    /** The parameter of the right side that goes with one of the left, or null. */
    private Parameter other(Parameter left) {
        return left.id().endsWith("Left") ? Parameters.find(left.id().replaceFirst("Left$", "Right")) : null;
    }

    /** Parameters that a name may mean, the likeliest first. */
    private List<Parameter> named(String text) {
        String wanted = parameters.stream().anyMatch(p -> typeAllows(p) && p.label().equalsIgnoreCase(text)) ? text : ALSO.getOrDefault(text, text);
        sidesNamed = text.startsWith("left") || text.startsWith("right");
        List<Parameter> exact = new ArrayList<>();
        List<Parameter> beginning = new ArrayList<>();
        for (Parameter p : parameters) {
            String label = p.label().toLowerCase();
            if (!typeAllows(p)) {
                continue;
            }
            if (label.equals(wanted) || lastWord(p).equalsIgnoreCase(wanted.replace(" ", ""))) {
                exact.add(p);
            } else if (text.length() > 1 && beginsWords(label, wanted)) {
                beginning.add(p);
            } else if (wanted.length() > text.length() && beginsWords(label, wanted)) {
                beginning.add(p);
            }
        }
        beginning.sort((a, b) -> Boolean.compare(!sketch.patch().relevant(a), !sketch.patch().relevant(b)));
        exact.addAll(beginning);
        return exact;
    }

    /** The one parameter that a name means, or null; without a name, the only one of its part. */
    Parameter find(String name) {
        if (name.isEmpty()) {
            return parameters.size() == 1 ? parameters.get(0) : null;
        }
        List<Parameter> found = named(name).stream().filter(Parameters::movable).toList();
        boolean exact = !found.isEmpty() && (found.get(0).label().equalsIgnoreCase(name) || lastWord(found.get(0)).equalsIgnoreCase(name.replace(" ", "")));
        return exact || found.size() == 1 ? found.get(0) : null;
    }

    /** An effect's slot has the parameters of all types; those of others are not meant. */
    private boolean typeAllows(Parameter p) {
        for (Parameter q = p; q.decider() >= 0; q = Parameters.at(q.decider())) {
            if (lastWord(Parameters.at(q.decider())).equals("type") && Parameters.at(q.decider()).id().contains("effect") && (q.deciding() >> (int) sketch.patch().value(q.decider()) & 1) == 0) {
                return false;
            }
        }
        return true;
    }

    private boolean isName(List<String> words, int at) {
        return at < words.size() && !named(words.get(at)).isEmpty();
    }

    private static boolean beginsWords(String label, String wanted) {
        String padded = " " + label.replaceAll("[()\\-]", " ");
        for (String word : wanted.split(" ")) {
            if (!padded.contains(" " + word)) {
                return false;
            }
        }
        return true;
    }

    private static double value(Parameter p, List<String> words, int from, int length) {
        String text = String.join(" ", words.subList(from, from + length));
        double own = ValueText.parse(p, text);
        return p.taper() == Taper.CHOICE && Double.isNaN(own) ? ValueText.parse(p, trade(text)) : own;
    }

    private static String trade(String choice) {
        String spaced = choice.replaceFirst("^(lp|hp|bp|notch|ladder)(\\d+)$", "$1 $2");
        int blank = spaced.indexOf(' ');
        String first = blank < 0 ? spaced : spaced.substring(0, blank);
        return CHOICES.getOrDefault(first, first) + (blank < 0 ? "" : spaced.substring(blank));
    }

    static String lastWord(Parameter p) {
        return p.id().substring(p.id().lastIndexOf('.') + 1);
    }

    /** What a parameter can be, for people. */
    static String range(Parameter p) {
        if (p.taper() != Taper.CHOICE) {
            return ValueText.format(p, p.min()) + " to " + ValueText.format(p, p.max());
        }
        return p.division() ? "free, 1/4, 1/8D ..." : String.join(", ", p.choices().stream().map(ValueText::spoken).toList());
    }

    private String unknown(List<String> words, int at) {
        return "\"" + words.get(at) + "\" is not understood here"
                + (words.get(at).matches(NUMBER) ? "; a number by itself needs a unit or a name, such as cutoff " + words.get(at) + "." : ".");
    }
}
