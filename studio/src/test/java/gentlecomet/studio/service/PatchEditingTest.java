package gentlecomet.studio.service;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.store.CollectionStore;
import gentlecomet.studio.store.PatchStore;
import gentlecomet.studio.store.PatchStore.PatchRow;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;

@StudioTest
class PatchEditingTest {

    private static final Parameter CUTOFF = Parameters.find("layer1.filter1.cutoff");

    @Autowired
    private PatchEditing editing;
    @Autowired
    private Versions versions;
    @Autowired
    private Banks banks;
    @Autowired
    private CollectionStore collections;
    @Autowired
    private PatchStore patches;
    @Autowired
    private JdbcClient jdbc;
    private long bank;
    private long id;

    @BeforeEach
    void newPatch() {
        bank = collections.banks(banks.create("Editing")).get(0).id();
        id = banks.newPatch(bank, 0);
    }

    private PatchRow cutoff(double hz, String gesture) {
        return editing.edit(id, 0, gesture, new PatchEdit.SetValue(CUTOFF, hz));
    }

    private double cutoff() {
        return editing.get(id).patch().value(CUTOFF.index());
    }

    @Test
    void aGestureOverTwoValuesIsOneStepWithTheWordsOfBoth() {
        Parameter attack = Parameters.find("layer1.amplitude.attack");
        Parameter sustain = Parameters.find("layer1.amplitude.sustain");
        editing.edit(id, 0, "", new PatchEdit.SetValue(attack, 0.2));
        editing.edit(id, 0, "drag", new PatchEdit.SetValue(attack, 0.3));
        editing.edit(id, 0, "drag", new PatchEdit.SetValue(sustain, 40));
        PatchRow row = editing.edit(id, 0, "drag", new PatchEdit.SetValue(attack, 0.5));
        assertEquals("Layer 1 amplitude envelope: Attack 200 ms to 500 ms; Layer 1 amplitude envelope: Sustain 100.0 % to 40.0 %", editing.steps(row).undo());
        Patch before = editing.undo(id, 0).patch();
        assertEquals(0.2, before.value(attack.index()));
        assertEquals(100, before.value(sustain.index()));
    }

    @Test
    void undoAndRedoWalkThroughEveryState() {
        cutoff(1000, "");
        cutoff(500, "");
        assertEquals("Layer 1 filter 1: Cutoff 1.00 kHz to 500.0 Hz", editing.steps(editing.get(id)).undo());
        editing.undo(id, 0);
        assertEquals(1000, cutoff());
        editing.undo(id, 0);
        assertEquals(20000, cutoff());
        editing.undo(id, 0);
        assertEquals(20000, cutoff());
        editing.redo(id, 0);
        editing.redo(id, 0);
        assertEquals(500, cutoff());
        editing.undo(id, 0);
        cutoff(77, "");
        assertEquals("", editing.steps(editing.get(id)).redo());
    }

    @Test
    void aLockedParameterRefusesEditsUntilItIsUnlocked() {
        cutoff(1000, "");
        editing.lock(id, CUTOFF, true);
        editing.lock(id, CUTOFF, true);
        String said = assertThrows(RefusedException.class, () -> cutoff(500, "")).getMessage();
        assertTrue(said.startsWith("Layer 1 filter 1: Cutoff is locked"), said);
        editing.edit(id, 0, "", new PatchEdit.AddTarget(0, Parameters.find("layer1.source1.level")));
        assertEquals(1000, cutoff());
        editing.undo(id, 0);
        editing.undo(id, 0);
        assertEquals(20000, cutoff(), "undo is not held");
        editing.lock(id, CUTOFF, false);
        cutoff(500, "");
        assertEquals(500, cutoff());
    }

    @Test
    void aDragIsOneStep() {
        for (int hz = 1000; hz > 900; hz--) {
            cutoff(hz, "drag 1");
        }
        assertEquals("Layer 1 filter 1: Cutoff 20.00 kHz to 901.0 Hz", editing.steps(editing.get(id)).undo());
        editing.undo(id, 0);
        assertEquals(20000, cutoff());
    }

    @Test
    void anEditOnAnOldStateIsRefusedAndNothingIsLost() {
        long seen = editing.get(id).version();
        cutoff(1000, "");
        assertThrows(ConflictException.class, () -> editing.edit(id, seen, "", new PatchEdit.SetValue(CUTOFF, 50)));
        assertEquals(1000, cutoff());
    }

    @Test
    void aRefusedEditChangesNothing() {
        long version = editing.get(id).version();
        assertThrows(PatchEdit.EditException.class, () -> editing.edit(id, 0, "", new PatchEdit.Rename("")));
        assertEquals(version, editing.get(id).version());
    }

    @Test
    void revisionsAreNumberedAndNeverChange() {
        cutoff(1000, "");
        assertEquals(1, editing.save(id, 0, "first").revision());
        assertTrue(editing.get(id).saved());
        assertEquals(1, editing.save(id, 0, "again").revision());
        cutoff(300, "");
        assertFalse(editing.get(id).saved());
        assertEquals(2, editing.save(id, 0, "").revision());
        assertEquals(1000, versions.bringBack(id, 0, "revision1").patch().value(CUTOFF.index()));
        editing.undo(id, 0);
        assertEquals(300, cutoff());
        assertThrows(DataAccessException.class, () -> jdbc.sql("update revision set note = 'x' where patch_id = :id").param("id", id).update());
    }

    @Test
    void aDeletedPatchIsMissing() {
        banks.delete(id);
        assertThrows(MissingException.class, () -> cutoff(100, ""));
    }

    @Test
    void movingExchangesSlots() {
        long second = banks.newPatch(bank, 0);
        banks.move(second, 1);
        assertEquals(1, editing.get(second).slot());
        assertEquals(2, editing.get(id).slot());
        banks.move(second, 90);
        assertEquals(90, editing.get(second).slot());
        assertThrows(RefusedException.class, () -> banks.move(second, 129));
    }

    @Test
    void copiesGetNamesAndSlotsOfTheirOwn() {
        long copy = banks.duplicate(id);
        assertEquals("New Patch 2", editing.get(copy).name());
        assertEquals(2, editing.get(copy).slot());
        assertEquals(patches.find(id).orElseThrow().soundHash(), patches.find(copy).orElseThrow().soundHash());
    }
}
