package gentlecomet.studio.bank;

import static gentlecomet.studio.Token.token;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import gentlecomet.studio.bank.desk.Deed;
import gentlecomet.studio.bank.desk.Desk;
import gentlecomet.studio.bank.desk.StepProgress;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchSummary;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Work on many patches of a bank at once: in one step, taken back and done again, and never half done. */
@StudioTest
class DeskWorkTest extends WebWork {

    @Autowired
    private Desk desk;
    @Autowired
    private Measures measures;
    @Autowired
    private PlatformTransactionManager transactions;
    private List<Long> all;

    @BeforeEach
    void aBankOfFour() {
        begin("Desk", 1);
        all = new ArrayList<>(List.of(id));
        for (int slot = 2; slot <= 4; slot++) {
            all.add(banks.newPatch(bank, slot));
        }
        List<String> names = List.of("Ebb Bell", "Flood Pad", "Slack Water", "Tide Clock");
        IntStream.range(0, 4).forEach(i -> patches.edit(all.get(i), 0, "", new PatchEdit.Rename(names.get(i))));
    }

    private List<String> names() {
        return patches.inBank(bank).stream().map(PatchSummary::name).toList();
    }

    private List<Integer> slots() {
        return patches.inBank(bank).stream().map(PatchSummary::slot).toList();
    }

    private ResultActions undo() throws Exception {
        return send(post("/banks/{id}/desk/undo", bank));
    }

    private ResultActions redo() throws Exception {
        return send(post("/banks/{id}/desk/redo", bank));
    }

