package gentlecomet.craft.phrase;

import gentlecomet.sound.performance.Move;
import gentlecomet.sound.performance.Note;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.TempoChange;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** Several phrases one after the other as one, each at its own pace. */
public final class JoinedPhrase {

    /** Silence between two of them, in seconds. */
    private static final double BREATH_SECONDS = 0.5;

    private JoinedPhrase() {
    }

    /** @param phrases at least one; a single one is answered as it is */
    public static Phrase of(List<Phrase> phrases) {
        if (phrases.size() == 1) {
            return phrases.get(0);
        }
        double tempo = phrases.get(0).tempo();
        double from = 0;
        List<Note> notes = new ArrayList<>();
        List<Move> moves = new ArrayList<>();
        List<TempoChange> changes = new ArrayList<>();
        for (Phrase p : phrases) {
            double scale = tempo / p.tempo();
            double start = from;
            p.notes().forEach(n -> notes.add(new Note(n.key(), n.velocity(), start + scale * n.start(), scale * n.length(), n.release())));
            p.moves().forEach(m -> moves.add(new Move(start + scale * m.start(), m.status(), m.first(), m.second())));
            changes.add(new TempoChange(start, p.tempo() / tempo));
            p.tempoChanges().forEach(t -> changes.add(new TempoChange(start + scale * t.start(), t.ratio() * p.tempo() / tempo)));
            from += scale * p.beats() + BREATH_SECONDS * tempo / 60;
        }
        return new Phrase(phrases.stream().map(Phrase::id).collect(Collectors.joining("+")), phrases.stream().map(Phrase::name).collect(Collectors.joining(", then ")),
                tempo, from, notes, moves, changes);
    }
}
