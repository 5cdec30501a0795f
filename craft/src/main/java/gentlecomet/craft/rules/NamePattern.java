package gentlecomet.craft.rules;

import com.google.re2j.Pattern;
import com.google.re2j.PatternSyntaxException;

/**
 * The regular expression of house rules. It is matched in time linear to the name (RE2, R. Cox, "Regular Expression Matching Can Be Simple
 * And Fast", 2007), so that no pattern can hold a collection up; look-around and back-references are not known to it.
 */
public final class NamePattern {

    /** Longest pattern that is taken, in characters. */
    public static final int LONGEST = 200;
    private static final int MOST_REPEATS = 1000;

    private final Pattern pattern;

    private NamePattern(Pattern pattern) {
        this.pattern = pattern;
    }

    /** @throws IllegalArgumentException with a sentence for people when it cannot be taken */
    public static NamePattern of(String text) {
        if (text.length() > LONGEST) {
            throw new IllegalArgumentException("The name pattern has at most " + LONGEST + " characters; found " + text.length() + ".");
        }
        if (repeats(text) > MOST_REPEATS) {
            throw new IllegalArgumentException("The name pattern repeats more than " + MOST_REPEATS + " times; names have at most 64 characters.");
        }
        try {
            return new NamePattern(Pattern.compile(text));
        } catch (PatternSyntaxException e) {
            throw new IllegalArgumentException("The name pattern is not a regular expression that is known here: " + e.getDescription()
                    + (e.getPattern() == null || e.getPattern().isEmpty() ? "" : " at \"" + e.getPattern() + "\"") + ".");
        }
    }

    public boolean matches(String name) {
        return pattern.matches(name);
    }

    /** The product of all counts in braces: what nested ones multiply up to at the most. */
    private static double repeats(String text) {
        double product = 1;
        var counts = java.util.regex.Pattern.compile("\\{\\d{0,9},?(\\d{0,9})}").matcher(text);
        while (counts.find()) {
            String inner = text.substring(counts.start() + 1, counts.end() - 1);
            String last = inner.substring(inner.indexOf(',') + 1);
            String most = last.isEmpty() ? inner.replace(",", "") : last;
            product *= most.isEmpty() ? 1 : Math.max(1, Double.parseDouble(most));
        }
        return product;
    }
}
