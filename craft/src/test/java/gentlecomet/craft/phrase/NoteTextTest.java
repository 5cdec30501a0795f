package gentlecomet.craft.phrase;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.performance.Note;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Notes typed as text. Keys by the MIDI numbering in which C4 is 60. */
class NoteTextTest {

    @Test
    void notesFollowOneAnotherAndChordsBeginTogether() {
        NoteText.Notes notes = NoteText.parse("C4:100:1, -:0.5 A3+E4:64:2");
        assertEquals(List.of(new Note(60, 100, 0, 1), new Note(57, 64, 1.5, 2), new Note(64, 64, 1.5, 2)), notes.notes());
        assertEquals(3.5, notes.end(), 1e-12);
    }

    @ParameterizedTest
    @CsvSource({"C-1:1:600, 0", "G9:127:.25, 127", "Bb2:80:1, 46", "F#2:80:1, 42"})
    void theEndsOfEachRangeAreTaken(String text, int key) {
        assertEquals(key, NoteText.parse(text).notes().get(0).key());
    }

    @ParameterizedTest
    @ValueSource(strings = {"C4", "C4:100", "H4:100:1", "C4:0:1", "C4:128:1", "C4:x:1", "C4:100:0", "C4:100:-1", "C4:100:601", "C4:100:NaN", "G#9:100:1", "-:x", ""})
    void theMessageNamesTheWordThatHasNoMeaning(String word) {
        String text = "E3:90:1 " + word + " ";
        if (word.isEmpty()) {
            assertThrows(IllegalArgumentException.class, () -> NoteText.parse("  "));
            return;
        }
        String message = assertThrows(IllegalArgumentException.class, () -> NoteText.parse(text)).getMessage();
        assertTrue(message.contains(word.split(":")[0]) && !message.contains("E3"), message);
    }

    @Test
    void endlessTextIsRefused() {
        assertThrows(IllegalArgumentException.class, () -> NoteText.parse("C4+E4+G4:100:1 ".repeat(700)));
    }
}
