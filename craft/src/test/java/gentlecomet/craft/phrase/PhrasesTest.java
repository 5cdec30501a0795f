package gentlecomet.craft.phrase;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.backing.Backings;
import gentlecomet.craft.measure.Loudness;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Note;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import java.util.HashSet;
import java.util.List;
import java.util.NoSuchElementException;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The phrases and backing loops that come with the program. */
class PhrasesTest {

    static Stream<Phrase> all() {
        return Stream.concat(Phrases.all().stream(), Backings.all().stream());
    }

    @ParameterizedTest
    @MethodSource("all")
    void everyNoteIsPlayableAndEndsWithinItsPhrase(Phrase phrase) {
        for (Note note : phrase.notes()) {
            assertTrue(note.key() >= 0 && note.key() <= 127 && note.velocity() >= 1 && note.velocity() <= 127, phrase.id() + " " + note);
            assertTrue(note.length() > 0 && note.start() >= 0 && note.start() + note.length() <= phrase.beats() + 1e-9, phrase.id() + " " + note);
        }
        assertEquals(phrase.beats() * 60 / phrase.tempo(), phrase.seconds(), 1e-12);
    }

    @Test
    void idsAndNamesAreUnlike() {
        List<Phrase> phrases = all().toList();
        Set<String> ids = new HashSet<>();
        Set<String> names = new HashSet<>();
        for (Phrase phrase : phrases) {
            assertTrue(ids.add(phrase.id()) && names.add(phrase.name()), phrase.id());
        }
        assertThrows(NoSuchElementException.class, () -> Phrases.get("nothing-like-it"));
    }

    /** What the phrases are for: a run through the velocities, one through the octaves, chords where chords are meant. */
    @Test
    void phrasesDoWhatTheirNamesSay() {
        List<Note> soft = Phrases.get("soft-to-hard").notes();
        assertTrue(soft.get(0).velocity() < 20 && soft.get(soft.size() - 1).velocity() == 127);
        assertEquals(1, soft.stream().map(Note::key).distinct().count());
        List<Note> low = Phrases.get("low-to-high").notes();
        assertTrue(low.get(low.size() - 1).key() - low.get(0).key() >= 60);
        assertTrue(Phrases.get("slow-chords").notes().stream().filter(n -> n.start() == 0).count() >= 3);
        assertTrue(Phrases.get("low-steps").notes().stream().allMatch(n -> n.key() < 48), "a bass stays low");
    }

    /** Loops go round: their lengths are whole bars of four beats, and drums and bass end together. */
    @ParameterizedTest
    @ValueSource(strings = {"straight", "half", "broken"})
    void backingsAreWholeBars(String id) {
        Phrase loop = Backings.all().stream().filter(p -> p.id().equals(id)).findFirst().orElseThrow();
        assertEquals(0, loop.beats() % 4, 1e-9);
        Set<Integer> drums = loop.notes().stream().map(Note::key).filter(k -> k < 45).collect(Collectors.toSet());
        assertEquals(Set.of(36, 38, 42), drums, "low drum, snare and hat");
        assertTrue(loop.notes().stream().anyMatch(n -> n.key() >= 45), "a bass");
    }

    /** Each part of the kit sounds, and a backing stays well below the house target of -18 LUFS, so that the patch is in front. */
    @ParameterizedTest
    @ValueSource(ints = {36, 38, 42, 57})
    void theKitSoundsOnEachOfItsKeys(int key) {
        Audio one = new Rendering(48000).render(Backings.kit(), Phrase.single(key, 100, 0.3));
        double peak = 0;
        for (float sample : one.left()) {
            peak = Math.max(peak, Math.abs(sample));
        }
        assertTrue(peak > 0.01 && peak < 1, "peak " + peak);
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2})
    void backingsAreQuiet(int number) {
        double lufs = Loudness.of(new Rendering(48000).render(Backings.kit(), Backings.all().get(number))).integrated();
        assertTrue(lufs < -18 && lufs > -40, "backing of " + lufs + " LUFS");
    }
}
