package gentlecomet.craft.rules;

import gentlecomet.sound.patch.Naming;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** Holds names, categories and tags against the house rules. Cheap enough to run while someone types. */
public final class NameRules {

    /** Longest name that can be stored at all. */
    public static final int STORED_LENGTH = 64;
    /** Characters of the small displays that hardware has (common practice). */
    public static final int SMALL_DISPLAY = 16;

    private final HouseRules rules;
    /** Null where the rules have a pattern that cannot be taken, as they may from an earlier version. */
    private final NamePattern pattern;

    public NameRules(HouseRules rules) {
        this.rules = rules;
        pattern = pattern(rules.namePattern());
    }

    private static NamePattern pattern(String text) {
        try {
            return NamePattern.of(text);
        } catch (IllegalArgumentException e) {
            return null;
        }
    }

    /**
     * A broken rule.
     *
     * @param rule    id of the rule
     * @param message what was found and what is expected
     */
    public record RuleViolation(String rule, String message) {

        private static final Set<String> MATTERS_OF_TASTE = Set.of("name.alike", "name.display", "name.spelling", "name.preferred");

        /** Whether it has to be mended; others are to be looked at. */
        public boolean grave() {
            return !MATTERS_OF_TASTE.contains(rule);
        }
    }

    /** The rules that a name and its category break, given the names of all other patches of the collection. */
    public List<RuleViolation> check(Naming naming, Collection<String> otherNames) {
        String key = key(naming.name());
        return check(naming.name(), naming.category(), otherNames.stream().filter(other -> key(other).equals(key)).toList());
    }

    /**
     * The rules that a name and a category break.
     *
     * @param category id of the patch's category, empty for none
     * @param alike    names of other patches of the collection that have the same {@link #key}
     */
    public List<RuleViolation> check(String name, String category, Collection<String> alike) {
        List<RuleViolation> breaches = new ArrayList<>();
        name(name, alike, breaches);
        if (category.isEmpty()) {
            breaches.add(new RuleViolation("category.missing", "No category is chosen."));
        } else if (rules.category(category).isEmpty()) {
            breaches.add(new RuleViolation("category.unknown", "The house rules have no category \"" + category + "\"."));
        }
        return breaches;
    }

    /** Everything that a patch of a collection breaks. @param names of the collection, this one among them */
    public List<RuleViolation> check(String name, String category, List<String> tags, NameIndex names) {
        List<RuleViolation> breaches = check(name, category, names.same(name));
        String near = rules.conventions().words().alike() ? names.near(name) : null;
        if (near != null) {
            breaches.add(new RuleViolation("name.alike", "The name is easily taken for \"" + near + "\"."));
        }
        tags(tags, breaches);
        return breaches;
    }

    private void name(String name, Collection<String> alike, List<RuleViolation> breaches) {
        if (name.length() > rules.nameMaxLength()) {
            breaches.add(new RuleViolation("name.length", "The name has " + name.length() + " characters; the house allows " + rules.nameMaxLength() + "."));
        }
        if (pattern == null) {
            breaches.add(new RuleViolation("name.pattern", "The house's name pattern cannot be read any more; change it in the rules."));
        } else if (!pattern.matches(name)) {
            breaches.add(new RuleViolation("name.pattern", "\"" + shortened(name) + "\" is not " + rules.namePatternHint() + "."));
        }
        alike.stream().findFirst().ifPresent(other -> breaches.add(new RuleViolation("name.duplicate", other.equals(name) ? "Another patch has the same name."
                : "The name differs from \"" + other + "\" only in capitals or spaces.")));
        words(name, breaches);
    }

    private void words(String name, List<RuleViolation> breaches) {
        WordRules words = rules.conventions().words();
        if (words.fitsSmall() && name.length() > SMALL_DISPLAY) {
            breaches.add(new RuleViolation("name.display", "A display of " + SMALL_DISPLAY + " characters shows \"" + name.substring(0, SMALL_DISPLAY) + "\"."));
        }
        if (!words.forbidden().isEmpty() || !words.preferred().isEmpty()) {
            for (String word : name.split("\\s+")) {
                words.forbidden().stream().filter(word::equalsIgnoreCase).findFirst()
                        .ifPresent(w -> breaches.add(new RuleViolation("name.forbidden", "The house does not use the word \"" + w + "\".")));
                words.preferred().entrySet().stream().filter(e -> e.getKey().equalsIgnoreCase(word)).map(Map.Entry::getValue).findFirst()
                        .ifPresent(w -> breaches.add(new RuleViolation("name.preferred", "The house writes \"" + w + "\" for \"" + word + "\".")));
            }
        }
        if (words.spelling()) {
            for (String word : Spelling.unknown(name, words.own())) {
                breaches.add(new RuleViolation("name.spelling", "\"" + word + "\" is in no dictionary."));
            }
        }
    }

    private void tags(List<String> tags, List<RuleViolation> breaches) {
        Conventions house = rules.conventions();
        for (TagGroup group : house.tagGroups()) {
            long own = tags.stream().filter(t -> group.tags().stream().anyMatch(t::equalsIgnoreCase)).count();
            if (own < group.least()) {
                breaches.add(new RuleViolation("tag.few", "It has " + (own == 0 ? "no tag" : own == 1 ? "one tag" : own + " tags") + " of " + group.name() + "; the house wants " + group.least() + "."));
            } else if (own > group.most()) {
                breaches.add(new RuleViolation("tag.many", "It has " + own + " tags of " + group.name() + "; the house allows " + group.most() + "."));
            }
        }
        if (house.listedOnly()) {
            tags.stream().filter(t -> house.tagGroups().stream().noneMatch(g -> g.tags().stream().anyMatch(t::equalsIgnoreCase))).findFirst()
                    .ifPresent(t -> breaches.add(new RuleViolation("tag.unknown", "The house has no tag \"" + t + "\".")));
        }
    }

    /** A name as it counts for duplicates: without capitals and spaces. */
    public static String key(String name) {
        return name.toLowerCase(Locale.ROOT).replaceAll("\\s+", "");
    }

    private static String shortened(String name) {
        return name.length() <= 40 ? name : name.substring(0, 39) + "…";
    }
}
