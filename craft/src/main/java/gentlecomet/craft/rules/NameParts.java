package gentlecomet.craft.rules;

/**
 * A name pattern put together from what people say of it.
 *
 * @param fewestWords   at least 1
 * @param mostWords     at most 8
 * @param capitals      which letters are capitals
 * @param digits        whether words may have digits, as long as the first begins with a letter
 * @param others        other characters that words may have after their first, for example "-'"
 */
public record NameParts(int fewestWords, int mostWords, Capitals capitals, boolean digits, String others) {

    /** Which letters of a name are capitals. */
    public enum Capitals {
        EVERY_WORD("each with a capital"),
        FIRST_WORD("the first with a capital"),
        ALL("all capitals"),
        NONE("no capitals"),
        ANY("capitals as you like");

        private final String words;

        Capitals(String words) {
            this.words = words;
        }

        /** As a part of a sentence. */
        public String words() {
            return words;
        }
    }

    private static final int MOST_WORDS = 8;
    private static final int MOST_OTHERS = 12;
    private static final String[] NUMBERS = {"no", "one", "two", "three", "four", "five", "six", "seven", "eight"};

    /** What keeps a pattern from being made, as a sentence; empty when there is nothing. */
    String fault() {
        return fewestWords < 1 || mostWords > MOST_WORDS || fewestWords > mostWords ? "A name has from 1 to " + MOST_WORDS + " words, the fewest no more than the most."
                : others.length() > MOST_OTHERS || others.chars().anyMatch(c -> Character.isISOControl(c) || Character.isWhitespace(c)) ? "Up to " + MOST_OTHERS
                + " other characters can be allowed, none of them a space." : "";
    }

    /** The regular expression (RE2) that a whole name must match. */
    public String pattern() {
        String rest = (digits ? "0-9" : "") + escaped();
        String word = switch (capitals) {
            case EVERY_WORD -> begin("\\p{Lu}") + letters("\\p{Ll}", rest);
            case FIRST_WORD, NONE -> begin("\\p{Ll}") + letters("\\p{Ll}", rest);
            case ALL -> begin("\\p{Lu}") + letters("\\p{Lu}", rest);
            case ANY -> begin("\\p{L}") + letters("\\p{L}", rest);
        };
        // The first word has two characters at least, and begins with a letter.
        String first = switch (capitals) {
            case EVERY_WORD, FIRST_WORD -> "\\p{Lu}[\\p{Ll}" + rest + "]+";
            case ALL -> "\\p{Lu}[\\p{Lu}" + rest + "]+";
            case NONE -> "\\p{Ll}[\\p{Ll}" + rest + "]+";
            case ANY -> "\\p{L}[\\p{L}" + rest + "]+";
        };
        return mostWords == 1 ? first : first + "( " + word + "){" + (fewestWords - 1) + "," + (mostWords - 1) + "}";
    }

    private String begin(String letter) {
        return digits ? "[" + letter + "0-9]" : letter;
    }

    private static String letters(String letter, String rest) {
        return "[" + letter + rest + "]*";
    }

    private String escaped() {
        StringBuilder text = new StringBuilder();
        others.chars().distinct().forEach(c -> text.append(Character.isLetterOrDigit(c) ? "" : "\\").append((char) c));
        return text.toString();
    }

    /** The same in words, as in "is not ...". */
    public String hint() {
        String count = fewestWords == mostWords ? NUMBERS[fewestWords] : NUMBERS[fewestWords] + " to " + NUMBERS[mostWords];
        return count + (mostWords == 1 ? " word" : " words") + ", " + capitals.words() + (digits ? ", digits allowed" : "") + (others.isEmpty() ? "" : ", also " + others);
    }
}
