package gentlecomet.craft.curate;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import gentlecomet.craft.edit.PatchEdit.EditException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class ArrangementTest {

    private static final Map<Integer, Long> BANK = Map.of(1, 11L, 2, 12L, 3, 13L, 5, 15L, 8, 18L);

    private static String told(Map<Integer, Long> arrangement) {
        return new TreeMap<>(arrangement).toString();
    }

    @Test
    void aPatchChangesPlacesWithWhatIsInItsWay() {
        Arrangement bank = new Arrangement(8, BANK);
        assertEquals("{1=12, 2=11, 3=13, 5=15, 8=18}", told(bank.shifted(List.of(11L), true)));
        assertEquals("{1=11, 2=12, 4=13, 5=15, 8=18}", told(bank.shifted(List.of(13L), true)), "into a free slot");
        assertEquals("{1=13, 2=11, 3=12, 5=15, 8=18}", told(bank.shifted(List.of(11L, 12L), true)), "a block goes as one");
        assertEquals(told(BANK), told(bank.shifted(List.of(11L, 12L), false)), "nothing lies before slot 1");
        assertEquals(told(BANK), told(bank.shifted(List.of(18L), true)), "nothing lies behind the last slot");
        assertEquals("{1=11, 2=13, 3=12, 5=15, 7=18}", told(bank.shifted(List.of(13L, 18L), false)));
    }

    @Test
    void betweenOthersTheFreeSlotsStayFree() {
        Arrangement bank = new Arrangement(8, BANK);
        assertEquals("{1=12, 2=13, 3=11, 5=15, 8=18}", told(bank.between(List.of(11L), 15L)));
        assertEquals("{1=12, 2=13, 3=15, 5=18, 8=11}", told(bank.between(List.of(11L), null)));
        assertEquals("{1=18, 2=15, 3=11, 5=12, 8=13}", told(bank.between(List.of(18L, 15L), 11L)));
        assertEquals(told(BANK), told(bank.between(List.of(12L), 12L)), "before itself is where it stands");
        assertEquals("{1=11, 2=15, 3=13, 5=12, 8=18}", told(bank.between(List.of(15L, 13L, 12L), 12L)), "before one that goes along: before the next that stays");
    }

    @Test
    void atASlotOthersGoOnToTheNextFreeOnes() {
        Arrangement bank = new Arrangement(8, BANK);
        assertEquals("{1=11, 2=12, 3=18, 4=13, 5=15}", told(bank.at(List.of(18L), 3)));
        assertEquals("{3=13, 5=15, 6=11, 7=12, 8=18}", told(bank.at(List.of(11L, 12L), 6)));
        assertEquals("{1=18, 2=12, 3=13, 5=15, 8=11}", told(bank.at(List.of(11L), 8)), "behind the last slot comes the first");
        assertThrows(EditException.class, () -> bank.at(List.of(11L, 12L), 8));
        assertThrows(EditException.class, () -> bank.at(List.of(11L), 0));
        assertThrows(EditException.class, () -> bank.at(List.of(11L), 9));
    }

    @Test
    void gapsCloseAndOrdersHoldTheirOwnSlots() {
        Arrangement bank = new Arrangement(8, BANK);
        assertEquals("{1=11, 2=12, 3=13, 4=15, 5=18}", told(bank.closed()));
        assertEquals("{1=11, 2=18, 3=13, 5=12, 8=15}", told(bank.ordered(List.of(18L, 12L, 15L))));
        assertEquals(Map.of(15L, 4, 18L, 5), bank.moved(bank.closed()));
    }

    @Test
    void freeSlotsAreTakenFromOneOnAndThenFromTheBeginning() {
        Arrangement bank = new Arrangement(8, BANK);
        assertEquals(List.of(4, 6, 7), bank.free(1));
        assertEquals(List.of(6, 7, 4), bank.free(5));
        assertEquals(List.of(4, 6, 7), bank.free(8));
        assertEquals(List.of(), new Arrangement(2, Map.of(1, 1L, 2, 2L)).free(2));
    }

    /** Whatever is moved wherever: every patch stands in one slot of the bank. */
    @RepeatedTest(40)
    void nothingIsLostOrPlacedTwice(RepetitionInfo run) {
        Random random = new Random(run.getCurrentRepetition());
        Map<Integer, Long> taken = new TreeMap<>();
        for (int slot = 1; slot <= 16; slot++) {
            if (random.nextInt(3) > 0) {
                taken.put(slot, 100L + slot);
            }
        }
        List<Long> chosen = new ArrayList<>(taken.values());
        Collections.shuffle(chosen, random);
        chosen = chosen.subList(0, Math.min(chosen.size(), 1 + random.nextInt(4)));
        Arrangement bank = new Arrangement(16, taken);
        List<Map<Integer, Long>> all = new ArrayList<>(List.of(bank.shifted(chosen, true), bank.shifted(chosen, false), bank.closed(), bank.ordered(chosen), bank.between(chosen, null),
                bank.at(chosen, 1 + random.nextInt(16 - chosen.size() + 1))));
        taken.values().forEach(before -> all.add(bank.between(List.of(taken.values().iterator().next()), before)));
        for (Map<Integer, Long> result : all) {
            assertEquals(new HashSet<>(taken.values()), new HashSet<>(result.values()), result.toString());
            assertEquals(taken.size(), result.size());
            assertEquals(Set.of(), outside(result));
        }
    }

    private static Set<Integer> outside(Map<Integer, Long> result) {
        Set<Integer> outside = new HashSet<>(result.keySet());
        outside.removeIf(slot -> slot >= 1 && slot <= 16);
        return outside;
    }
}
