package gentlecomet.studio.bank;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Intake;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Placement;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** The rows of a bank: where patches stand, what they are called, what is saved. */
@StudioTest
class BankWorkTest extends WebWork {

    @Autowired
    private Intake intake;

    @BeforeEach
    void onePatchInSlotThree() {
        begin("Rows", 3);
    }

    private List<String> slots() {
        return patches.inBank(bank).stream().map(r -> r.slot() + " " + r.name()).toList();
    }

    private void detune(long patch, double cents) {
        patches.edit(patch, 0, "", new PatchEdit.SetValue(Parameters.find("layer1.source1.cents"), cents));
    }

    private PatchRow newStart(String category) throws Exception {
        String to = send(post("/banks/{id}/patches", bank).param("start", category)).andExpect(status().is3xxRedirection()).andReturn().getResponse().getRedirectedUrl();
        return patches.get(Long.parseLong(to.substring(to.lastIndexOf('/') + 1)));
    }

    /** A patch of the house is where new ones of its category begin, at the house's loudness; in the trash it is not, and asked for twice it is not either. */
    @Test
    void aPatchOfTheHouseIsTheStartOfItsCategory() throws Exception {
        detune(id, 7);
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("layer1.source1.level"), -30));
        send(post("/patches/{id}/start", id)).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("no category")));
        patches.edit(id, 0, "", new PatchEdit.Categorise("bell"));
        send(post("/patches/{id}/start", id)).andExpect(status().isOk()).andExpect(jsonPath("$.said").value("New patches of Bell begin as New Patch is.")).andExpect(jsonPath("$.names.bell").value("New Patch"));
        web.perform(get("/banks/{id}", bank)).andExpect(content().string(containsString("start for Bell: New Patch")));
        PatchRow begun = newStart("bell");
        assertEquals(7, begun.patch().value("layer1.source1.cents"));
        assertEquals("New Bell", begun.name());
        double loudest = new Measuring().measure(begun.patch(), HouseRules.DEFAULT.phraseFor("bell")).momentaryMaxLufs();
        assertEquals(HouseRules.DEFAULT.targetLufs(), loudest, HouseRules.DEFAULT.toleranceLu(), "bells are levelled by their loudest moment");
        assertEquals(0, newStart("bass").patch().value("layer1.source1.cents"), "other categories begin as they did");
        delete(id);
        assertEquals(0, newStart("bell").patch().value("layer1.source1.cents"), "what lies in the trash is no start");
        places.put(Map.of(id, new Placement(bank, 90)));
        assertEquals(7, newStart("bell").patch().value("layer1.source1.cents"));
        send(post("/patches/{id}/start", id)).andExpect(jsonPath("$.said").value(containsString("as the program has them")));
        assertEquals(0, newStart("bell").patch().value("layer1.source1.cents"));
    }

    /** A start goes with its collection: into a copy within the program, and through files. */
    @Test
    void aStartGoesWithItsCollection() throws Exception {
        detune(id, 7);
        patches.edit(id, 0, "", new PatchEdit.Categorise("bell"));
        send(post("/patches/{id}/start", id)).andExpect(status().isOk());
        CollectionRow own = collections.get(collection);
        CollectionFile file = new CollectionFile("Taken", "", "", own.rules(), List.of(new CollectionFile.Bank("A", List.of(new CollectionFile.Slot(1, patches.get(id).patch(), true)))));
        for (long other : List.of(intake.duplicate(own), intake.take(CollectionFormat.read(CollectionFormat.write(file))))) {
            bank = collections.banks(other).get(0).id();
            assertEquals(7, newStart("bell").patch().value("layer1.source1.cents"));
            assertEquals(0, newStart("bass").patch().value("layer1.source1.cents"));
        }
    }

    @Test
    void aCopyStandsInTheNextFreeSlotUnderANameOfItsOwnWithTheSameSound() throws Exception {
        detune(id, 7);
        atDesk("copy", List.of(id)).andExpect(status().isOk()).andExpect(content().string(containsString("New Patch 2")));
        assertEquals(List.of("3 New Patch", "4 New Patch 2"), slots());
        PatchSummary copy = patches.inBank(bank).get(1);
        assertEquals(patches.get(id).soundHash(), copy.soundHash());
        detune(copy.id(), 9);
        assertEquals(7, patches.get(id).patch().value("layer1.source1.cents"), "the first one stays as it is");
        atDesk("copy", List.of(copy.id())).andExpect(status().isOk());
        assertEquals("5 New Patch 3", slots().get(2));
    }

    @Test
    void aPatchMovesAndChangesPlacesWithTheOneInItsWay() throws Exception {
        long other = banks.newPatch(bank, 4);
        atDesk("shift", List.of(id), "way", "down").andExpect(status().isOk());
        assertEquals(List.of("3 New Patch 2", "4 New Patch"), slots());
        atDesk("at", List.of(id), "toSlot", "128").andExpect(status().isOk());
        assertEquals(List.of("3 New Patch 2", "128 New Patch"), slots());
        for (String wrong : List.of("0", "129", "-5")) {
            atDesk("at", List.of(other), "toSlot", wrong).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("slots 1 to " + CollectionFormat.SLOTS)));
        }
        assertEquals(List.of("3 New Patch 2", "128 New Patch"), slots());
    }

    @Test
    void afterTheLastSlotTheFirstFreeOneIsTaken() throws Exception {
        long last = banks.newPatch(bank, 128);
        atDesk("copy", List.of(last)).andExpect(status().isOk());
        assertTrue(slots().get(0).startsWith("1 "), slots().toString());
    }

    @Test
    void aFullBankRefusesOneMore() throws Exception {
        for (int slot = 1; slot <= CollectionFormat.SLOTS; slot++) {
            if (slot != 3) {
                banks.newPatch(bank, slot);
            }
        }
        atDesk("copy", List.of(id)).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("it has 0 free slots")));
        send(post("/banks/{id}/patches", bank)).andExpect(status().isUnprocessableEntity());
        send(get("/banks/{id}/rows", bank)).andExpect(status().isOk()).andExpect(content().string(containsString("New Patch 128")));
        assertEquals(CollectionFormat.SLOTS, slots().size());
    }

    @Test
    void nameAndCategoryAreEditsOfTheRowThatCanBeUndone() throws Exception {
        atDesk("rename", List.of(id), "way", "one", "text", "Tide Clock").andExpect(status().isOk()).andExpect(content().string(containsString("Tide Clock")));
        atDesk("categorise", List.of(id), "category", "bell").andExpect(status().isOk());
        assertEquals("bell", patches.get(id).category());
        atDesk("categorise", List.of(id), "category", "x".repeat(500)).andExpect(status().isUnprocessableEntity());
        assertEquals("bell", patches.get(id).category());
        patches.undo(id, 0);
        patches.undo(id, 0);
        assertEquals("New Patch", patches.get(id).name());
    }

    @Test
    void savingKeepsRevisionsOfWhatHasChanged() throws Exception {
        long other = banks.newPatch(bank, 5);
        save(shown(id)).andExpect(status().isOk());
        assertTrue(patches.get(id).saved());
        assertEquals(1, patches.get(id).revision());
        assertFalse(patches.get(other).saved());
        save(shown(id), shown(other)).andExpect(status().isOk());
        assertEquals(1, patches.get(id).revision(), "unchanged since, so no second revision");
        assertEquals(1, patches.get(other).revision());
        detune(id, 3);
        save(shown(id)).andExpect(status().isOk());
        assertEquals(2, patches.get(id).revision());
    }

    private ResultActions save(String... shown) throws Exception {
        return send(post("/banks/{id}/save", bank).param("note", "Before the round").param("patch", shown));
    }

    @Test
    void aDeletedPatchIsGoneAndItsAddressSaysSo() throws Exception {
        String shown = shown(id);
        atDesk("delete", List.of(id)).andExpect(status().isOk());
        assertEquals(List.of(), slots());
        send(get("/patches/{id}", id)).andExpect(status().isNotFound());
        send(post("/banks/{id}/desk", bank).param("what", "delete").param("patch", shown)).andExpect(status().isUnprocessableEntity())
                .andExpect(content().string(containsString("no longer in this bank")));
        save(shown).andExpect(status().isNotFound());
    }

    @Test
    void aNewPatchBeginsNeutralOrAsTheStartOfItsCategory() throws Exception {
        send(post("/banks/{id}/patches", bank).param("slot", "9")).andExpect(status().is3xxRedirection());
        send(post("/banks/{id}/patches", bank).param("slot", "10").param("start", "bass")).andExpect(status().is3xxRedirection());
        PatchSummary neutral = patches.inBank(bank).get(1);
        PatchSummary bass = patches.inBank(bank).get(2);
        assertEquals(patches.get(id).soundHash(), neutral.soundHash());
        assertEquals("bass", bass.category());
        assertFalse(bass.soundHash().equals(neutral.soundHash()));
    }

    private String shown(long patch) {
        return patch + "." + patches.get(patch).version();
    }

    @Test
    void aStaleTabTakesNothingBack() throws Exception {
        String old = String.valueOf(patches.get(id).version());
        String shown = shown(id);
        patches.edit(id, 0, "", new PatchEdit.Rename("Tide Clock"));
        for (String path : List.of("undo", "redo")) {
            send(post("/patches/{id}/" + path, id).param("version", old)).andExpect(status().isConflict());
        }
        for (String what : List.of("rename", "categorise", "tag", "sign")) {
            send(post("/banks/{id}/desk", bank).param("what", what).param("patch", shown).param("way", what.equals("tag") ? "add" : "one").param("text", "Other Name").param("category", "bell"))
                    .andExpect(status().isConflict());
        }
        send(post("/banks/{id}/save", bank).param("patch", shown)).andExpect(status().isConflict());
        assertEquals("Tide Clock", patches.get(id).name());
        assertEquals(0, patches.get(id).revision());
        send(post("/patches/{id}/undo", id)).andExpect(status().isBadRequest());
    }

    @Test
    void slotsThatDoNotExistOrAreTakenAreRefusedInWords() throws Exception {
        for (String slot : List.of("500", "-1", "129")) {
            send(post("/banks/{id}/patches", bank).param("slot", slot)).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("slots 1 to 128")));
        }
        int taken = patches.get(id).slot();
        send(post("/banks/{id}/patches", bank).param("slot", "" + taken)).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("is taken")));
        atDesk("rename", List.of(id), "way", "one", "text", "Tide\u0000Clock").andExpect(status().isUnprocessableEntity());
        atDesk("categorise", List.of(id), "category", "be\u0000ll").andExpect(status().isUnprocessableEntity());
    }

    @Test
    void levelsShowOnlyThisBanksPatches() throws Exception {
        send(get("/banks/{id}/levels/rows", bank)).andExpect(status().isOk()).andExpect(content().string(containsString("New Patch")));
        send(get("/banks/{id}/levels/rows", 999999)).andExpect(status().isNotFound());
    }

    private MockHttpServletRequestBuilder files(Map<String, String> contents) {
        var request = org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart("/banks/{id}/files", bank);
        contents.forEach((name, text) -> request.file(new org.springframework.mock.web.MockMultipartFile("file", name, "application/json", text.getBytes(java.nio.charset.StandardCharsets.UTF_8))));
        return request;
    }

    @Test
    void filesAreTakenTogetherOrNotAtAll() throws Exception {
        String good = PatchFormat.write(Patch.neutral("Withy"));
        send(files(Map.of("Kit/good.json", good, "Kit/bad.json", good.replace("\"version\": 3", "\"version\": 99")))).andExpect(status().isUnprocessableEntity())
                .andExpect(content().string(containsString("Kit/bad.json.version: expected 1 to")));
        assertEquals(List.of("3 New Patch"), slots());
        send(files(Map.of("Kit/good.json", good))).andExpect(status().isOk());
        assertEquals(List.of("1 Withy", "3 New Patch"), slots());
        assertEquals("From the file good.json", patches.history(patches.inBank(bank).get(0).id(), 1).get(0).label());
        send(files(Map.of())).andExpect(status().isUnprocessableEntity());
    }

    @Test
    void moreFilesThanFreeSlotsAreNotTaken() throws Exception {
        Map<String, String> many = new TreeMap<>();
        for (int i = 0; i < CollectionFormat.SLOTS; i++) {
            many.put("p" + i + ".json", PatchFormat.write(Patch.neutral("Flood " + i)));
        }
        send(files(many)).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("128 patches do not fit: this bank has 127 free slots")));
        assertEquals(List.of("3 New Patch"), slots());
    }
}
