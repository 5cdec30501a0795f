package gentlecomet.craft.rules;

import gentlecomet.sound.patch.Naming;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Names that the program makes up: they are free, and they obey the house rules wherever one can be found that does. */
public final class FreeName {

    /** Words that tell one copy from another in names without numbers. */
    private static final List<String> WORDS = List.of("Again", "Twin", "Other", "Next", "Near", "Far", "Low", "High", "Left", "Right", "Over", "Under",
            "First", "Second", "Third", "Fourth", "Fifth", "Sixth", "North", "East", "South", "West", "Early", "Late", "Light", "Dark", "Old", "New",
            "Small", "Large", "Soft", "Hard", "Calm", "Wild", "Dry", "Wet", "Warm", "Cold", "Thin", "Deep");
    private static final int MOST_NUMBERS = 999;

    private final NameRules names;
    private final int longest;
    private final Set<String> taken = new HashSet<>();

    /** For many names, each of which is taken once it is given. */
    public FreeName(Collection<String> taken, HouseRules rules) {
        names = new NameRules(rules);
        longest = rules.nameMaxLength();
        taken.forEach(t -> this.taken.add(NameRules.key(t)));
    }

    /** The wanted name, or the nearest one to it that none of the taken ones is. */
    public static String of(String wanted, Collection<String> taken, HouseRules rules) {
        return new FreeName(taken, rules).next(wanted);
    }

    /** The wanted name, or the nearest one to it that is free; it is taken from now on. */
    public String next(String wanted) {
        String free = free(wanted).filter(name -> obeys(name, names)).findFirst().or(() -> free(wanted).findFirst()).orElse(wanted);
        taken.add(NameRules.key(free));
        return free;
    }

    private Stream<String> free(String wanted) {
        return candidates(wanted, longest).filter(name -> name.length() <= NameRules.STORED_LENGTH && !taken.contains(NameRules.key(name)));
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

    /** Names to try, the nearest first; each is made when it is asked for, as the first ones mostly do. */
    private static Stream<String> candidates(String wanted, int longest) {
        String stem = wanted.replaceAll(" \\d+$", "");
        Stream<String> numbers = IntStream.rangeClosed(2, MOST_NUMBERS).mapToObj(n -> cut(stem, Math.max(longest, 4) - (" " + n).length()) + " " + n);
        Stream<String> words = WORDS.stream().map(word -> stem + " " + word);
        Stream<String> oneReplaced = IntStream.rangeClosed(1, 2).boxed().flatMap(last -> WORDS.stream().map(word -> replaced(stem, last, word)));
        Stream<String> twoReplaced = IntStream.rangeClosed(0, 3).boxed()
                .flatMap(last -> WORDS.stream().flatMap(first -> WORDS.stream().filter(second -> !first.equals(second)).map(second -> replaced(stem, last, first + " " + second))));
        return Stream.of(Stream.of(wanted), numbers, words, oneReplaced, twoReplaced).flatMap(part -> part);
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
