package gentlecomet.craft.phrase;

import gentlecomet.sound.performance.Move;
import gentlecomet.sound.performance.Note;
import gentlecomet.sound.performance.Phrase;
import java.util.List;
import org.apache.commons.codec.digest.DigestUtils;

/**
 * A phrase of a house: typed, played or read from a MIDI file.
 *
 * @param name  name on the screen
 * @param tempo in beats per minute
 * @param beats length in beats
 * @param notes in any order
 * @param moves of wheels, pedals and pressure, in any order
 */
public record OwnPhrase(String name, double tempo, double beats, List<Note> notes, List<Move> moves) {

    public static final int MOST_NOTES = 500;
    public static final int MOST_MOVES = 2000;
    public static final double LONGEST_SECONDS = 60;
    private static final int LONGEST_NAME = 40;
    private static final int ID_LENGTH = 12;
    private static final double SLOWEST = 20;
    private static final double FASTEST = 300;

    public OwnPhrase {
        notes = notes == null ? List.of() : List.copyOf(notes);
        moves = moves == null ? List.of() : List.copyOf(moves);
    }

    /** What is played of a phrase, whatever it is called there; its tempo stays the same throughout. */
    public static OwnPhrase of(String name, Phrase phrase) {
        return new OwnPhrase(name, phrase.tempo(), phrase.beats(), phrase.notes(), phrase.moves());
    }

    /** Follows from what is played, so that measurements made by it count wherever the same is played, and never for anything else. */
    public String id() {
        return "own-" + DigestUtils.sha256Hex(tempo + " " + beats + " " + notes + " " + moves).substring(0, ID_LENGTH);
    }

    public Phrase phrase() {
        return new Phrase(id(), name, tempo, beats, notes, moves, List.of());
    }

    /** A sentence about what cannot be, or an empty text. */
    public String fault() {
        return name == null || name.isBlank() || name.length() > LONGEST_NAME ? "A phrase has a name of up to " + LONGEST_NAME + " characters."
                : !(tempo >= SLOWEST && tempo <= FASTEST) ? "The tempo of " + name + " is from 20 to 300 beats a minute."
                : !(beats > 0 && beats * 60 / tempo <= LONGEST_SECONDS) ? name + " lasts more than no time and at most " + (int) LONGEST_SECONDS + " s."
                : notes.isEmpty() || notes.size() > MOST_NOTES ? name + " has from 1 to " + MOST_NOTES + " notes; found " + notes.size() + "."
                : moves.size() > MOST_MOVES ? name + " has at most " + MOST_MOVES + " moves of wheels and pedals; found " + moves.size() + "."
                : notes.stream().allMatch(this::plays) && moves.stream().allMatch(this::moves) ? "" : name + " has a note or a move outside what MIDI has, or outside its length.";
    }

    private boolean plays(Note n) {
        return data(n.key()) && data(n.velocity()) && n.velocity() > 0 && data(n.release()) && n.start() >= 0 && n.length() > 0 && n.start() + n.length() <= beats + 1e-6;
    }

    private boolean moves(Move m) {
        int kind = m.status() & 0xF0;
        return m.start() >= 0 && m.start() <= beats && data(m.first()) && data(m.second()) && m.status() <= 0xFF && (kind == 0xA0 || kind == 0xB0 || kind == 0xD0 || kind == 0xE0);
    }

    private static boolean data(int value) {
        return value >= 0 && value <= 127;
    }
}
