package gentlecomet.craft.curate;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.craft.rules.HouseRules;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class RenamingTest {

    private static final Renaming.Subject GLASS = new Renaming.Subject("Heron Glass", "Bell", 7, 2);

    @ParameterizedTest
    @CsvSource({"{name} {number},Heron Glass 12", "{category} {number:3},Bell 012", "{last} {first},Glass Heron", "{slot:2}  {name},07 Heron Glass", "Salt,Salt", "{name}$1\\,Heron Glass$1\\"})
    void namesAreAssembledFromPlaces(String pattern, String wanted) {
        assertEquals(wanted, new Renaming.Assembled(pattern, 10).name(GLASS));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "  ", "{names}", "{name", "name}", "{}", "{number:0}", "{number:12}"})
    void patternsThatCannotBeAreRefusedInWords(String pattern) {
        assertTrue(assertThrows(EditException.class, () -> new Renaming.Assembled(pattern, 1)).getMessage().endsWith("."));
    }

    @Test
    void textIsFoundAsItStands() {
        assertEquals("Heron Pad", new Renaming.Replaced("Glass", "Pad", false).name(GLASS));
        assertEquals("Heron Glass", new Renaming.Replaced("glass", "Pad", false).name(GLASS));
        assertEquals("Heron Pad", new Renaming.Replaced("GLASS", "Pad", true).name(GLASS));
        assertEquals("Heron", new Renaming.Replaced(" Glass", "", false).name(GLASS));
        assertEquals("Heron Glass", new Renaming.Replaced(".*", "x", false).name(GLASS), "no expression, plain text");
        assertThrows(EditException.class, () -> new Renaming.Replaced("", "x", false));
    }

    @ParameterizedTest
    @CsvSource({"WORDS,Salt-Marsh Élan 2b", "SENTENCE,Salt-marsh élan 2b", "CAPITALS,SALT-MARSH ÉLAN 2B", "SMALL,salt-marsh élan 2b"})
    void lettersChangeTheirCase(Renaming.Case letters, String wanted) {
        assertEquals(wanted, letters.name(new Renaming.Subject("sALT-marsh éLAN 2b", "", 1, 0)));
    }

    @Test
    void aListGivesEachItsLineAndLeavesTheRest() {
        Renaming list = new Renaming.Listed(List.of("One Bell", "", " Two Bell "));
        assertEquals("Two Bell", list.name(GLASS));
        assertEquals("Old", list.name(new Renaming.Subject("Old", "", 1, 1)));
        assertEquals("Old", list.name(new Renaming.Subject("Old", "", 1, 3)));
    }

    @Test
    void rulesAreHeldAgainstAllNamesAsTheyWouldStand() {
        List<NewNames.Candidate> chosen = List.of(candidate(1, "Ebb Bell", 0), candidate(2, "Flood Bell", 1));
        Map<Long, String> names = Map.of(1L, "Ebb Bell", 2L, "Flood Bell", 3L, "Tide Clock");
        List<NewNames.NewName> swapped = NewNames.of(chosen, new Renaming.Listed(List.of("Flood Bell", "Ebb Bell")), names, HouseRules.DEFAULT);
        assertEquals(List.of(), swapped.stream().flatMap(n -> n.breaks().stream()).toList(), "they change places");
        List<NewNames.NewName> same = NewNames.of(chosen, new Renaming.Assembled("Salt Bell", 1), names, HouseRules.DEFAULT);
        assertEquals(List.of("Another patch has the same name.", "Another patch has the same name."), same.stream().flatMap(n -> n.breaks().stream()).toList());
        NewNames.NewName taken = NewNames.of(chosen, new Renaming.Listed(List.of("tide clock")), names, HouseRules.DEFAULT).get(0);
        assertEquals(2, taken.breaks().size(), taken.breaks().toString());
        assertTrue(NewNames.of(chosen, new Renaming.Replaced("Ebb Bell", "", false), names, HouseRules.DEFAULT).get(0).fault().contains("Nothing would be left"));
        assertTrue(NewNames.of(chosen, new Renaming.Assembled("{name} " + "x".repeat(64), 1), names, HouseRules.DEFAULT).get(0).fault().contains("at most 64"));
    }

    private static NewNames.Candidate candidate(long id, String name, int position) {
        return new NewNames.Candidate(id, new Renaming.Subject(name, "Bell", 1, position), "bell");
    }
}