    @Test
    void aBulkRenameIsOneStepThatIsTakenBackAndDoneAgain() throws Exception {
        atDesk("rename", all, "way", "pattern", "text", "Marsh {last} {number}", "number", "7").andExpect(status().isOk());
        assertEquals(List.of("Marsh Bell 7", "Marsh Pad 8", "Marsh Water 9", "Marsh Clock 10"), names());
        assertEquals(1, desk.history(collection, 10).size());
        undo().andExpect(status().isOk()).andExpect(content().string(containsString("Taken back: Rename 4 patches as Marsh")));
        assertEquals(List.of("Ebb Bell", "Flood Pad", "Slack Water", "Tide Clock"), names());
        redo().andExpect(status().isOk());
        assertEquals(List.of("Marsh Bell 7", "Marsh Pad 8", "Marsh Water 9", "Marsh Clock 10"), names());
        redo().andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("nothing to do again")));
    }

    @Test
    void namesMayChangePlacesWithEachOther() throws Exception {
        atDesk("rename", List.of(all.get(0), all.get(1)), "way", "list", "text", "Flood Pad\nEbb Bell").andExpect(status().isOk()).andExpect(content().string(not(containsString("same name"))));
        assertEquals(List.of("Flood Pad", "Ebb Bell", "Slack Water", "Tide Clock"), names());
    }

    @Test
    void aPreviewTellsEveryRowAndChangesNothing() throws Exception {
        send(post("/banks/{id}/desk/preview", bank).param("what", "rename").param("way", "replace").param("text", "bell").param("with", "").param("anyCase", "true")
                .param("patch", all.get(0) + ".2").param("patch", all.get(1) + ".2")).andExpect(status().isOk()).andExpect(content().string(containsString("<b class=\"num\">1</b>")))
                .andExpect(content().string(containsString("is not two to four words")));
        assertEquals("Ebb Bell", names().get(0));
        send(post("/banks/{id}/desk/preview", bank).param("what", "rename").param("way", "pattern").param("text", "{nonsense}").param("patch", all.get(0) + ".2"))
                .andExpect(status().isOk()).andExpect(content().string(containsString("placeholders are"))).andExpect(content().string(containsString("data-lacking")));
        send(post("/banks/{id}/desk/preview", bank).param("what", "order").param("way", "name").param("arrangement", "999").param("patch", all.get(0) + ".2"))
                .andExpect(status().isOk()).andExpect(content().string(containsString("have changed places")));
    }

    @Test
    void whatSomebodyElseChangedMeanwhileIsNamedAndLeft() throws Exception {
        String stale = all.get(1) + "." + patches.get(all.get(1)).version();
        patches.edit(all.get(1), 0, "", new PatchEdit.SetValue(Parameters.find("levelTrim"), -3));
        send(post("/banks/{id}/desk", bank).param("what", "categorise").param("category", "bell").param("patch", all.get(0) + ".2").param("patch", stale)).andExpect(status().isOk())
                .andExpect(content().string(containsString("&quot;Flood Pad&quot; was changed in another tab")));
        assertEquals(List.of("bell", ""), patches.inBank(bank).stream().limit(2).map(PatchSummary::category).toList());
        patches.edit(all.get(0), 0, "", new PatchEdit.SetValue(Parameters.find("levelTrim"), -3));
        undo().andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("has been changed since")));
        assertEquals("bell", patches.get(all.get(0)).category());
    }

    @Test
    void anOlderArrangementRearrangesNothing() throws Exception {
        String seen = String.valueOf(places.arrangement(bank));
        atDesk("shift", List.of(all.get(3)), "way", "up").andExpect(status().isOk());
        send(post("/banks/{id}/desk", bank).param("what", "between").param("before", "0").param("patch", all.get(0) + ".2").param("arrangement", seen)).andExpect(status().isConflict())
                .andExpect(content().string(containsString("changed places in another tab")));
        assertEquals(List.of("Ebb Bell", "Flood Pad", "Tide Clock", "Slack Water"), names());
    }

    @Test
    void manyMoveTogetherAndTheGapsClose() throws Exception {
        atDesk("at", List.of(all.get(0), all.get(1)), "toSlot", "100").andExpect(status().isOk());
        assertEquals(List.of(3, 4, 100, 101), slots());
        atDesk("close", List.of()).andExpect(status().isOk());
        assertEquals(List.of("Slack Water", "Tide Clock", "Ebb Bell", "Flood Pad"), names());
        assertEquals(List.of(1, 2, 3, 4), slots());
        undo();
        undo();
        assertEquals(List.of("Ebb Bell", "Flood Pad", "Slack Water", "Tide Clock"), names());
        atDesk("order", List.of(all.get(3), all.get(1), all.get(0)), "way", "NAME").andExpect(status().isOk());
        assertEquals(List.of("Ebb Bell", "Flood Pad", "Slack Water", "Tide Clock"), names());
    }

    @Test
    void deletedPatchesComeBackWithTheirHistoryEvenWhereTheirSlotIsTaken() throws Exception {
        patches.save(all.get(1), 0, "first");
        int steps = patches.history(all.get(1), 100).size();
        atDesk("delete", List.of(all.get(1), all.get(2))).andExpect(status().isOk());
        assertEquals(List.of("Ebb Bell", "Tide Clock"), names());
        assertEquals(2, places.trashed(collection).size());
        banks.newPatch(bank, 2);
        undo().andExpect(status().isOk()).andExpect(content().string(containsString("stands in slot 5, as slot 2 is taken")));
        assertEquals(List.of("Ebb Bell", "New Patch", "Slack Water", "Tide Clock", "Flood Pad"), names());
        assertEquals(1, patches.revisions(all.get(1)).size());
        assertEquals(steps, patches.history(all.get(1), 100).size());
        assertEquals(List.of(), places.trashed(collection));
    }

    @Test
    void aCopyIntoAnotherCollectionObeysItsNamesAndIsTakenBackIntoTheTrash() throws Exception {
        long other = collections.create("Elsewhere");
        long target = collections.banks(other).get(0).id();
        patches.edit(banks.newPatch(target, 1), 0, "", new PatchEdit.Rename("Ebb Bell"));
        atDesk("copy", List.of(all.get(0), all.get(1)), "toBank", "" + target).andExpect(status().isOk());
        assertEquals(List.of("Ebb Bell", "Ebb Bell 2", "Flood Pad"), patches.inBank(target).stream().map(PatchSummary::name).toList());
        atDesk("move", List.of(all.get(0)), "toBank", "" + target).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("copied into another collection")));
        undo().andExpect(status().isOk());
        assertEquals(List.of("Ebb Bell"), patches.inBank(target).stream().map(PatchSummary::name).toList());
        assertEquals(4, names().size());
    }

    /** Another connection has a patch in its hands meanwhile, so that the step cannot go on: the page is told how far it is, and stops it. */
    @Test
    void aStepThatTakesLongIsFollowedAndStopped() throws Exception {
        List<String> before = names();
        String at = new TransactionTemplate(transactions).execute(held -> {
            patches.hold(all);
            try {
                String running = atDeskAtOnce("rename", all, "way", "list", "text", "A\nB\nC\nD").andExpect(status().isOk())
                        .andExpect(content().string(containsString("data-done=\"0\" data-total=\"4\""))).andReturn().getResponse().getContentAsString();
                String found = running.replaceAll("(?s).*data-at=\"([^\"]+)\".*", "$1");
                web.perform(post(found + "/stop").with(token())).andExpect(content().string(containsString("desk-running")));
                return found;
            } catch (Exception e) {
                throw new IllegalStateException(e);
            }
        });
        send(get(at)).andExpect(status().isUnprocessableEntity()).andExpect(content().string("Stopped. Nothing was changed."));
        assertEquals(before, names());
        assertEquals(0, desk.history(collection, 10).size(), "no step in the history");
        send(get("/banks/{id}/desk/running/{step}", bank + 1, at.replaceAll(".*/", ""))).andExpect(status().isNotFound());
    }

    @Test
    void aStepThatIsStoppedTakesBackWhatItHasDoneSoFar() {
        List<String> before = names();
        List<Deed> deeds = all.stream().map(patch -> (Deed) new Deed.Edit(patch, 0, new PatchEdit.Rename("Other " + patch))).toList();
        assertThrows(RefusedException.class, () -> desk.perform(collection, "Rename", deeds, stopped()));
        assertEquals(before, names());
        StepProgress progress = new StepProgress(0);
        desk.perform(collection, "Rename", deeds, progress);
        assertEquals(4, progress.done());
        assertFalse(progress.stop(), "what is done cannot be stopped");
        List<String> renamed = names();
        // One patch is back under its old name when the step notices; it goes forth again.
        assertThrows(RefusedException.class, () -> desk.takeBack(collection, desk.next(collection).orElseThrow(), stopped()));
        assertEquals(renamed, names());
        assertThrows(RefusedException.class, () -> banks.save(Map.of(id, patches.get(id).version()), "", stopped()));
        assertFalse(patches.get(id).saved());
    }

    private static StepProgress stopped() {
        StepProgress progress = new StepProgress(0);
        assertTrue(progress.stop());
        return progress;
    }

    @Test
    void moreThanABankHoldsIsRefusedAndNothingIsHalfDone() throws Exception {
        for (int slot = 5; slot <= 126; slot++) {
            banks.newPatch(bank, slot);
        }
        atDesk("copy", List.of(all.get(0), all.get(1), all.get(2))).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("it has 2 free slots")));
        assertEquals(126, names().size());
    }

    @Test
    void cellsOfASpreadsheetGoDownTheRows() throws Exception {
        atDesk("paste", List.of(all.get(1)), "column", "name", "text", "Salt Pan\tBell\tglass, wide\nNew Cut\tnonsense\t\nWeir Hum\t\tlow\n").andExpect(status().isOk())
                .andExpect(content().string(containsString("no category &quot;nonsense&quot;")));
        assertEquals(List.of("Ebb Bell", "Salt Pan", "Slack Water", "Weir Hum"), names());
        assertEquals(List.of("glass", "wide"), patches.summary(all.get(1)).tags());
        assertEquals("bell", patches.summary(all.get(1)).category());
        undo();
        assertEquals(List.of("Ebb Bell", "Flood Pad", "Slack Water", "Tide Clock"), names());
        assertEquals(List.of(), patches.summary(all.get(1)).tags());
    }

    @Test
    void tagsAreAddedTakenAwayAndReplaced() throws Exception {
        atDesk("tag", all, "way", "add", "text", "salt, Wide").andExpect(status().isOk());
        atDesk("tag", List.of(all.get(0)), "way", "add", "text", "wide, low").andExpect(status().isOk());
        assertEquals(List.of("salt", "Wide", "low"), patches.summary(all.get(0)).tags());
        atDesk("tag", all, "way", "remove", "text", "wide").andExpect(status().isOk());
        assertEquals(List.of("salt", "low"), patches.summary(all.get(0)).tags());
        atDesk("tag", all, "way", "add", "text", String.join(",", Collections.nCopies(1, "x".repeat(31)))).andExpect(status().isUnprocessableEntity());
        assertEquals(List.of("salt"), patches.summary(all.get(3)).tags());
    }

    @Test
    void levellingManyIsOneStepOfTheDeskThatTheLadderTakesBack() throws Exception {
        measures.measure(patches.get(id).patch(), patches.summary(id).soundHash(), collections.get(collection).rules());
        send(post("/banks/{id}/level", bank).param("patch", id + ".2").param("patch", all.get(1) + ".2")).andExpect(status().is3xxRedirection());
        assertTrue(patches.get(id).patch().value("levelTrim") != 0);
        send(get("/banks/{id}/level/last", bank)).andExpect(content().string(containsString("Take back: Level 2 patches")));
        send(post("/banks/{id}/level/undo", bank)).andExpect(status().is3xxRedirection());
        assertEquals(0, patches.get(id).patch().value("levelTrim"));
        send(post("/banks/{id}/level/undo", bank)).andExpect(status().isUnprocessableEntity());
        send(post("/banks/{id}/level", bank)).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("Choose the patches")));
        send(get("/banks/{id}/levels/rows", bank)).andExpect(status().isOk()).andExpect(content().string(containsString("No category")));
    }

    @Test
    void suggestionsAreShownWithTheirReasonsAndNeverAppliedUnasked() throws Exception {
        send(post("/banks/{id}/desk/preview", bank).param("what", "suggest").param("way", "category").param("patch", all.get(0) + ".2")).andExpect(status().isOk());
        send(post("/banks/{id}/desk/preview", bank).param("what", "suggest").param("way", "colour").param("patch", all.get(0) + ".2")).andExpect(content().string(containsString("data-lacking")));
        assertEquals(List.of("", "", "", ""), patches.inBank(bank).stream().map(PatchSummary::category).toList());
        assertEquals(0, desk.history(collection, 10).size());
    }

    @Test
    void aFilterFindsByWordsAndSaysWhatItDoesNotKnow() throws Exception {
        patches.edit(all.get(2), 0, "", new PatchEdit.Tag(List.of("salt")));
        send(get("/banks/{id}/filter", bank).param("line", "tag:salt")).andExpect(status().isOk()).andExpect(content().json("[" + all.get(2) + "]", true));
        send(get("/banks/{id}/filter", bank).param("line", "-tag:salt state:new")).andExpect(content().json("[" + all.get(0) + "," + all.get(1) + "," + all.get(3) + "]", true));
        send(get("/banks/{id}/filter", bank).param("line", "colour:red")).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("not \"colour\"")));
        send(post("/banks/{id}/filters", bank).param("name", "Salty").param("line", "tag:salt")).andExpect(status().isOk()).andExpect(content().string(containsString("Salty")));
        assertTrue(send(get("/banks/{id}", bank)).andReturn().getResponse().getContentAsString().contains("Salty"));
    }
}
