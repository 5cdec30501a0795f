package gentlecomet.sound.performance;

import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Ride;
import java.util.List;

/**
 * A short clip of notes to audition and to measure a patch with.
 *
 * @param id    stable text id
 * @param name  name on the screen
 * @param tempo in beats per minute
 * @param beats length in beats, after which the tail rings
 * @param notes in any order
 * @param moves of wheels, pedals and pressure, in any order
 * @param tempoChanges in any order
 * @param rides how hands move while it plays, those of the patch that plays it
 */
public record Phrase(String id, String name, double tempo, double beats, List<Note> notes, List<Move> moves, List<TempoChange> tempoChanges,
        List<Ride> rides) {

    public Phrase {
        notes = List.copyOf(notes);
        moves = List.copyOf(moves);
        tempoChanges = List.copyOf(tempoChanges);
        rides = List.copyOf(rides);
    }

    /** A phrase that no hand rides. */
    public Phrase(String id, String name, double tempo, double beats, List<Note> notes, List<Move> moves, List<TempoChange> tempoChanges) {
        this(id, name, tempo, beats, notes, moves, tempoChanges, List.of());
    }

    /** A phrase of notes alone. */
    public Phrase(String id, String name, double tempo, double beats, List<Note> notes) {
        this(id, name, tempo, beats, notes, List.of(), List.of());
    }

    /** One note, held for some seconds, as a phrase. */
    public static Phrase single(int key, int velocity, double seconds) {
        return new Phrase("single", "Single note", 60, seconds, List.of(new Note(key, velocity, 0, seconds)));
    }

    /** Length in seconds without the tail. */
    public double seconds() {
        return beats * 60 / tempo;
    }

    public Phrase atTempo(double newTempo) {
        return new Phrase(id, name, newTempo, beats, notes, moves, tempoChanges, rides);
    }

    /** As a patch plays it, whose hands move under it. */
    public Phrase as(Patch patch) {
        return new Phrase(id, name, tempo, beats, notes, moves, tempoChanges, patch.rides(id));
    }
}
