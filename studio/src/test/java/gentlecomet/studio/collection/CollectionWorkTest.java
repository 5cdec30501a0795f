package gentlecomet.studio.collection;

import static org.awaitility.Awaitility.await;
import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.ZipFormat;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.release.ReleaseChoice;
import gentlecomet.studio.release.ReleaseRow;
import gentlecomet.studio.release.Releases;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** Each page's work, request by request, on the real database. */
@StudioTest
class CollectionWorkTest extends WebWork {

    @Autowired
    private Measures measures;
    @Autowired
    private Releases releases;

    @BeforeEach
    void newCollection() {
        begin("Work", 3);
    }

    private Measurement measure() {
        PatchRow row = patches.get(id);
        return measures.measure(row.patch(), row.soundHash(), collections.get(collection).rules());
    }

    @Test
    void everyPageIsThereWithAndWithoutPatches() throws Exception {
        List<String> pages = List.of("/collections/" + collection, "/collections/" + collection + "/rules", "/banks/" + bank, "/banks/" + bank + "/levels",
                "/banks/" + bank + "/soundcheck", "/banks/" + bank + "/listening", "/collections/" + collection + "/releases");
        for (String page : pages) {
            web.perform(get(page)).andExpect(status().isOk()).andExpect(content().string(containsString("Work")));
        }
        delete(id);
        for (String page : pages) {
            web.perform(get(page)).andExpect(status().isOk());
        }
    }

    @Test
    void aMeasurementIsKeptWholeAndSurvivesARename() {
        Measurement m = measure();
        assertEquals(new Measuring().measure(patches.get(id).patch(), Phrases.get("line")), m);
        patches.edit(id, 0, "", new PatchEdit.Rename("Other Name"));
        assertEquals(m, measures.of(patches.summary(id), collections.get(collection).rules()).orElseThrow());
    }

    @Test
    void levellingIsAnEditThatCanBeUndone() throws Exception {
        measure();
        send(post("/banks/" + bank + "/level").param("patch", id + "." + patches.get(id).version())).andExpect(status().is3xxRedirection());
        double trim = patches.get(id).patch().value("levelTrim");
        assertEquals(-18, measure().integratedLufs(), 0.05);
        assertTrue(trim != 0);
        patches.undo(id, 0);
        assertEquals(0, patches.get(id).patch().value("levelTrim"));
    }

