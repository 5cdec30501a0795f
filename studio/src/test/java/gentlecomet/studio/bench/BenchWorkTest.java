package gentlecomet.studio.bench;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Edits as the bench sends them: values, forms, undo and redo, saving, matching. */
@StudioTest
class BenchWorkTest extends WebWork {

    private static final Parameter CENTS = Parameters.find("layer1.source1.cents");

    @BeforeEach
    void newPatch() {
        begin("Bench", 1);
    }

    private double value(String parameter) {
        return patches.get(id).patch().value(parameter);
    }

    @Test
    void aLockIsAskedForByThePageAndShownOnIt() throws Exception {
        onBench("lock", "parameter", CENTS.id(), "on", "true").andExpect(status().isOk());
        onBench("edits", "kind", "setValue", "target", CENTS.id(), "value", "12").andExpect(status().isUnprocessableEntity())
                .andExpect(content().string(containsString("is locked")));
        web.perform(get("/patches/{id}/bench", id)).andExpect(content().string(containsString("data-locked=\"" + CENTS.id() + "\"")));
        onBench("lock", "parameter", "no.such.thing", "on", "true").andExpect(status().isUnprocessableEntity());
        onBench("lock", "parameter", CENTS.id(), "on", "false");
        onBench("edits", "kind", "setValue", "target", CENTS.id(), "value", "12").andExpect(status().isOk());
    }

