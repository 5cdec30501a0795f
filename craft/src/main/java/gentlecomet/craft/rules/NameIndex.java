package gentlecomet.craft.rules;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.apache.commons.codec.language.DoubleMetaphone;
import org.apache.commons.text.similarity.LevenshteinDistance;

/**
 * The names of a collection, by which those are found that can be taken for one another: the same but for capitals and spaces, one letter apart (V. Levenshtein, 1965), or spoken
 * alike (Double Metaphone, L. Philips, 2000).
 */
public final class NameIndex {

    /** Names of fewer letters are too short to be mistyped. */
    private static final int LEAST_LETTERS = 5;
    private static final LevenshteinDistance ONE_APART = new LevenshteinDistance(1);
    private static final int CODE_LENGTH = 24;

    private final Map<String, List<String>> byKey = new HashMap<>();
    /** Keys by what is left of them without one letter: two that are one letter apart meet there. */
    private final Map<String, Set<String>> byDeletion = new HashMap<>();
    private final Map<String, Set<String>> bySound = new HashMap<>();

    /** @param alike whether names that are almost the same are to be found as well */
    public NameIndex(Collection<String> names, boolean alike) {
        for (String name : names) {
            String key = NameRules.key(name);
            List<String> same = byKey.computeIfAbsent(key, k -> new ArrayList<>(1));
            same.add(name);
            if (alike && same.size() == 1) {
                deletions(key).forEach(d -> byDeletion.computeIfAbsent(d, k -> new HashSet<>(1)).add(key));
                bySound.computeIfAbsent(sound(name), k -> new HashSet<>(1)).add(key);
            }
        }
    }

    /** Other names with the same key. */
    public List<String> same(String name) {
        List<String> same = byKey.getOrDefault(NameRules.key(name), List.of());
        if (same.size() < 2) {
            return List.of();
        }
        List<String> others = new ArrayList<>(same);
        others.remove(name);
        return others;
    }

    /** A name that is one letter away, or spoken alike; null where there is none. */
    public String near(String name) {
        String key = NameRules.key(name);
        if (key.length() < LEAST_LETTERS) {
            return null;
        }
        for (String deletion : deletions(key)) {
            for (String other : byDeletion.getOrDefault(deletion, Set.of())) {
                if (!other.equals(key) && ONE_APART.apply(key, other) == 1 && !digits(key).equals(key) && sameNumber(key, other)) {
                    return byKey.get(other).get(0);
                }
            }
        }
        return bySound.getOrDefault(sound(name), Set.of()).stream().filter(other -> !other.equals(key) && sameNumber(key, other)).findFirst().map(other -> byKey.get(other).get(0)).orElse(null);
    }

    /** Names that differ in their number alone are a series and no mistake. */
    private static boolean sameNumber(String one, String other) {
        return digits(one).equals(digits(other));
    }

    private static String digits(String key) {
        return key.replaceAll("\\D", "");
    }

    private static Set<String> deletions(String key) {
        Set<String> all = new HashSet<>();
        all.add(key);
        for (int i = 0; i < key.length(); i++) {
            all.add(key.substring(0, i) + key.substring(i + 1));
        }
        return all;
    }

    /** The code of each word, so that words count and not how they run on. */
    private static String sound(String name) {
        DoubleMetaphone metaphone = new DoubleMetaphone();
        metaphone.setMaxCodeLen(CODE_LENGTH);
        StringBuilder code = new StringBuilder();
        for (String word : name.toLowerCase(Locale.ROOT).split("\\s+")) {
            String spoken = metaphone.doubleMetaphone(word);
            code.append(spoken == null || spoken.isEmpty() ? word : spoken).append(' ');
        }
        return code.toString();
    }
}
