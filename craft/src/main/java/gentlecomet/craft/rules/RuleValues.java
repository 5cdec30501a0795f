package gentlecomet.craft.rules;

import gentlecomet.craft.phrase.Phrases;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

/** What the values of house rules may be, wherever they come from. */
public final class RuleValues {

    private static final int MOST_CATEGORIES = 64;
    private static final int MACROS = 8;

    private RuleValues() {
    }

    /** A value that cannot be. @param field name of the house rule @param message a sentence for people */
    public record Refusal(String field, String message) {
    }

    /** The first value that cannot be. */
    public static Optional<Refusal> fault(HouseRules rules) {
        try {
            NamePattern.of(rules.namePattern());
        } catch (IllegalArgumentException e) {
            return fault("namePattern", e.getMessage());
        }
        return rules.namePatternHint().length() > 100 ? fault("namePatternHint", "The pattern in words has at most 100 characters.")
                : outside(rules.nameMaxLength(), 4, NameRules.STORED_LENGTH) ? fault("nameMaxLength", "The longest name is from 4 to 64 characters.")
                : outside(rules.targetLufs(), -40, -6) ? fault("targetLufs", "The loudness target is from -40 to -6 LUFS.")
                : outside(rules.toleranceLu(), 0.1, 6) ? fault("toleranceLu", "The tolerance is from 0.1 to 6 LU.")
                : outside(rules.ceilingDbtp(), -12, 0) ? fault("ceilingDbtp", "The ceiling is from -12 to 0 dBTP.")
                : outside(rules.tuningCents(), 1, 100) ? fault("tuningCents", "The tuning tolerance is from 1 to 100 cents.")
                : outside(rules.fewestMacros(), 0, MACROS) ? fault("fewestMacros", "The fewest macros are from 0 to 8.")
                : rules.macroNames().size() != MACROS || rules.macroNames().stream().anyMatch(n -> n.length() > 40)
                ? fault("macroName", "There are eight macro names of at most 40 characters.")
                : rules.macroDefaults().size() > MACROS || rules.macroDefaults().stream().anyMatch(d -> d != HouseRules.ANYWHERE && outside(d, 0, 100))
                ? fault("macroDefault", "A macro stands from 0 to 100 %, or anywhere when the field is empty.")
                : categories(rules);
    }

    private static Optional<Refusal> categories(HouseRules rules) {
        if (rules.categories().size() > MOST_CATEGORIES) {
            return fault("categories", "There are at most " + MOST_CATEGORIES + " categories.");
        }
        Set<String> ids = new HashSet<>();
        Set<String> phrases = new HashSet<>();
        Phrases.all().forEach(p -> phrases.add(p.id()));
        for (Category c : rules.categories()) {
            if (!c.id().matches("[a-z][a-zA-Z0-9-]{0,29}") || !ids.add(c.id())) {
                return fault("categories", "A category's id has up to 30 small letters and digits, each once; found \"" + c.id() + "\".");
            }
            if (c.name().isBlank() || c.name().length() > 40) {
                return fault("categories", "A category has a name of up to 40 characters; found \"" + c.name() + "\".");
            }
            if (!phrases.contains(c.phrase())) {
                return fault("categories", "There is no phrase \"" + c.phrase() + "\" for " + c.name() + ".");
            }
            if (outside(c.tailLimitSeconds(), 0, 60) || outside(c.planned(), 0, 10_000)) {
                return fault("categories", "The tail of " + c.name() + " is from 0 to 60 s, and up to 10000 patches are planned.");
            }
        }
        return Optional.empty();
    }

    private static boolean outside(double value, double least, double most) {
        return !(value >= least && value <= most);
    }

    private static Optional<Refusal> fault(String field, String message) {
        return Optional.of(new Refusal(field, message));
    }
}
