package gentlecomet.craft.rules;

import gentlecomet.craft.phrase.OwnPhrase;
import gentlecomet.sound.patch.Naming;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** What the values of house rules may be, wherever they come from. */
public final class RuleValues {

    private static final int MOST_CATEGORIES = 64;
    private static final int MACROS = 8;
    private static final int MOST_PHRASES = 24;
    private static final int MOST_WORDS = 2000;
    private static final int MOST_GROUPS = 20;
    private static final int MOST_TAGS = 200;
    private static final int MOST_LIMITS = 500;

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
                : conventions(rules.conventions()).or(() -> phrases(rules.conventions().phrases())).or(() -> categories(rules));
    }

    private static Optional<Refusal> conventions(Conventions c) {
        if (c.parts() != null && !c.parts().fault().isEmpty()) {
            return fault("nameParts", c.parts().fault());
        }
        WordRules words = c.words();
        if (words.forbidden().size() + words.own().size() + words.preferred().size() > MOST_WORDS
                || Stream.of(words.forbidden(), words.own(), words.preferred().keySet(), words.preferred().values()).flatMap(Collection::stream).anyMatch(RuleValues::unfit)) {
            return fault("forbidden", "There are at most " + MOST_WORDS + " words in the lists, each of up to " + NameRules.STORED_LENGTH + " characters.");
        }
        if (c.tagGroups().size() > MOST_GROUPS) {
            return fault("tagGroups", "There are at most " + MOST_GROUPS + " groups of tags.");
        }
        Set<String> seen = new HashSet<>();
        for (TagGroup g : c.tagGroups()) {
            if (g.name().isBlank() || g.name().length() > 40 || g.tags().size() > MOST_TAGS || g.tags().stream().anyMatch(t -> t.isBlank() || t.length() > Naming.LONGEST_TAG)) {
                return fault("tagGroups", "A group has a name of up to 40 characters and up to " + MOST_TAGS + " tags of up to " + Naming.LONGEST_TAG + " characters; look at \"" + g.name() + "\".");
            }
            if (g.least() < 0 || g.most() < g.least() || g.most() > Naming.MOST_TAGS) {
                return fault("tagGroups", "A patch has from 0 to " + Naming.MOST_TAGS + " tags of " + g.name() + ", the least no more than the most.");
            }
            for (String tag : g.tags()) {
                if (!seen.add(tag.toLowerCase(Locale.ROOT))) {
                    return fault("tagGroups", "The tag \"" + tag + "\" stands twice.");
                }
            }
        }
        return c.purposes().size() > MACROS || c.purposes().stream().anyMatch(p -> outside(p.least(), 0, 100)) ? fault("macroLeast", "What a macro does at least is from 0 to 100.")
                : c.checks().limits().size() > MOST_LIMITS || c.checks().limits().values().stream().anyMatch(v -> v == null || outside(v, -1e6, 1e6)) ? fault("checkValue", "A limit of the soundcheck is a number from -1000000 to 1000000.")
                : outside(c.bendRange(), 0, 48) ? fault("bendRange", "The bend range is from 0 (any) to 48 semitones.") : Optional.empty();
    }

    private static Optional<Refusal> phrases(List<OwnPhrase> phrases) {
        return phrases.size() > MOST_PHRASES ? fault("phraseName", "There are at most " + MOST_PHRASES + " phrases of your own.")
                : phrases.stream().map(OwnPhrase::fault).filter(f -> !f.isEmpty()).findFirst().flatMap(f -> fault("phraseName", f));
    }

    private static boolean unfit(String word) {
        return word.isBlank() || word.length() > NameRules.STORED_LENGTH;
    }

    private static Optional<Refusal> categories(HouseRules rules) {
        if (rules.categories().size() > MOST_CATEGORIES) {
            return fault("categories", "There are at most " + MOST_CATEGORIES + " categories.");
        }
        Set<String> ids = new HashSet<>();
        for (Category c : rules.categories()) {
            if (!c.id().matches("[a-z][a-zA-Z0-9-]{0,29}") || !ids.add(c.id())) {
                return fault("categories", "A category's id has up to 30 small letters and digits, each once; found \"" + c.id() + "\".");
            }
            if (c.name().isBlank() || c.name().length() > 40) {
                return fault("categories", "A category has a name of up to 40 characters; found \"" + c.name() + "\".");
            }
            if (!rules.knowsPhrase(c.phrase())) {
                return fault("categories", "There is no phrase \"" + c.phrase() + "\" for " + c.name() + ".");
            }
            if (c.mark().length() > 2 || outside(c.offsetLu(), -20, 20)) {
                return fault("categories", "The mark of " + c.name() + " has up to two characters, and it lies up to 20 LU from the target.");
            }
            Expectations e = c.expectations();
            if (outside(e.lowKey(), 0, 127) || outside(e.highKey(), e.lowKey(), 127) || outside(e.attackSeconds(), 0, 60) || outside(e.darkest(), 0, 24000) || outside(e.brightest(), 0, 24000)
                    || outside(e.widest(), -60, 60) || outside(e.voices(), 0, 64) || outside(e.octaves(), 0, 10)) {
                return fault("expectLow", "What " + c.name() + " sounds like is outside what can be: keys go up, times are from 0 to 60 s, frequencies up to 24 kHz, voices up to 64.");
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