    /** A page with four layers, each of them with effects and filters, costs what its first layer costs; the other layers come with the first exchange. */
    @Test
    void aPageComesWithItsFirstLayer() throws Exception {
        for (int layer = 1; layer <= Parameters.LAYERS; layer++) {
            for (String[] set : new String[][] {{"on", "1"}, {"source1.wave", "1"}, {"filter1.type", "1"}, {"effect1.type", "9"}}) {
                patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("layer" + layer + "." + set[0]), Double.parseDouble(set[1])));
            }
        }
        String page = web.perform(get("/patches/{id}", id)).andReturn().getResponse().getContentAsString();
        assertTrue(page.length() < 120_000, page.length() + " characters");
        String bench = web.perform(get("/patches/{id}/bench", id)).andReturn().getResponse().getContentAsString();
        for (int layer = 1; layer <= Parameters.LAYERS; layer++) {
            String cutoff = "id=\"layer" + layer + ".filter1.cutoff\"";
            assertEquals(layer == 1, page.contains(cutoff), "layer " + layer + " in the page");
            assertTrue(bench.contains(cutoff), "layer " + layer + " in an exchange");
        }
    }

    @ParameterizedTest
    @CsvSource({"lfo1, LFO_1", "Mod wheel, MOD_WHEEL", "wheel, MOD_WHEEL", "amp, AMPLITUDE_ENVELOPE", "macro 3, MACRO_3"})
    void aRouteStartsWhereItsNameOrItsBeginningsSay(String typed, Modulator expected) throws Exception {
        onBench("edits", "kind", "addRoute", "source", typed, "target", "layer1.source1.level", "depth", "3 dB").andExpect(status().isOk());
        assertEquals(expected, patches.get(id).patch().routes().get(0).source());
    }

    @Test
    void aBeginningThatFitsSeveralModulatorsIsAskedBack() throws Exception {
        onBench("edits", "kind", "addRoute", "source", "lfo", "target", "layer1.source1.level", "depth", "3 dB").andExpect(status().isUnprocessableEntity())
                .andExpect(content().string(containsString("could be LFO 1 or LFO 2")));
    }

    @Test
    void theSameIsDoneToAllPartialsAndAllBands() throws Exception {
        onBench("edits", "kind", "choose", "target", "layer1.source1.wave", "value", "partials").andExpect(status().isOk());
        onBench("edits", "kind", "setValue", "target", "layer1.source1.band3Rise", "value", "-12").andExpect(status().isOk());
        onBench("edits", "kind", "alikeBands", "layer", "0", "source", "0", "band", "3").andExpect(status().isOk());
        assertEquals(-12, value("layer1.source1.band8Rise"));
        onBench("edits", "kind", "alikeBands", "layer", "0", "source", "0", "band", "9").andExpect(status().isUnprocessableEntity());
        onBench("edits", "kind", "fillRows", "shape", "layer1.source1.modes", "column", "1", "how", "add", "value", "-6").andExpect(status().isOk());
        assertEquals(-6, patches.get(id).patch().shape(Shapes.modes(0, 0))[1]);
        onBench("edits", "kind", "fillRows", "shape", "layer1.source1.modes", "column", "1", "how", "add", "value", "loud").andExpect(status().isUnprocessableEntity());
    }

    @Test
    void undoAndRedoWalkThroughTheSteps() throws Exception {
        onBench("edits", "kind", "setValue", "target", CENTS.id(), "value", "12").andExpect(status().isOk());
        onBench("edits", "kind", "setValue", "target", CENTS.id(), "value", "-3.5").andExpect(status().isOk());
        onBench("undo").andExpect(status().isOk()).andExpect(content().string(containsString("Redo:")));
        assertEquals(12, value(CENTS.id()));
        onBench("undo");
        assertEquals(0, value(CENTS.id()));
        onBench("redo");
        onBench("redo");
        assertEquals(-3.5, value(CENTS.id()));
        onBench("undo");
        onBench("edits", "kind", "setValue", "target", CENTS.id(), "value", "20");
        onBench("redo");
        assertEquals(20, value(CENTS.id()), "a new step takes the place of what was undone");
    }

    @ParameterizedTest
    @CsvSource({"layer1.filter1.cutoff, 440 Hz, 440", "layer1.filter1.cutoff, 2.5 kHz, 2500", "layer1.source1.level, -6 dB, -6", "layer1.amplitude.attack, 250 ms, 0.25"})
    void valuesAreTypedWithTheirUnits(String target, String typed, double expected) throws Exception {
        onBench("edits", "kind", "choose", "target", target, "value", typed).andExpect(status().isOk());
        assertEquals(expected, value(target), 1e-9);
    }

    @ParameterizedTest
    @CsvSource({"setValue, layer1.source1.cents, twelve", "setValue, layer1.source1.cents, 1e9", "setValue, no.such.thing, 1", "choose, layer1.source1.wave, no such wave",
        "choose, layer1.filter1.cutoff, 12 dB", "conjure, layer1.source1.cents, 1"})
    void whatCannotBeDoneIsRefusedAndChangesNothing(String kind, String target, String value) throws Exception {
        String before = patches.get(id).contentHash();
        onBench("edits", "kind", kind, "target", target, "value", value).andExpect(status().isUnprocessableEntity());
        assertEquals(before, patches.get(id).contentHash());
        assertEquals(0, patches.get(id).cursor());
    }

    @Test
    void anEditOnAnOlderStateIsRefusedAndASavedRevisionStays() throws Exception {
        onBench("save", "note", "First").andExpect(status().isOk());
        long old = patches.get(id).version();
        onBench("edits", "kind", "setValue", "target", CENTS.id(), "value", "5").andExpect(status().isOk());
        send(post("/patches/{id}/edits", id).param("version", String.valueOf(old)).param("kind", "setValue").param("target", CENTS.id()).param("value", "9"))
                .andExpect(status().isConflict());
        assertEquals(5, value(CENTS.id()));
        assertEquals(1, patches.get(id).revision());
    }

    @Test
    void aRouteIsMadeDeepenedAndTakenAway() throws Exception {
        onBench("edits", "kind", "addRoute", "source", "velocity", "target", "layer1.source1.cents", "depth", "12").andExpect(status().isOk());
        assertEquals(1, patches.get(id).patch().routes().size());
        assertEquals(12, patches.get(id).patch().routes().get(0).depth());
        onBench("edits", "kind", "setDepth", "route", "0", "depth", "-24").andExpect(status().isOk());
        assertEquals(-24, patches.get(id).patch().routes().get(0).depth());
        onBench("edits", "kind", "removeRoute", "route", "0").andExpect(status().isOk());
        assertTrue(patches.get(id).patch().routes().isEmpty());
        onBench("edits", "kind", "removeRoute", "route", "7").andExpect(status().isUnprocessableEntity());
    }

    @Test
    void thePlayableAndTheContentAreThePatchAsItStands() throws Exception {
        onBench("edits", "kind", "setValue", "target", CENTS.id(), "value", "17");
        double[] image = PatchImage.of(patches.get(id).patch());
        web.perform(get("/patches/{id}/playable", id)).andExpect(status().isOk()).andExpect(jsonPath("$.tail.length()").value(image.length - Parameters.COUNT))
                .andExpect(jsonPath("$.values['" + CENTS.id() + "']").value(17.0));
        String json = web.perform(get("/patches/{id}/content", id)).andExpect(status().isOk()).andReturn().getResponse().getContentAsString();
        assertEquals(patches.get(id).patch(), PatchFormat.read(json, "content"));
    }

    /** A drive that makes the sound louder is brought back by what it adds, as one step with the figures in its words. */
    @Test
    void anEffectIsMatchedInOneStep() throws Exception {
        var type = Parameters.find("effect1.type");
        patches.edit(id, 0, "", new PatchEdit.SetValue(type, type.choices().indexOf("drive")));
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("effect1.drive.amount"), Parameters.find("effect1.drive.amount").max()));
        onBench("match", "layer", "-1", "slot", "0").andExpect(status().isOk()).andExpect(content().string(containsString("matched:")))
                .andExpect(content().string(org.hamcrest.Matchers.matchesRegex("(?s).*data-said=\"[^\"]*at 0 dB is \\d+\\.\\d LU (louder|quieter) than what goes in; it stands at [-+]\\d+\\.\\d dB now, matched\\.\".*")));
        assertTrue(Math.abs(value("effect1.output")) > 0.1, "gain " + value("effect1.output"));
        patches.undo(id, 0);
        assertEquals(0, value("effect1.output"));
        onBench("match", "layer", "-1", "slot", "0", "phrase", "not one of ours").andExpect(status().isOk());
        onBench("match", "layer", "-1", "slot", "99").andExpect(status().isUnprocessableEntity());
        onBench("match", "layer", "4", "slot", "0").andExpect(status().isUnprocessableEntity());
    }

    @Test
    void figuresOfAPatchComeAsAPartOfThePage() throws Exception {
        web.perform(get("/patches/{id}/measured", id)).andExpect(status().isOk()).andExpect(content().string(containsString("id=\"measured\"")));
        web.perform(get("/patches/{id}/measured", 999999)).andExpect(status().isNotFound());
    }
}
