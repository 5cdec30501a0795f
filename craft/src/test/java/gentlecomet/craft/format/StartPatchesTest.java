package gentlecomet.craft.format;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.check.LooseEnds;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import java.util.List;
import org.junit.jupiter.api.Test;

class StartPatchesTest {

    @Test
    void everyCategoryOfTheHouseHasAStartThatSoundsAndIsDry() {
        Measuring measuring = new Measuring();
        for (Category category : HouseRules.DEFAULT.categories()) {
            Patch start = StartPatches.of(category.id());
            assertEquals(category.id(), start.naming().category());
            Measurement m = measuring.measure(start, Phrases.get(category.phrase()));
            assertTrue(!m.silent() && !m.endless() && m.truePeakDbtp() < -1, category.id() + " " + m);
            assertEquals(List.of(), LooseEnds.of(start), category.id());
            assertTrue(start.value("effect1.type") == 0 && start.value("layer1.effect1.type") == 0, category.id() + " is dry");
        }
    }

    @Test
    void unknownCategoriesStartNeutral() {
        assertEquals(Patch.neutral("New Patch"), StartPatches.of("kazoo"));
        assertEquals(Patch.neutral("New Patch"), StartPatches.of("../bass"));
    }
}
