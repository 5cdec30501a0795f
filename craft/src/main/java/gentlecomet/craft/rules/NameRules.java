package gentlecomet.craft.rules;

import gentlecomet.sound.patch.Naming;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;

/** Holds names and categories against the house rules. Cheap enough to run while someone types. */
public final class NameRules {

    /** Longest name that can be stored at all. */
    public static final int STORED_LENGTH = 64;

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
    }

    /** The rules that a name breaks, given the names of all other patches of the collection. */
    public List<RuleViolation> check(Naming naming, Collection<String> otherNames) {
        String key = key(naming.name());
        return check(naming.name(), naming.category(), otherNames.stream().filter(other -> key(other).equals(key)).toList());
    }

    /**
     * The rules that a name breaks.
     *
     * @param category id of the patch's category, empty for none
     * @param alike    names of other patches of the collection that have the same {@link #key}
     */
    public List<RuleViolation> check(String name, String category, Collection<String> alike) {
        List<RuleViolation> breaches = new ArrayList<>();
        if (name.length() > rules.nameMaxLength()) {
            breaches.add(new RuleViolation("name.length",
                    "The name has " + name.length() + " characters; the house allows " + rules.nameMaxLength() + "."));
        }
        if (pattern == null) {
            breaches.add(new RuleViolation("name.pattern", "The house's name pattern cannot be read any more; change it in the rules."));
        } else if (!pattern.matches(name)) {
            breaches.add(new RuleViolation("name.pattern", "\"" + shortened(name) + "\" is not " + rules.namePatternHint() + "."));
        }
        alike.stream().findFirst().ifPresent(other -> breaches.add(new RuleViolation("name.duplicate", other.equals(name) ? "Another patch has the same name."
                : "The name differs from \"" + other + "\" only in capitals or spaces.")));
        if (category.isEmpty()) {
            breaches.add(new RuleViolation("category.missing", "No category is chosen."));
        } else if (rules.category(category).isEmpty()) {
            breaches.add(new RuleViolation("category.unknown", "The house rules have no category \"" + category + "\"."));
        }
        return breaches;
    }

    /** A name as it counts for duplicates: without capitals and spaces. */
    public static String key(String name) {
        return name.toLowerCase(Locale.ROOT).replaceAll("\\s+", "");
    }

    private static String shortened(String name) {
        return name.length() <= 40 ? name : name.substring(0, 39) + "…";
    }
}
