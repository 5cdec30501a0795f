package gentlecomet.sound.parameter;

/**
 * MIDI key numbers 0 to 127 and their names, with C4 = 60 (octaves from -1 to 9). Everything that is kept, and every
 * sentence of the core, names keys like this; a screen may call key 60 C3 or C5 instead, and {@link #retold} and
 * {@link #standard} stand between the two.
 */
public final class KeyName {

    /** The octave of key 60 in the names that are kept. */
    public static final int MIDDLE_OCTAVE = 4;

    private static final String[] NAMES = {"C", "C#", "D", "D#", "E", "F", "F#", "G", "G#", "A", "A#", "B"};
    private static final int[] WHITE = {9, 11, 0, 2, 4, 5, 7};

    private KeyName() {
    }

    /** The name of a key, for example "C#4" for 61. */
    public static String of(int key) {
        return NAMES[key % 12] + (key / 12 - 1);
    }

    /** The key of a name such as "c4", "C#4", "Db4", "bb-1", or of a plain number; -1 when the text is neither. */
    public static int parse(String text) {
        String t = text.trim();
        if (t.isEmpty()) {
            return -1;
        }
        char letter = Character.toLowerCase(t.charAt(0));
        if (letter < 'a' || letter > 'g') {
            return inRange(wholeNumber(t));
        }
        int tone = WHITE[letter - 'a'];
        int at = 1;
        if (at < t.length() && t.charAt(at) == '#') {
            tone++;
            at++;
        } else if (at < t.length() && t.charAt(at) == 'b') {
            tone--;
            at++;
        }
        int octave = wholeNumber(t.substring(at));
        return octave == Integer.MIN_VALUE ? -1 : inRange((octave + 1) * 12 + tone);
    }

    /**
     * A sentence of the core with every key name in it told in another count of octaves. Words in quotes are left as they
     * are, because they are names that somebody gave.
     *
     * @param sentence     text whose key names have C4 = 60
     * @param middleOctave octave of key 60 in the answer
     */
    public static String retold(String sentence, int middleOctave) {
        if (middleOctave == MIDDLE_OCTAVE) {
            return sentence;
        }
        StringBuilder out = new StringBuilder();
        boolean quoted = false;
        int at = 0;
        while (at < sentence.length()) {
            char c = sentence.charAt(at);
            quoted ^= c == '"';
            int end = quoted || at > 0 && Character.isLetterOrDigit(sentence.charAt(at - 1)) ? at : nameEnd(sentence, at);
            int key = end == at ? -1 : parse(sentence.substring(at, end));
            if (key < 0) {
                out.append(c);
                at++;
            } else {
                out.append(NAMES[key % 12]).append(key / 12 - 1 + middleOctave - MIDDLE_OCTAVE);
                at = end;
            }
        }
        return out.toString();
    }

    /**
     * What somebody typed in another count of octaves, as a key is named here; text that is no key name stays as it is,
     * and the name of a key outside of 0 to 127 becomes empty.
     *
     * @param middleOctave octave of key 60 as it was typed
     */
    public static String standard(String typed, int middleOctave) {
        String name = typed.trim();
        char letter = name.isEmpty() ? ' ' : Character.toLowerCase(name.charAt(0));
        if (middleOctave == MIDDLE_OCTAVE || letter < 'a' || letter > 'g') {
            return typed;
        }
        int octaveAt = name.length() > 1 && (name.charAt(1) == '#' || name.charAt(1) == 'b') ? 2 : 1;
        int octave = wholeNumber(name.substring(octaveAt));
        if (octave == Integer.MIN_VALUE) {
            return typed;
        }
        int key = parse(name.substring(0, octaveAt) + (octave + MIDDLE_OCTAVE - middleOctave));
        return key < 0 ? "" : of(key);
    }

    /** Where a key name that begins here ends: a capital, perhaps a sharp, and an octave; the start itself when there is none. */
    private static int nameEnd(String text, int start) {
        char letter = text.charAt(start);
        if (letter < 'A' || letter > 'G') {
            return start;
        }
        int at = start + 1;
        if (at < text.length() && text.charAt(at) == '#') {
            at++;
        }
        if (at < text.length() && text.charAt(at) == '-') {
            at++;
        }
        if (at >= text.length() || text.charAt(at) < '0' || text.charAt(at) > '9') {
            return start;
        }
        at++;
        return at < text.length() && Character.isLetterOrDigit(text.charAt(at)) ? start : at;
    }

    private static int inRange(int key) {
        return key >= 0 && key <= 127 ? key : -1;
    }

    private static int wholeNumber(String text) {
        if (text.isEmpty() || text.length() > 4) {
            return Integer.MIN_VALUE;
        }
        int start = text.charAt(0) == '-' ? 1 : 0;
        int value = 0;
        for (int i = start; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c < '0' || c > '9') {
                return Integer.MIN_VALUE;
            }
            value = value * 10 + (c - '0');
        }
        return start == text.length() ? Integer.MIN_VALUE : start == 1 ? -value : value;
    }
}
