package gentlecomet.craft.level;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import org.junit.jupiter.api.Test;

class PeakReliefTest {

    private static final HouseRules HOUSE = HouseRules.DEFAULT;
    private final Measuring measuring = new Measuring();

    private static Patch with(Patch patch, String parameter, double value) {
        return patch.withValue(Parameters.find(parameter), value);
    }

    private Measurement measure(Patch patch) {
        return measuring.measure(patch, Phrases.get(HOUSE.phraseOf(patch.naming().category())));
    }

    /** A struck sine: its peaks stand high above its loudness. */
    private static Patch struck() {
        Patch patch = with(Patch.neutral("Struck"), "layer1.amplitude.sustain", 0);
        patch = with(patch, "layer1.amplitude.decay", 0.07);
        return patch.withNaming(patch.naming().withCategory("pluck"));
    }

    @Test
    void aPatchThatItsPeaksHoldReachesTheTargetUnderTheCeiling() {
        Patch struck = struck();
        Measurement before = measure(struck);
        Levelling.Proposal held = Levelling.propose(struck, before, HOUSE);
        assertTrue(held.words().startsWith("The ceiling"), held.toString());
        PeakRelief.Relief relief = PeakRelief.of(struck, before, HOUSE);
        Measurement after = measure(relief.patch());
        assertTrue(after.truePeakDbtp() <= HOUSE.ceilingDbtp() + 0.1, "true peak " + after.truePeakDbtp());
        // What is taken from the peaks is missing from the loudness too, so most of the way is gone and a second levelling knows what is left.
        assertTrue(after.integratedLufs() > held.reachedLufs() + 0.5 * held.shortByLu(), held.reachedLufs() + " to " + after.integratedLufs());
        assertEquals(held.shortByLu() + 0.3, relief.takenDb(), 0.01);
    }

    @Test
    void whatNeedsNoneAndWhatWouldLoseTooMuchIsRefused() {
        Patch steady = Patch.neutral("Steady");
        assertThrows(EditException.class, () -> PeakRelief.of(steady, measure(steady), HOUSE));
        Patch click = with(with(struck(), "layer1.amplitude.decay", 0.004), "layer1.amplitude.release", 0.004);
        assertTrue(assertThrows(EditException.class, () -> PeakRelief.of(click, measure(click), HOUSE)).getMessage().contains("change the sound itself"));
    }
}
