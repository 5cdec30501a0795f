package gentlecomet.studio.collection;

import static org.awaitility.Awaitility.await;
import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import gentlecomet.studio.listening.Rounds;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.release.ReleaseRow;
import gentlecomet.studio.release.Releases;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** Each page's work, request by request, on the real database. */
@StudioTest
class CollectionWorkTest extends WebWork {

    @Autowired
    private Measures measures;
    @Autowired
    private Rounds rounds;
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
        patches.delete(id);
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
        send(post("/banks/" + bank + "/level").param("patch", id + "." + patches.get(id).version())).andExpect(status().isOk());
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
    void verdictsBelongToTheStateThatWasHeard() throws Exception {
        send(post("/banks/" + bank + "/listening")).andExpect(status().is3xxRedirection());
        long round = rounds.latest(bank).orElseThrow().id();
        send(post("/rounds/" + round + "/verdicts").param("patch", "" + id).param("verdict", "keep").param("note", "fine")).andExpect(status().isOk());
        assertEquals("keep", rounds.standing(patches.summary(id)));
        send(post("/rounds/" + round + "/verdicts").param("patch", "" + id).param("verdict", "maybe")).andExpect(status().isUnprocessableEntity());
        send(get("/banks/" + bank + "/rows")).andExpect(content().string(containsString("verdict-keep")));
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("levelTrim"), -3));
        assertTrue(!send(get("/banks/" + bank + "/rows")).andReturn().getResponse().getContentAsString().contains("verdict-keep"));
    }

    @Test
    void onlySavedRevisionsAreReleasedAndTheSameOnesGiveTheSameBytes() {
        Assertions.assertThrows(RefusedException.class, () -> releases.start(collection, "1.0"));
        patches.save(id, 0, "");
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("levelTrim"), -9));
        Assertions.assertThrows(RefusedException.class, () -> releases.start(collection, "one/two"));
        long first = releases.start(collection, "1.0");
        assertEquals("verified", built(first).state());
        assertTrue(built(first).report().contains("equals revision 1"));
        long second = releases.start(collection, "1.0");
        assertEquals("verified", built(second).state());
        assertArrayEquals(releases.archive(first), releases.archive(second));
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
