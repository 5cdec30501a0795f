package gentlecomet.studio.patch;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.bank.Banks;
import gentlecomet.studio.bench.version.Versions;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.ConflictException;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.page.RefusedException;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;

@StudioTest
class PatchesTest {

    private static final Parameter CUTOFF = Parameters.find("layer1.filter1.cutoff");

    @Autowired
    private Patches patches;
    @Autowired
    private Versions versions;
    @Autowired
    private Banks banks;
    @Autowired
    private Collections collections;
    @Autowired
    private PatchPlaces places;
    @Autowired
    private JdbcClient jdbc;
    private long bank;
    private long id;

    @BeforeEach
    void newPatch() {
        bank = collections.banks(collections.create("Editing")).get(0).id();
        id = banks.newPatch(bank, 0);
    }

    private PatchRow cutoff(double hz, String gesture) {
        return patches.edit(id, 0, gesture, new PatchEdit.SetValue(CUTOFF, hz));
    }

    private double cutoff() {
        return patches.get(id).patch().value(CUTOFF.index());
    }

    @Test
    void aGestureOverTwoValuesIsOneStepWithTheWordsOfBoth() {
        Parameter attack = Parameters.find("layer1.amplitude.attack");
        Parameter sustain = Parameters.find("layer1.amplitude.sustain");
        patches.edit(id, 0, "", new PatchEdit.SetValue(attack, 0.2));
        patches.edit(id, 0, "drag", new PatchEdit.SetValue(attack, 0.3));
        patches.edit(id, 0, "drag", new PatchEdit.SetValue(sustain, 40));
        PatchRow row = patches.edit(id, 0, "drag", new PatchEdit.SetValue(attack, 0.5));
        assertEquals("Layer 1 amplitude envelope: Attack 200 ms to 500 ms; Layer 1 amplitude envelope: Sustain 100.0 % to 40.0 %", patches.steps(row).undo());
        Patch before = patches.undo(id, 0).patch();
        assertEquals(0.2, before.value(attack.index()));
        assertEquals(100, before.value(sustain.index()));
    }

    @Test
    void undoAndRedoWalkThroughEveryState() {
        cutoff(1000, "");
        cutoff(500, "");
        assertEquals("Layer 1 filter 1: Cutoff 1.00 kHz to 500.0 Hz", patches.steps(patches.get(id)).undo());
        patches.undo(id, 0);
        assertEquals(1000, cutoff());
        patches.undo(id, 0);
        assertEquals(20000, cutoff());
        patches.undo(id, 0);
        assertEquals(20000, cutoff());
        patches.redo(id, 0);
        patches.redo(id, 0);
        assertEquals(500, cutoff());
        patches.undo(id, 0);
        cutoff(77, "");
        assertEquals("", patches.steps(patches.get(id)).redo());
    }

    @Test
    void aLockedParameterRefusesEditsUntilItIsUnlocked() {
        cutoff(1000, "");
        patches.lock(id, CUTOFF, true);
        patches.lock(id, CUTOFF, true);
        String said = assertThrows(RefusedException.class, () -> cutoff(500, "")).getMessage();
        assertTrue(said.startsWith("Layer 1 filter 1: Cutoff is locked"), said);
        patches.edit(id, 0, "", new PatchEdit.AddTarget(0, Parameters.find("layer1.source1.level")));
        assertEquals(1000, cutoff());
        patches.undo(id, 0);
        patches.undo(id, 0);
        assertEquals(20000, cutoff(), "undo is not held");
        patches.lock(id, CUTOFF, false);
        cutoff(500, "");
        assertEquals(500, cutoff());
    }

    @Test
    void aDragIsOneStep() {
        for (int hz = 1000; hz > 900; hz--) {
            cutoff(hz, "drag 1");
        }
        assertEquals("Layer 1 filter 1: Cutoff 20.00 kHz to 901.0 Hz", patches.steps(patches.get(id)).undo());
        patches.undo(id, 0);
        assertEquals(20000, cutoff());
    }

    @Test
    void anEditOnAnOldStateIsRefusedAndNothingIsLost() {
        long seen = patches.get(id).version();
        cutoff(1000, "");
        assertThrows(ConflictException.class, () -> patches.edit(id, seen, "", new PatchEdit.SetValue(CUTOFF, 50)));
        assertEquals(1000, cutoff());
    }

    @Test
    void aRefusedEditChangesNothing() {
        long version = patches.get(id).version();
        assertThrows(PatchEdit.EditException.class, () -> patches.edit(id, 0, "", new PatchEdit.Rename("")));
        assertEquals(version, patches.get(id).version());
    }

    @Test
    void revisionsAreNumberedAndNeverChange() {
        cutoff(1000, "");
        assertEquals(1, patches.save(id, 0, "first").revision());
        assertTrue(patches.get(id).saved());
        assertEquals(1, patches.save(id, 0, "again").revision());
        cutoff(300, "");
        assertFalse(patches.get(id).saved());
        assertEquals(2, patches.save(id, 0, "").revision());
        assertEquals(1000, versions.bringBack(id, 0, "revision1").patch().value(CUTOFF.index()));
        patches.undo(id, 0);
        assertEquals(300, cutoff());
        assertThrows(DataAccessException.class, () -> jdbc.sql("update revision set note = 'x' where patch_id = :id").param("id", id).update());
    }

    @Test
    void aDeletedPatchIsMissing() {
        places.put(java.util.Collections.singletonMap(id, null));
        assertThrows(MissingException.class, () -> cutoff(100, ""));
    }
}
