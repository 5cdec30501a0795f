package gentlecomet.craft.edit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Patch;
import org.junit.jupiter.api.Test;

/** What a macro holds, given on. */
class TargetEditsTest {

    private static final Parameter CUTOFF = Parameters.find("layer1.filter1.cutoff");
    private static final Parameter OTHERS = Parameters.find("layer3.filter1.cutoff");

    /** Macro 2 takes the cutoff from 200 Hz to 8 kHz, bent by 40 %. */
    private final Patch patch = new PatchEdit.BendTarget(1, CUTOFF, 0.4).apply(new PatchEdit.SetEnd(1, CUTOFF, true, 8000).apply(
            new PatchEdit.SetEnd(1, CUTOFF, false, 200).apply(new PatchEdit.AddTarget(1, CUTOFF).apply(Patch.neutral("Held")))));

    private static void assertHeld(MacroTarget held) {
        assertEquals(200, held.low());
        assertEquals(8000, held.high());
        assertEquals(0.4, held.bend());
    }

    @Test
    void aTargetMovesToAnotherMacroWithItsEndsAndItsBend() {
        Patch moved = TargetEdits.toMacro(patch, 1, CUTOFF, 4).apply(patch);
        assertNull(moved.targetOf(1, CUTOFF));
        assertHeld(moved.targetOf(4, CUTOFF));
    }

    @Test
    void aTargetIsCopiedToAnotherLayer() {
        PatchEdit edit = TargetEdits.onLayer(patch, 1, CUTOFF, 2);
        Patch copied = edit.apply(patch);
        assertHeld(copied.targetOf(1, CUTOFF));
        assertHeld(copied.targetOf(1, OTHERS));
        assertEquals("Macro 2 holds Layer 3 filter 1: Cutoff as Layer 1 filter 1: Cutoff", edit.label(patch));
    }

    @Test
    void whatCannotBeGivenOnIsRefusedInWords() {
        assertTrue(assertThrows(EditException.class, () -> TargetEdits.toMacro(patch, 0, CUTOFF, 4)).getMessage().contains("does not hold"));
        assertTrue(assertThrows(EditException.class, () -> TargetEdits.toMacro(patch, 1, CUTOFF, 1)).getMessage().contains("already"));
        assertTrue(assertThrows(EditException.class, () -> TargetEdits.toMacro(patch, 1, CUTOFF, 8)).getMessage().contains("macros 1 to 8"));
        assertTrue(assertThrows(EditException.class, () -> TargetEdits.onLayer(patch, 1, CUTOFF, 0)).getMessage().contains("no like in layer 1"));
        assertTrue(assertThrows(EditException.class, () -> TargetEdits.onLayer(patch, 1, CUTOFF, 4)).getMessage().contains("no like in layer 5"));
        Patch twice = TargetEdits.onLayer(patch, 1, CUTOFF, 2).apply(patch);
        assertThrows(EditException.class, () -> TargetEdits.onLayer(twice, 1, CUTOFF, 2).apply(twice), "held already");
    }
}
