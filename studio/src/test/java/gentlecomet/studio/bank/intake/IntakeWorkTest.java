package gentlecomet.studio.bank.intake;

import static org.awaitility.Awaitility.await;
import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.format.ZipFormat;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.patch.PatchSummary;
import java.time.Duration;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockMultipartFile;

/** Releases that are brought, on the real database: looked at, and taken whole or not at all. */
@StudioTest
class IntakeWorkTest extends WebWork {

    private static final Pattern ID = Pattern.compile("/imports/(\\d+)/take");

    @Autowired
    private JdbcClient jdbc;

    @BeforeEach
    void threePatches() {
        begin("Intake", 0);
        named(id, "Reed Bed");
        named(banks.newPatch(bank, 0), "Weir Hum");
    }

    private void named(long patch, String name) {
        patches.edit(patch, 0, "", new PatchEdit.Rename(name));
        patches.save(patch, 0, "");
    }

    /** Reed Bed as it is here, Weir Hum otherwise, and a patch in a bank that is not here. */
    private byte[] release() {
        Patch other = patch("Weir Hum").withValue(Parameters.find("layer1.source1.level"), -20);
        CollectionFile file = new CollectionFile("Other Kit", "Ann", "CC0", HouseRules.DEFAULT, List.of(
                new CollectionFile.Bank("Bank A", List.of(new CollectionFile.Slot(1, patch("Reed Bed")), new CollectionFile.Slot(2, other))),
                new CollectionFile.Bank("Bank High", 3, 4, List.of(new CollectionFile.Slot(9, Patch.neutral("Salt Pan"))))));
        return ZipFormat.write(CollectionFormat.write(file));
    }

    private Patch patch(String name) {
        return patches.inCollection(collection).stream().filter(p -> p.name().equals(name)).map(p -> patches.get(p.id()).patch()).findFirst().orElseThrow();
    }

    private long brought(byte[] content) throws Exception {
        String page = send(multipart("/imports").file(new MockMultipartFile("file", "kit.zip", "application/zip", content))).andExpect(status().isOk())
                .andReturn().getResponse().getContentAsString();
        Matcher id = ID.matcher(page);
        assertTrue(id.find(), page);
        return Long.parseLong(id.group(1));
    }

    private String taken(long intake, long into, String changed) throws Exception {
        send(post("/imports/" + intake + "/take").param("into", String.valueOf(into)).param("changed", changed)).andExpect(status().isOk());
        return await().atMost(Duration.ofSeconds(30)).until(() -> send(get("/imports/" + intake)).andReturn().getResponse().getContentAsString(), page -> !page.contains("Importing"));
    }

    private List<String> names() {
        return patches.inCollection(collection).stream().map(PatchSummary::name).sorted().toList();
    }

    @Test
    void whatWouldComeInIsToldFirst() throws Exception {
        long intake = brought(release());
        String page = send(get("/imports/" + intake + "/look").param("into", String.valueOf(collection))).andReturn().getResponse().getContentAsString();
        String plain = page.replaceAll("<[^>]*>", "").replaceAll("\\s+", " ");
        assertTrue(plain.contains("1 new Salt Pan") && plain.contains("1 the same as here") && plain.contains("1 of a name that is here with another content Weir Hum"), plain);
        assertEquals(List.of("Reed Bed", "Weir Hum"), names());
    }

    @Test
    void equalPatchesAreRecognisedAndOthersKeptAsTheyAreUnlessSaid() throws Exception {
        assertTrue(taken(brought(release()), collection, "KEEP").contains("1 patch came in, 2 patches stayed as they were."));
        assertEquals(List.of("Reed Bed", "Salt Pan", "Weir Hum"), names());
        BankRow high = collections.banks(collection).get(1);
        assertEquals("Bank High", high.name());
        assertEquals(9, patches.inBank(high.id()).get(0).slot());
        assertTrue(taken(brought(release()), collection, "KEEP").contains("0 patches came in, 3 patches stayed as they were."), "a second time nothing is new");
    }

    @Test
    void thoseOfTheSameNameBecomeAsTheReleaseHasThemAndGoBackByUndo() throws Exception {
        long hum = patches.inCollection(collection).stream().filter(p -> p.name().equals("Weir Hum")).findFirst().orElseThrow().id();
        assertTrue(taken(brought(release()), collection, "TAKE").contains("1 patch became as the release has it"));
        assertEquals(-20, patches.get(hum).patch().value("layer1.source1.level"));
        assertTrue(patches.get(hum).saved());
        patches.undo(hum, 0);
        assertEquals(-12, patches.get(hum).patch().value("layer1.source1.level"));
    }

    @Test
    void thoseOfTheSameNameCanComeInBesideThem() throws Exception {
        assertTrue(taken(brought(release()), collection, "BESIDE").contains("2 patches came in"));
        assertEquals(4, names().size());
        assertEquals(1, names().stream().filter(n -> n.equals("Weir Hum")).count());
    }

    @Test
    void aCollectionOfItsOwnTakesAllAndItsBankNumbers() throws Exception {
        long intake = brought(release());
        assertTrue(taken(intake, 0, "KEEP").contains("Taken as a collection of its own, 3 patches"));
        long made = jdbc.sql("select max(id) from collection").query(Long.class).single();
        BankRow high = collections.banks(made).get(1);
        assertEquals(3, high.msb());
        assertEquals(4, high.lsb());
        assertEquals(0L, jdbc.sql("select count(*) from intake_piece where intake_id = :id").param("id", intake).query(Long.class).single(), "the archive is not kept any longer");
    }

    /** 127 slots are taken, two more would come: nothing of it comes in, and it is said why. */
    @Test
    void whatDoesNotFitIsNotTakenInHalf() throws Exception {
        for (int slot = 3; slot <= 128; slot++) {
            patches.insert(bank, slot, Patch.neutral("Filler " + slot), "test");
        }
        List<String> before = names();
        CollectionFile file = new CollectionFile("Other Kit", "Ann", "CC0", HouseRules.DEFAULT, List.of(new CollectionFile.Bank("Aside", List.of(new CollectionFile.Slot(1, Patch.neutral("Early Bird")))),
                new CollectionFile.Bank("Bank A", List.of(new CollectionFile.Slot(1, Patch.neutral("One Too Many"))))));
        String page = taken(brought(ZipFormat.write(CollectionFormat.write(file))), collection, "KEEP");
        assertTrue(page.contains("Nothing was taken") && page.contains("no free slot"), page);
        assertEquals(before, names());
        assertEquals(1, collections.banks(collection).size());
    }

    @Test
    void filesThatAreNoReleaseAreRefusedInWords() throws Exception {
        send(multipart("/imports").file(new MockMultipartFile("file", "kit.zip", "application/zip", new byte[] {1, 2}))).andExpect(status().isUnprocessableEntity())
                .andExpect(content().string(containsString("kit.zip")));
        send(multipart("/imports").file(new MockMultipartFile("file", "kit.zip", "application/zip", new byte[0]))).andExpect(status().isUnprocessableEntity())
                .andExpect(content().string(containsString("Choose a release")));
        send(post("/imports/999999999/take").param("into", "0")).andExpect(status().isNotFound());
    }
}
