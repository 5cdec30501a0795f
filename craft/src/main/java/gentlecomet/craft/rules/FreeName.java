package gentlecomet.craft.rules;

import gentlecomet.sound.patch.Naming;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Names that the program makes up: they are free, and they obey the house rules wherever one can be found that does. */
public final class FreeName {

    /** Words that tell one copy from another in names without numbers. */
    private static final List<String> WORDS = List.of("Again", "Twin", "Other", "Next", "Near", "Far", "Low", "High", "Left", "Right", "Over", "Under",
            "First", "Second", "Third", "Fourth", "Fifth", "Sixth", "North", "East", "South", "West", "Early", "Late", "Light", "Dark", "Old", "New",
            "Small", "Large", "Soft", "Hard", "Calm", "Wild", "Dry", "Wet", "Warm", "Cold", "Thin", "Deep");
    private static final int MOST_NUMBERS = 999;

    private FreeName() {
    }

    /** The wanted name, or the nearest one to it that none of the taken ones is. */
    public static String of(String wanted, Collection<String> taken, HouseRules rules) {
        NameRules names = new NameRules(rules);
        Set<String> folded = new HashSet<>();
        taken.forEach(t -> folded.add(NameRules.key(t)));
        String fallback = null;
        for (String candidate : candidates(wanted, rules.nameMaxLength())) {
            if (candidate.length() <= NameRules.STORED_LENGTH && !folded.contains(NameRules.key(candidate))) {
                if (obeys(candidate, names)) {
                    return candidate;
                }
                fallback = fallback == null ? candidate : fallback;
            }
        }
        return fallback == null ? wanted : fallback;
    }

    /** A name with one more word where the house lets it have one, else with that word in place of its last. */
    public static String with(String name, String word, HouseRules rules) {
        NameRules names = new NameRules(rules);
        String longer = name + " " + word;
        String other = replaced(name, 1, word);
        return obeys(longer, names) ? longer : obeys(other, names) || other.length() <= NameRules.STORED_LENGTH ? other : name;
    }

    private static boolean obeys(String name, NameRules names) {
        return names.check(new Naming(name, "", List.of(), "", ""), List.of()).stream().noneMatch(b -> b.rule().startsWith("name."));
    }

    private static List<String> candidates(String wanted, int longest) {
        List<String> all = new ArrayList<>();
        all.add(wanted);
        String stem = wanted.replaceAll(" \\d+$", "");
        List<String> numbers = new ArrayList<>();
        for (int n = 2; n <= MOST_NUMBERS; n++) {
            String number = " " + n;
            numbers.add(cut(stem, Math.max(longest, 4) - number.length()) + number);
        }
        all.addAll(numbers);
        for (String word : WORDS) {
            all.add(stem + " " + word);
        }
        for (int last = 1; last <= 2; last++) {
            for (String word : WORDS) {
                all.add(replaced(stem, last, word));
            }
        }
        for (int last = 0; last <= 3; last++) {
            for (String first : WORDS) {
                for (String second : WORDS) {
                    if (!first.equals(second)) {
                        all.add(replaced(stem, last, first + " " + second));
                    }
                }
            }
        }
        return all;
    }

    private static String cut(String stem, int length) {
        return stem.length() <= length ? stem : stem.substring(0, Math.max(1, length)).strip();
    }

    /** A name with words in place of its last ones; at least one of its own stays. */
    private static String replaced(String name, int last, String words) {
        String[] own = name.split(" ");
        int kept = Math.max(1, own.length - last);
        return String.join(" ", List.of(own).subList(0, Math.min(kept, own.length))) + " " + words;
    }
}
