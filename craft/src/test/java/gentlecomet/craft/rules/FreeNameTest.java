package gentlecomet.craft.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FreeNameTest {

    private static HouseRules rules(String pattern, int longest) {
        HouseRules d = HouseRules.DEFAULT;
        return new HouseRules(pattern, "as the house wants it", longest, d.categories(), d.targetLufs(), d.toleranceLu(), d.ceilingDbtp(), d.tuningCents(),
                d.macroNames(), d.fewestMacros(), d.macroDefaults());
    }

    /** 127 copies of one patch fill a bank; none of their names breaks a rule, also where the house allows no numbers. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"[A-Z][a-z]+( [A-Z0-9][a-z0-9]*){1,3} | 24 | New Pad", "[A-Z][a-z]+( [A-Z][a-z]+){1,2} | 24 | New Pad",
        "[A-Z][a-z]+( [A-Z][a-z]+){1,3} | 24 | Winterbourne Halocline Pad", "[A-Z][a-zA-Z0-9 ]+ | 12 | Heron Glass", "[A-Z][a-z]+( [A-Z][a-z]+){1,2} | 20 | New Patch 2"})
    void aBankOfCopiesObeysTheHouse(String pattern, int longest, String first) {
        HouseRules rules = rules(pattern, longest);
        NameRules names = new NameRules(rules);
        List<String> taken = new ArrayList<>(List.of(first));
        for (int i = 0; i < 127; i++) {
            String next = FreeName.of(first, taken, rules);
            List<String> broken = names.check(new gentlecomet.sound.patch.Naming(next, "pad", List.of(), "", ""), taken).stream().map(NameRules.RuleViolation::message).toList();
            assertEquals(List.of(), broken, next);
            taken.add(next);
        }
    }

    @Test
    void aNameThatIsFreeStaysAsItIs() {
        assertEquals("Heron Glass", FreeName.of("Heron Glass", List.of("Heron Bell"), HouseRules.DEFAULT));
        assertEquals("Heron Glass 2", FreeName.of("Heron Glass", List.of("Heron Glass"), HouseRules.DEFAULT));
    }

    @Test
    void aRuleThatNothingObeysStillGivesAFreeName() {
        HouseRules none = rules("Q{64}", 24);
        String name = FreeName.of("Heron Glass", List.of("Heron Glass"), none);
        assertTrue(!name.equals("Heron Glass") && !name.isBlank(), name);
    }
}
