package gentlecomet.craft.phrase;

import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.performance.Note;
import java.util.ArrayList;
import java.util.List;

/**
 * Notes as text: {@code C3:100:1.5} is a key, a velocity and a length; {@code C3+E3+G3:100:2} joins a chord;
 * {@code -:1} is a rest. Separated by commas or blanks, one after another.
 */
public final class NoteText {

    private static final int MOST_NOTES = 2000;

    private NoteText() {
    }

    /** Notes and the moment at which the last one ends, in the unit of the lengths. */
    public record Notes(List<Note> notes, double end) {
    }

    /** @throws IllegalArgumentException that names the word which has no meaning */
    public static Notes parse(String text) {
        List<Note> notes = new ArrayList<>();
        double at = 0;
        for (String word : text.trim().split("[,\\s]+")) {
            String[] parts = word.split(":");
            if (parts.length == 2 && parts[0].equals("-")) {
                at += length(parts[1], word);
                continue;
            }
            if (parts.length != 3) {
                throw new IllegalArgumentException("\"" + word + "\" is not key:velocity:length, for example C3:100:1.5");
            }
            double length = length(parts[2], word);
            int velocity = velocity(parts[1], word);
            for (String keyName : parts[0].split("\\+")) {
                int key = KeyName.parse(keyName);
                if (key < 0) {
                    throw new IllegalArgumentException("\"" + keyName + "\" in \"" + word + "\" is not a key from C-1 to G9");
                }
                notes.add(new Note(key, velocity, at, length));
            }
            at += length;
            if (notes.size() > MOST_NOTES) {
                throw new IllegalArgumentException("more than " + MOST_NOTES + " notes");
            }
        }
        return new Notes(notes, at);
    }

    private static double length(String text, String word) {
        try {
            double length = Double.parseDouble(text);
            if (length > 0 && length <= 600) {
                return length;
            }
        } catch (NumberFormatException e) {
            // Falls through to the message below.
        }
        throw new IllegalArgumentException("\"" + text + "\" in \"" + word + "\" is not a length above 0 and up to 600");
    }

    private static int velocity(String text, String word) {
        if (text.matches("\\d{1,3}")) {
            int velocity = Integer.parseInt(text);
            if (velocity >= 1 && velocity <= 127) {
                return velocity;
            }
        }
        throw new IllegalArgumentException("\"" + text + "\" in \"" + word + "\" is not a velocity from 1 to 127");
    }
}
