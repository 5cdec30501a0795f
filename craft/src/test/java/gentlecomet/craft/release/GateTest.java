package gentlecomet.craft.release;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.rules.Conventions;
import gentlecomet.craft.rules.GateStep;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class GateTest {

    private static final Gate.Standing READY = new Gate.Standing("Ready", true, true, true, true, 0, "keep");

    private static List<String> blocking(List<GateStep> steps, Gate.Standing... patches) {
        return Gate.obstacles("Ann", "CC0", List.of(patches), steps).stream().filter(Gate.Obstacle::blocks).map(Gate.Obstacle::words).toList();
    }

    @Test
    void aReadyPatchHasNothingAgainstIt() {
        assertTrue(READY.ready());
        assertEquals(List.of(), Gate.obstacles("Ann", "CC0", List.of(READY), List.of(GateStep.values())));
    }

    /** One thing each: it blocks where the house says so and warns where it does not. */
    @Test
    void eachObstacleBlocksOrWarnsAsTheHouseHasIt() {
        List<Gate.Standing> one = List.of(new Gate.Standing("A", true, true, false, true, 0, "keep"), new Gate.Standing("B", true, true, true, true, 2, "keep"),
                new Gate.Standing("C", true, true, true, true, null, "keep"), new Gate.Standing("D", true, true, true, false, 0, "keep"),
                new Gate.Standing("E", true, true, true, true, 0, "fix"), new Gate.Standing("F", true, true, true, true, 0, ""),
                new Gate.Standing("G", true, false, true, true, 0, "keep"), new Gate.Standing("H", false, false, true, true, 0, "keep"));
        List<GateStep> steps = List.of(GateStep.NAMES, GateStep.FAULTS, GateStep.UNCHECKED, GateStep.LEVEL, GateStep.NOT_KEPT, GateStep.NOT_HEARD, GateStep.EDITED, GateStep.NEVER_SAVED);
        for (int i = 0; i < one.size(); i++) {
            Gate.Standing patch = one.get(i);
            List<String> words = blocking(List.of(steps.get(i)), READY, patch);
            assertEquals(1, words.size(), patch + " " + words);
            assertTrue(words.get(0).startsWith("1 patch ") && words.get(0).endsWith(": " + patch.name() + "."), words.get(0));
            assertEquals(List.of(), blocking(List.of(), READY, patch), "it warns");
            assertEquals(1, Gate.obstacles("Ann", "CC0", List.of(READY, patch), List.of()).size());
        }
        assertEquals(2, Gate.obstacles(" ", "", List.of(READY), GateStep.usual()).stream().filter(Gate.Obstacle::blocks).count());
    }

    @Test
    void manyAreCountedAndTheFirstFiveNamed() {
        Gate.Standing[] many = IntStream.rangeClosed(1, 7).mapToObj(n -> new Gate.Standing("P" + n, true, true, true, false, 0, "keep")).toArray(Gate.Standing[]::new);
        String words = blocking(GateStep.usual(), many).get(0);
        assertTrue(words.startsWith("7 patches are not at") && words.endsWith("P1, P2, P3, P4, P5 ..."), words);
    }

    /** Rules from before there was a gate to set block what they blocked then. */
    @Test
    void rulesThatSayNothingOfItBlockAsUsual() {
        assertEquals(GateStep.usual(), Conventions.OLDER.gate());
        assertEquals(7, GateStep.usual().size());
    }
}
