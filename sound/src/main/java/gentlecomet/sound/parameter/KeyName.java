package gentlecomet.sound.parameter;

/** MIDI key numbers 0 to 127 and their names, with C4 = 60 (octaves from -1 to 9). */
public final class KeyName {

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
