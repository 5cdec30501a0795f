package gentlecomet.studio.web;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.service.Measures;
import gentlecomet.studio.service.RefusedException;
import gentlecomet.studio.service.Releases;
import gentlecomet.studio.store.MeasureStore;
import gentlecomet.studio.store.PatchStore.PatchRow;
import gentlecomet.studio.store.ReleaseStore;
import gentlecomet.studio.store.RoundStore;
import java.util.List;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** Each page's work, request by request, on the real database. */
@StudioTest
class WorkTest extends WebWork {

    @Autowired
    private MeasureStore measureStore;
    @Autowired
    private Measures measures;
    @Autowired
    private RoundStore rounds;
    @Autowired
    private Releases releases;
    @Autowired
    private ReleaseStore releaseStore;

    @BeforeEach
    void newCollection() {
        begin("Work", 3);
    }

    private Measurement measure() {
        PatchRow row = editing.get(id);
        Measurement m = new Measuring().measure(row.patch(), Phrases.get("line"));
        measureStore.save(row.soundHash(), "line", m);
        return measureStore.measurement(row.soundHash(), "line").orElseThrow();
    }

    @Test
    void everyPageIsThereWithAndWithoutPatches() throws Exception {
        List<String> pages = List.of("/collections/" + collection, "/collections/" + collection + "/rules", "/banks/" + bank, "/banks/" + bank + "/levels",
                "/banks/" + bank + "/soundcheck", "/banks/" + bank + "/listening", "/collections/" + collection + "/releases");
        for (String page : pages) {
            web.perform(get(page)).andExpect(status().isOk()).andExpect(content().string(containsString("Work")));
        }
        banks.delete(id);
        for (String page : pages) {
            web.perform(get(page)).andExpect(status().isOk());
        }
    }

    @Test
    void aMeasurementIsKeptWholeAndSurvivesARename() {
        Measurement m = measure();
        assertEquals(new Measuring().measure(editing.get(id).patch(), Phrases.get("line")), m);
        editing.edit(id, 0, "", new PatchEdit.Rename("Other Name"));
        assertEquals(m, measures.of(editing.get(id), collections.find(collection).orElseThrow().rules()).orElseThrow());
    }

    @Test
    void levellingIsAnEditThatCanBeUndone() throws Exception {
        measure();
        send(post("/banks/" + bank + "/level").param("patch", id + "." + editing.get(id).version())).andExpect(status().isOk());
        double trim = editing.get(id).patch().value("levelTrim");
        assertEquals(-18, measure().integratedLufs(), 0.05);
        assertTrue(trim != 0);
        editing.undo(id, 0);
        assertEquals(0, editing.get(id).patch().value("levelTrim"));
    }

    @Test
    void aPatchThatIsNotMeasuredYetIsNotLevelled() throws Exception {
        editing.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("layer1.source1.cents"), 12.345678));
        onBench("level").andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("still being measured")));
    }

    @Test
    void verdictsBelongToTheStateThatWasHeard() throws Exception {
        send(post("/banks/" + bank + "/listening")).andExpect(status().is3xxRedirection());
        long round = rounds.latest(bank).orElseThrow().id();
        send(post("/rounds/" + round + "/verdicts").param("patch", "" + id).param("verdict", "keep").param("note", "fine")).andExpect(status().isOk());
        assertEquals("keep", rounds.latestVerdicts(bank).get(id).verdict());
        send(post("/rounds/" + round + "/verdicts").param("patch", "" + id).param("verdict", "maybe")).andExpect(status().isUnprocessableEntity());
        send(get("/banks/" + bank + "/rows")).andExpect(content().string(containsString("verdict-keep")));
        editing.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("levelTrim"), -3));
        assertTrue(!send(get("/banks/" + bank + "/rows")).andReturn().getResponse().getContentAsString().contains("verdict-keep"));
    }

    @Test
    void onlySavedRevisionsAreReleasedAndTheSameOnesGiveTheSameBytes() {
        Assertions.assertThrows(RefusedException.class, () -> releases.start(collection, "1.0"));
        editing.save(id, 0, "");
        editing.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("levelTrim"), -9));
        Assertions.assertThrows(RefusedException.class, () -> releases.start(collection, "one/two"));
        long first = releases.start(collection, "1.0");
        releases.build(first);
        assertEquals("verified", releaseStore.find(first).orElseThrow().state());
        assertTrue(releaseStore.find(first).orElseThrow().report().contains("equals revision 1"));
        long second = releases.start(collection, "1.0");
        releases.build(second);
        assertArrayEquals(releaseStore.archive(first).orElseThrow(), releaseStore.archive(second).orElseThrow());
    }

    @Test
    void houseRulesAreChangedOrRefusedAsAWhole() throws Exception {
        send(rules("[unclosed", "-18")).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("regular expression")));
        send(rules(".*", "-3")).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("-40 to -6")));
        assertEquals(-18, collections.find(collection).orElseThrow().rules().targetLufs());
        send(rules(".*", "-20").param("macroDefault", "150")).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("0 to 100 %")));
        send(rules(".*", "-20").param("macroDefault", "50", "", "", "", "", "", "", "")).andExpect(status().isOk());
        assertEquals(50, collections.find(collection).orElseThrow().rules().macroDefault(0));
        assertEquals(HouseRules.ANYWHERE, collections.find(collection).orElseThrow().rules().macroDefault(1));
        assertEquals(-20, collections.find(collection).orElseThrow().rules().targetLufs());
    }

    private MockHttpServletRequestBuilder rules(String pattern, String target) {
        return post("/collections/" + collection + "/rules").param("namePattern", pattern).param("namePatternHint", "any").param("nameMaxLength", "24")
                .param("targetLufs", target).param("toleranceLu", "0.5").param("ceilingDbtp", "-1").param("tuningCents", "12").param("fewestMacros", "3")
                .param("macroName", "A", "B", "C", "D", "E", "F", "G", "H");
    }
}
