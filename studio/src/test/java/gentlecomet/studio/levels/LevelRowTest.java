package gentlecomet.studio.levels;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.studio.patch.PatchSummary;
import java.util.List;
import org.junit.jupiter.api.Test;

class LevelRowTest {

    /** What the ceiling breaks is chosen for levelling; what the ceiling holds below the target is not chosen for ever. */
    @Test
    void levelsChooseWhatLevellingWouldChange() {
        assertTrue(row(-18.0, 0.4).toLevel(), "over the ceiling, though at the target");
        assertTrue(row(-21.0, -6).toLevel(), "off the target, with room");
        assertFalse(row(-21.0, -1.0).toLevel(), "off the target, and the ceiling holds it");
        assertFalse(row(-18.2, -6).toLevel(), "within the tolerance");
        assertFalse(row(-120, -120).toLevel(), "silent");
    }

    /** 3 LU are missing under the ceiling: they come from the peaks, and 0.3 dB of care. Ten are more than a limiter may take unheard. */
    @Test
    void whatALimiterWouldTakeIsToldBefore() {
        LevelRow held = row(-21.0, -1.0);
        assertTrue(held.held() && held.relieved());
        assertEquals("3.3 dB", held.peaksText());
        assertFalse(row(-28.0, -1.0).relieved());
        assertFalse(row(-21.0, -6).held(), "there is room");
    }

    private static LevelRow row(double lufs, double peak) {
        return LevelRow.of(new PatchSummary(1, 1, 1, 1, "Plain", "", List.of(), "", "", "", 0, false, ""),
                new Measurement(lufs, lufs + 2, lufs + 1, 3, peak, 60, 0.0, 0.01, 1, false, 2, 900, 0.1, 0), 0, null, HouseRules.DEFAULT);
    }
}
