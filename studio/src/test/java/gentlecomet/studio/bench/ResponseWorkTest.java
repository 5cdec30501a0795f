package gentlecomet.studio.bench;

import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.hasSize;
import static org.hamcrest.Matchers.startsWith;
import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.sound.parameter.Shapes;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import gentlecomet.studio.bench.response.Responses;
import java.time.Duration;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Key map and touch, as the bench asks for them. */
@StudioTest
class ResponseWorkTest extends WebWork {

    @Autowired
    private Responses responses;

    @BeforeEach
    void newPatch() throws Exception {
        begin("Response", 1);
        set("layer1.zone.lowKey", "58");
        set("layer1.zone.highKey", "63");
    }

    private void set(String parameter, String value) throws Exception {
        onBench("edits", "kind", "setValue", "target", parameter, "value", value).andExpect(status().isOk());
    }

    private double value(String parameter) {
        return patches.get(id).patch().value(parameter);
    }

    @Test
    void aMapGrowsInTheBackgroundAndIsKept() throws Exception {
        web.perform(get("/patches/{id}/response", id)).andExpect(jsonPath("$.total").value(6)).andExpect(jsonPath("$.keys").isEmpty());
        onBench("response").andExpect(status().isOk());
        Awaitility.await().atMost(Duration.ofSeconds(60)).until(() -> responses.map(id).complete());
        web.perform(get("/patches/{id}/response", id)).andExpect(jsonPath("$.keys.58", hasSize(8))).andExpect(jsonPath("$.keys.63[7].cents").isNumber())
                .andExpect(jsonPath("$.velocities[7]").value(127));
        set("layer1.source1.level", "-20");
        web.perform(get("/patches/{id}/response", id)).andExpect(jsonPath("$.keys").isEmpty());
        onBench("undo").andExpect(status().isOk());
        web.perform(get("/patches/{id}/response", id)).andExpect(jsonPath("$.keys.60", hasSize(8)));
    }

    @Test
    void splitsAreNamedAndEvenedOutAsOneStep() throws Exception {
        onBench("edits", "kind", "split", "key", "C4").andExpect(status().isOk());
        set("layer2.source1.level", "-24");
        web.perform(get("/patches/{id}/splits", id)).andExpect(jsonPath("$[0]", startsWith("B3 to C4: -12")));
        onBench("even", "slope", "0").andExpect(status().isOk()).andExpect(content().string(containsString("Evened out: greatest step at a split")));
        web.perform(get("/patches/{id}/splits", id)).andExpect(jsonPath("$[0]", containsString("0.0 dB")));
        onBench("even", "slope", "0").andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("even already")));
        onBench("undo").andExpect(status().isOk());
        assertEquals(0, patches.get(id).patch().shape(Shapes.keyLevels(1)).length);
    }

    @Test
    void badSlopesAndControlsAreRefusedInWords() throws Exception {
        onBench("even", "slope", "steep").andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("\"steep\" is not a slope")));
        onBench("even", "slope", "40").andExpect(status().isUnprocessableEntity());
        web.perform(get("/patches/{id}/sweep/macro9", id).header("X-Requested-With", "comet")).andExpect(status().isUnprocessableEntity());
        assertEquals(0, patches.get(id).patch().shape(Shapes.keyLevels(0)).length);
    }

    @Test
    void aMacroIsSweptAndVelocityMeasured() throws Exception {
        onBench("edits", "kind", "addTarget", "macro", "1", "target", "layer1.source1.level").andExpect(status().isOk());
        onBench("edits", "kind", "setEnd", "macro", "1", "target", "layer1.source1.level", "end", "low", "value", "-30 dB").andExpect(status().isOk());
        onBench("edits", "kind", "setEnd", "macro", "1", "target", "layer1.source1.level", "end", "high", "value", "-12 dB").andExpect(status().isOk());
        web.perform(get("/patches/{id}/sweep/macro1", id)).andExpect(jsonPath("$.loudness", hasSize(11))).andExpect(jsonPath("$.faults", hasSize(0)))
                .andExpect(jsonPath("$.words", startsWith("loudness 18.0 LU")));
        web.perform(get("/patches/{id}/sweep/wheel", id)).andExpect(jsonPath("$.faults[0]", startsWith("dead")));
        web.perform(get("/patches/{id}/velocity", id)).andExpect(jsonPath("$", hasSize(13))).andExpect(jsonPath("$[12].velocity").value(127));
    }

    @Test
    void tenNotesBecomeAVelocityCurve() throws Exception {
        onBench("edits", "kind", "fitVelocity", "played", "10 15 20 25 30 35 40 45 50 55").andExpect(status().isOk());
        assertEquals(1, value("performance.velocityCurve"));
        double[] curve = patches.get(id).patch().shape(Shapes.VELOCITY);
        assertEquals(100, curve[curve.length - 1]);
        assertEquals(55 / 1.27, curve[curve.length - 2], 0.06);
        onBench("edits", "kind", "fitVelocity", "played", "60 60 60 60 60").andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("struck alike")));
        assertArrayEquals(curve, patches.get(id).patch().shape(Shapes.VELOCITY));
    }

    @Test
    void layersSwapWithEverythingThatIsTheirs() throws Exception {
        onBench("edits", "kind", "split", "key", "C4").andExpect(status().isOk());
        set("layer2.filter1.cutoff", "700");
        onBench("edits", "kind", "setShape", "shape", "layer2.zone.keyLevels", "rows", "60 -3; 63 0").andExpect(status().isOk());
        onBench("edits", "kind", "swapLayers", "one", "1", "other", "2").andExpect(status().isOk());
        assertEquals(700, value("layer1.filter1.cutoff"));
        assertEquals(60, value("layer1.zone.lowKey"));
        assertEquals(59, value("layer2.zone.highKey"));
        assertEquals(4, patches.get(id).patch().shape(Shapes.keyLevels(0)).length);
        assertEquals(0, patches.get(id).patch().shape(Shapes.keyLevels(1)).length);
        onBench("edits", "kind", "swapLayers", "one", "1", "other", "1").andExpect(status().isUnprocessableEntity());
    }

    @Test
    void theKeyMapIsToldInWords() throws Exception {
        onBench("edits", "kind", "split", "key", "C4").andExpect(status().isOk());
        set("layer2.zone.lowKey", "62");
        web.perform(get("/patches/{id}/bench", id)).andExpect(content().string(containsString("Hole: C4 to C#4 is silent.")));
    }
}