    @Test
    void aPatchThatIsNotMeasuredYetIsNotLevelled() throws Exception {
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("layer1.source1.cents"), 12.345678));
        onBench("level").andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("still being measured")));
    }

    @Test
    void onlySavedRevisionsAreReleasedAndAVersionIsReleasedOnce() {
        Assertions.assertThrows(RefusedException.class, () -> releases.start(collection, "1.0", "tried out", ReleaseChoice.of()));
        patches.save(id, 0, "");
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("levelTrim"), -9));
        Assertions.assertThrows(RefusedException.class, () -> releases.start(collection, "one/two", "tried out", ReleaseChoice.of()));
        long first = releases.start(collection, "1.0", "tried out", ReleaseChoice.of());
        assertEquals("verified", built(first).state());
        assertTrue(built(first).report().contains("equals revision 1"));
        assertTrue(Assertions.assertThrows(RefusedException.class, () -> releases.start(collection, "1.0.0", "tried out", ReleaseChoice.of())).getMessage().contains("The next would be 1.0.1"));
        assertTrue(built(first).report().contains("equals revision 1"));
    }

    /** What a customer's program numbers and ears meet is told before it is built, and stands in the archive. */
    @Test
    void aReleaseTellsWhatItChanges() throws Exception {
        patches.save(id, 0, "");
        long first = releases.start(collection, "1.0", "tried out", ReleaseChoice.of());
        assertEquals("verified", built(first).state());
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("layer1.source1.level"), -18));
        patches.save(id, 0, "");
        long other = banks.newPatch(bank, 5);
        patches.edit(other, 0, "", new PatchEdit.Rename("Salt Bell"));
        patches.save(other, 0, "");
        String page = send(get("/collections/" + collection + "/releases")).andReturn().getResponse().getContentAsString();
        assertTrue(page.contains("value=\"1.1.0\"") && page.contains("Salt Bell"), "the suggestion follows from what is new");
        assertTrue(page.contains("has no licence") && page.contains("name=\"reason\""), "what stands against it is told");
        for (String[] wrong : new String[][] {{"formats", "tape"}, {"keyStep", "0"}, {"layers", "4"}}) {
            send(post("/collections/" + collection + "/releases").param("version", "1.1.0").param("reason", "tried out").param(wrong[0], wrong[1])).andExpect(status().isUnprocessableEntity());
        }
        send(post("/collections/" + collection + "/releases").param("version", "1.1.0")).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("write why")));
        send(post("/collections/" + collection + "/releases").param("version", "1.1.0").param("reason", "for the test")).andExpect(status().isOk());
        ReleaseRow second = built(releases.of(collection).get(0).id());
        assertEquals("verified", second.state());
        assertTrue(second.report().startsWith("built although something stood against it: for the test"));
        ByteArrayOutputStream archive = new ByteArrayOutputStream();
        releases.archive(second.id(), archive);
        Map<String, byte[]> files = ZipFormat.read(archive.toByteArray(), "release");
        assertEquals(second.bytes(), archive.size());
        send(multipart("/player").file(new MockMultipartFile("file", "kit.zip", "application/zip", archive.toByteArray()))).andExpect(status().isOk())
                .andExpect(content().string(containsString("Salt Bell"))).andExpect(header().string("Content-Security-Policy", containsString("default-src 'none'")));
        send(multipart("/player").file(new MockMultipartFile("file", "kit.zip", "application/zip", new byte[] {1, 2, 3}))).andExpect(status().isUnprocessableEntity());
        send(get("/releases/" + second.id() + "/player.html")).andExpect(status().isNotFound());
        send(post("/releases/" + second.id() + "/thin")).andExpect(status().isOk()).andExpect(content().string(containsString("archive was let go")));
        send(get("/releases/" + second.id() + "/archive.zip")).andExpect(status().isNotFound());
        assertTrue(releases.get(second.id()).report().contains("equals revision"), "the report stays");
        String changes = new String(files.get("CHANGES.txt"), StandardCharsets.UTF_8);
        assertTrue(changes.contains("Changes since 1.0.0") && changes.contains("Salt Bell") && changes.contains("6.0 LU quieter") && changes.contains("for the test"), changes);
    }

    private ReleaseRow built(long release) {
        return await().atMost(Duration.ofSeconds(60)).until(() -> releases.get(release), r -> !r.state().equals("building"));
    }

    @Test
    void houseRulesAreChangedOrRefusedAsAWhole() throws Exception {
        send(rules("[unclosed", "-18")).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("regular expression")));
        send(rules(".*", "-3")).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("-40 to -6")));
        assertEquals(-18, collections.get(collection).rules().targetLufs());
        send(rules(".*", "-20").param("macroDefault", "150")).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("0 to 100 %")));
        send(rules(".*", "-20").param("macroDefault", "50", "", "", "", "", "", "", "")).andExpect(status().isOk());
        assertEquals(50, collections.get(collection).rules().macroDefault(0));
        assertEquals(HouseRules.ANYWHERE, collections.get(collection).rules().macroDefault(1));
        assertEquals(-20, collections.get(collection).rules().targetLufs());
    }

    private MockHttpServletRequestBuilder rules(String pattern, String target) {
        return post("/collections/" + collection + "/rules").param("namePattern", pattern).param("namePatternHint", "any").param("nameMaxLength", "24")
                .param("targetLufs", target).param("toleranceLu", "0.5").param("ceilingDbtp", "-1").param("tuningCents", "12").param("fewestMacros", "3")
                .param("macroName", "A", "B", "C", "D", "E", "F", "G", "H");
    }
}
