package gentlecomet.craft.backing;

import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.phrase.NoteText;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Note;
import gentlecomet.sound.performance.Phrase;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/**
 * Quiet loops of drums and bass to hear a patch in context, made by the engine itself. Drums stand on keys C2 (low drum), D2 (snare) and F#2
 * (hat); the bass sounds two octaves below what is written.
 */
public final class Backings {

    private static final List<Phrase> ALL = List.of(
            loop("straight", "Straight", 112, "C2+F#2:104:.5 F#2:60:.5 D2+F#2:96:.5 F#2:64:.5 C2+F#2:100:.5 C2+F#2:72:.5 D2+F#2:98:.5 F#2:56:.5",
                    "A3:96:.5 A3:70:.5 A3:88:.5 C4:80:.5 D4:96:.5 D4:70:.5 G3:90:.5 G3:74:.5"),
            loop("half", "Half time", 84, "C2+F#2:108:.5 F#2:54:.5 F#2:64:.5 F#2:54:.5 D2+F#2:104:.5 F#2:54:.5 C2+F#2:76:.5 F#2:58:.5",
                    "D3:100:1.5 A3:76:.5 F3:92:1 G3:84:1"),
            loop("broken", "Broken", 132, "C2+F#2:108:.25 F#2:50:.25 F#2:64:.25 C2:80:.25 D2+F#2:100:.25 F#2:50:.25 C2+F#2:84:.25 F#2:58:.25 "
                    + "F#2:66:.25 C2:96:.25 F#2:60:.25 F#2:50:.25 D2+F#2:104:.25 F#2:56:.25 F#2:62:.25 C2:70:.25",
                    "E3:100:.5 E3:64:.25 G3:84:.25 -:.25 E3:92:.75 B3:84:.5 A3:76:.5 G3:88:.5 E3:90:.5"));

    private Backings() {
    }

    /** Every loop, in the order in which they are offered. */
    public static List<Phrase> all() {
        return ALL;
    }

    /** The patch that plays them. */
    public static Patch kit() {
        try (InputStream in = Backings.class.getResourceAsStream("/backing/kit.json")) {
            return PatchFormat.read(new String(in.readAllBytes(), StandardCharsets.UTF_8), "kit");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Phrase loop(String id, String name, double tempo, String drums, String bass) {
        NoteText.Notes beat = NoteText.parse(drums);
        List<Note> notes = new ArrayList<>(beat.notes());
        notes.addAll(NoteText.parse(bass).notes());
        return new Phrase(id, name, tempo, beat.end(), notes);
    }
}
