package gentlecomet.craft.quick;

import gentlecomet.craft.quick.QuickLine.Suggestion;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Taper;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** What could come next in a line. */
final class Suggestions {

    private static final int MOST = 8;

    private Suggestions() {
    }

    /** Parts whose names begin with a word. */
    static List<Suggestion> parts(String begun) {
        List<Suggestion> found = new ArrayList<>();
        String wanted = begun.toLowerCase(Locale.ROOT);
        for (String name : PartName.names()) {
            if (name.startsWith(wanted)) {
                found.add(new Suggestion(name, "part"));
            }
        }
        List<String> effects = Parameters.at(Parameters.ofEffect(-1, 0)).choices();
        for (String id : effects.subList(1, effects.size())) {
            String name = ValueText.spoken(id);
            if (name.startsWith(wanted) && !PartName.ofVoice(name)) {
                found.add(new Suggestion(name, "effect"));
            }
        }
        return found.size() > MOST ? found.subList(0, MOST) : found;
    }

    /** Settings of a part that go with its last word, which may be empty. */
    static List<Suggestion> settings(Patch patch, String prefix, List<String> words) {
        String last = words.isEmpty() ? "" : words.get(words.size() - 1).toLowerCase(Locale.ROOT);
        String before = words.size() < 2 ? "" : words.get(words.size() - 2).toLowerCase(Locale.ROOT);
        List<Suggestion> found = new ArrayList<>();
        List<Parameter> parameters = Parameters.startingWith(prefix).stream().filter(patch::relevant).toList();
        for (Parameter p : parameters) {
            if (!before.isEmpty() && p.label().toLowerCase(Locale.ROOT).equals(before) && p.taper() == Taper.CHOICE) {
                p.choices().stream().map(ValueText::spoken).filter(c -> c.startsWith(last)).forEach(c -> found.add(new Suggestion(c, p.label())));
            }
        }
        for (Parameter p : parameters) {
            if (found.size() < MOST && p.taper() == Taper.CHOICE && Parameters.decides(p) && !p.division() && !last.isEmpty()) {
                p.choices().stream().map(ValueText::spoken).filter(c -> c.startsWith(last) && !c.equals(last)).forEach(c -> found.add(new Suggestion(c, p.label())));
            }
        }
        for (Parameter p : parameters) {
            String label = p.label().toLowerCase(Locale.ROOT);
            if (label.startsWith(last) || !last.isEmpty() && label.contains(" " + last)) {
                found.add(new Suggestion(label, "now " + ValueText.format(p, patch.soundingValue(p)) + "; " + Settings.range(p)));
            }
        }
        return found.size() > MOST ? found.subList(0, MOST) : found;
    }
}
