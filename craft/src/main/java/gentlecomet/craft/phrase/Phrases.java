package gentlecomet.craft.phrase;

import gentlecomet.sound.performance.Phrase;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;

/** The phrases that come with the program, written for the categories. Lengths are in beats. */
public final class Phrases {

    private static final Map<String, Phrase> ALL = new LinkedHashMap<>();

    static {
        add("line", "Line", 104, "A3:92:1 C4:84:.5 D4:96:.5 E4:110:1.5 D4:80:.5 C4:88:1 A3:76:.5 G3:84:.5 A3:108:2");
        add("low-steps", "Low steps", 96, "E1:104:.5 -:.25 E1:84:.25 G1:96:.5 E2:112:.5 D2:90:.5 B1:88:.5 A1:104:.75 -:.25 G1:92:.5 F#1:84:.5 E1:116:1.5");
        add("slow-chords", "Slow chords", 72, "D3+A3+F4+C5:84:4 Bb2+F3+D4+A4:76:4");
        add("comping", "Comping", 100, "D3+A3+C4+F4:92:1 -:.5 D3+A3+C4+F4:64:.5 G2+B3+D4+F4:104:1.5 G2+B3+D4+F4:72:.5 C3+G3+B3+E4:88:2");
        add("broken-chords", "Broken chords", 112, "A2:100:.5 E3:80:.5 A3:88:.5 C4:96:.5 E4:108:.5 C4:84:.5 A3:76:.5 E3:72:.5 F2:104:.5 C3:80:.5 F3:84:.5 A3:92:.5 C4:112:1");
        add("wide-steps", "Wide steps", 80, "E4:104:1 B4:84:1 G5:96:1 D4:76:1 A5:112:2");
        add("calls", "Calls", 88, "C3+G3:96:1.5 C3+E4:108:.5 F3+C4+A4:116:2 D3+A3+F4:84:2");
        add("hits", "Hits", 96, "C3:116:.5 C3:72:.5 C3:100:.5 G2:108:.5 C3:124:.5 C3:64:.25 C3:80:.25 G2:112:1");
        add("long-notes", "Long notes", 60, "D3+A3:84:4 C3+G3:100:4");
        add("fast-line", "Fast line", 132, "D4:100:.25 E4:84:.25 F4:92:.25 G4:84:.25 A4:108:.5 F4:80:.25 G4:88:.25 E4:96:.5 C4:76:.5 D4:112:1 -:.5 A3:72:.5 D4:104:1");
        add("gliding", "Gliding", 84, "G3:96:1.5 D4:104:1 C4:84:.5 A4:112:1.5 G4:88:.5 D4:92:1 G3:100:2");
        add("stabs", "Stabs", 124, "A3+C4+E4:116:.25 -:.5 A3+C4+E4:80:.25 -:.5 G3+B3+D4:108:.25 -:.25 F3+A3+C4:120:.5 -:.5 G3+B3+E4:96:.5 -:.5");
        add("ostinato", "Ostinato", 118, "D2:108:.5 D2:76:.25 D3:84:.25 F2:100:.5 D2:80:.5 C2:104:.5 C2:72:.25 G2:88:.25 Bb1:112:.5 C2:84:.5");
        add("soft-to-hard", "Soft to hard", 90, "C4:16:.75 C4:36:.75 C4:56:.75 C4:76:.75 C4:96:.75 C4:116:.75 C4:127:1.5");
        add("low-to-high", "Low to high", 90, "C1:96:1 C2:96:1 C3:96:1 C4:96:1 C5:96:1 C6:96:1.5");
    }

    private Phrases() {
    }

    /** Every phrase, in the order in which they are offered. */
    public static List<Phrase> all() {
        return List.copyOf(ALL.values());
    }

    public static boolean known(String id) {
        return ALL.containsKey(id);
    }

    /** @throws NoSuchElementException when there is no such phrase */
    public static Phrase get(String id) {
        Phrase phrase = ALL.get(id);
        if (phrase == null) {
            throw new NoSuchElementException("no phrase \"" + id + "\"; there are " + String.join(", ", ALL.keySet()));
        }
        return phrase;
    }

    private static void add(String id, String name, double tempo, String notes) {
        NoteText.Notes parsed = NoteText.parse(notes);
        ALL.put(id, new Phrase(id, name, tempo, parsed.end(), parsed.notes()));
    }
}
