package gentlecomet.craft.phrase;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.format.Json;
import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.LevelMeasure;
import gentlecomet.craft.rules.RuleValues;
import gentlecomet.sound.performance.Move;
import gentlecomet.sound.performance.Note;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Phrases of a house: what they may be, and how a house's rules know them. */
class OwnPhraseTest {

    private static final OwnPhrase CALL = new OwnPhrase("Rising call", 90, 4, List.of(new Note(62, 80, 0, 1), new Note(69, 110, 1.5, 2.5)), List.of(new Move(1, 0xB0, 1, 64)));

    private static HouseRules house(String heardBy, OwnPhrase... phrases) {
        return HouseRules.DEFAULT.withCategories(List.of(new Category("bell", "Bell", heardBy, LevelMeasure.INTEGRATED, 8, 3)))
                .withConventions(HouseRules.DEFAULT.conventions().withPhrases(List.of(phrases)));
    }

    /** Measurements are kept by it: another name is the same sound, another note is not. */
    @Test
    void anIdFollowsFromWhatIsPlayed() {
        assertEquals(CALL.id(), new OwnPhrase("Other", CALL.tempo(), CALL.beats(), CALL.notes(), CALL.moves()).id());
        for (OwnPhrase other : List.of(new OwnPhrase("Rising call", 91, 4, CALL.notes(), CALL.moves()), new OwnPhrase("Rising call", 90, 5, CALL.notes(), CALL.moves()),
                new OwnPhrase("Rising call", 90, 4, CALL.notes().subList(0, 1), CALL.moves()), new OwnPhrase("Rising call", 90, 4, CALL.notes(), List.of()))) {
            assertNotEquals(CALL.id(), other.id(), other.toString());
        }
        assertTrue(Phrases.all().stream().noneMatch(p -> p.id().startsWith("own-")), "no phrase of the program can be taken for one of a house");
    }

    @Test
    void aCategoryIsHeardByIt() {
        HouseRules house = house(CALL.id(), CALL);
        assertTrue(RuleValues.fault(house).isEmpty());
        assertEquals(CALL.notes(), house.phraseFor("bell").notes());
        assertEquals(CALL.moves(), house.phraseFor("bell").moves());
        assertEquals("Line", house.phraseFor("no such category").name());
        assertEquals(List.of("Rising call", "Line"), house.phrases().stream().limit(2).map(p -> p.name()).toList());
        assertEquals(house, Json.read(Json.compact(house), HouseRules.class), "kept with the rules");
        assertTrue(RuleValues.fault(house(CALL.id())).orElseThrow().message().contains("no phrase"), "its category cannot do without it");
        assertEquals("phraseName", RuleValues.fault(house("line", Collections.nCopies(25, CALL).toArray(OwnPhrase[]::new))).orElseThrow().field());
    }

    /** Data bytes are 0 to 127, and notes with velocity 0 are none (MIDI 1.0). */
    @ParameterizedTest
    @CsvSource({"Call, 10, 4, 62, 80, 0, 1, tempo", "Call, 90, 0, 62, 80, 0, 1, lasts", "Call, 20, 30, 62, 80, 0, 1, at most 60 s", "Call, 90, 4, 128, 80, 0, 1, outside", "Call, 90, 4, 62, 0, 0, 1, outside",
        "Call, 90, 4, 62, 80, 3.5, 1, outside", "Call, 90, 4, 62, 80, -1, 1, outside", "Call, 90, 4, 62, 80, 0, 0, outside", "' ', 90, 4, 62, 80, 0, 1, name", "Call, NaN, 4, 62, 80, 0, 1, tempo"})
    void whatCannotBePlayedIsRefused(String name, double tempo, double beats, int key, int velocity, double start, double length, String words) {
        assertEquals("", CALL.fault());
        String fault = new OwnPhrase(name, tempo, beats, List.of(new Note(key, velocity, start, length)), List.of()).fault();
        assertTrue(fault.contains(words), fault);
    }

    @Test
    void movesThatAreNotesOrProgramsAreRefused() {
        for (int status : List.of(0x90, 0xC0, 0xF0, 0x1B0)) {
            assertTrue(new OwnPhrase("Call", 90, 4, CALL.notes(), List.of(new Move(0, status, 1, 1))).fault().contains("outside"), Integer.toHexString(status));
        }
        assertTrue(new OwnPhrase("Call", 90, 4, List.of(), List.of()).fault().contains("from 1 to 500 notes"));
    }
}
