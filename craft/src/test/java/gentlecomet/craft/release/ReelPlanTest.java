package gentlecomet.craft.release;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.sound.patch.Patch;
import java.util.List;
import org.junit.jupiter.api.Test;

class ReelPlanTest {

    private static ReleasePatch patch(int slot, String name, String category, double brightness) {
        Patch patch = Patch.neutral(name);
        patch = patch.withNaming(patch.naming().withCategory(category));
        return new ReleasePatch(new ReleaseBank(0, "A", 0, 0), new CollectionFile.Slot(slot, patch), 1,
                new Measurement(-18, -18, -18, 2, -6, 60, 0.0, 0.01, 0.5, false, 1.5, brightness, 0.01, 0.1));
    }

    private static final List<ReleasePatch> PATCHES = List.of(patch(1, "Weir", "pad", 900), patch(2, "alder", "bass", 2500), patch(3, "Beck", "pad", 300));

    private static List<String> names(ReelPlan.Order order) {
        return order.of(PATCHES).stream().map(p -> p.slot().patch().name()).toList();
    }

    @Test
    void eachOrderPutsFirstWhatItSays() {
        assertEquals(List.of("Weir", "alder", "Beck"), names(ReelPlan.Order.BANK));
        assertEquals(List.of("alder", "Weir", "Beck"), names(ReelPlan.Order.CATEGORY));
        assertEquals(List.of("alder", "Beck", "Weir"), names(ReelPlan.Order.NAME));
        assertEquals(List.of("Beck", "Weir", "alder"), names(ReelPlan.Order.BRIGHTNESS));
    }

    @Test
    void lengthsThatMakeNoReelAreRefused() {
        for (double seconds : new double[] {0, 1.9, 30.1, Double.NaN}) {
            assertThrows(IllegalArgumentException.class, () -> new ReelPlan(ReelPlan.Order.BANK, seconds));
        }
    }
}
