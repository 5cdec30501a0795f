package gentlecomet.studio.bench.vary;

import static org.awaitility.Awaitility.await;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.everyItem;
import static org.hamcrest.Matchers.hasSize;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import gentlecomet.studio.patch.Patches;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Variations made in the background: some, a row, the neighbours of a map; stopped, kept and discarded. */
@StudioTest
class VariationWorkTest extends WebWork {

    @Autowired
    private Patches patches;
    @Autowired
    private PatchVariations variations;

    @BeforeEach
    void aFilteredSaw() {
        begin("Variations", 1);
        set("layer1.source1.wave", 2);
        Parameter type = Parameters.find("layer1.filter1.type");
        set("layer1.filter1.type", type.choices().indexOf("lowPass24"));
        set("layer1.filter1.cutoff", 1000);
    }

    private void set(String parameter, double value) {
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find(parameter), value));
    }

    private List<VariationRow> made() {
        await().atMost(Duration.ofSeconds(90)).until(() -> !variations.progress(id).running());
        return variations.of(id);
    }

    @Test
    void someAreMadeKeptAndDiscarded() throws Exception {
        onBench("variations", "quality", "darker", "octaves", "0.5", "decibels", "6", "count", "2", "seed", "3").andExpect(status().isOk())
                .andExpect(content().string(containsString("of 2")));
        List<VariationRow> made = made();
        assertEquals(2, made.size());
        assertTrue(made.get(0).moves().size() > 0 && made.get(0).words().matches("\\d+ Hz to \\d+ Hz"), made.get(0).words());
        for (VariationRow row : made) {
            assertEquals(-0.5, row.place().brightness() - row.origin().brightness(), 0.06, "half an octave darker");
        }
        onBench("measure").andExpect(status().isNoContent());
        await().atMost(Duration.ofSeconds(60)).untilAsserted(() -> web.perform(get("/patches/{id}/variations/portraits", id))
                .andExpect(jsonPath("$.portraits.*", hasSize(2))).andExpect(jsonPath("$.portraits.*", everyItem(containsString("<svg")))));
        onBench("variations/" + made.get(0).id() + "/keep").andExpect(content().string(containsString("in slot 2")));
        assertTrue(patches.inBank(bank).stream().anyMatch(p -> p.name().equals("New Patch Dark") && p.slot() == 2));
        onBench("variations/" + made.get(1).id() + "/discard");
        assertTrue(variations.of(id).isEmpty());
        onBench("variations/" + made.get(1).id() + "/keep").andExpect(status().isNotFound());
    }

    @Test
    void aMapHasNeighboursToEverySideAndARowTakesItsPlace() throws Exception {
        onBench("variations/map", "across", "brightness", "acrossStep", "0.5", "up", "length", "upStep", "0.4", "seed", "1").andExpect(status().isOk());
        List<VariationRow> map = made();
        assertTrue(map.stream().filter(v -> v.place() != null).map(VariationRow::quality).toList().containsAll(List.of("darker", "brighter", "longer", "darker, longer", "brighter, longer")),
                map.toString());
        for (VariationRow v : map) {
            if (v.place() == null) {
                assertTrue(v.words().startsWith("could not be made"), v.words());
                continue;
            }
            double across = v.place().brightness() - v.origin().brightness();
            assertEquals(v.quality().contains("darker") ? -0.5 : v.quality().contains("brighter") ? 0.5 : 0, across, 0.34, v.quality());
            double up = v.place().length() - v.origin().length();
            assertTrue(v.quality().contains("longer") ? up > 0.2 : v.quality().contains("shorter") ? up < -0.2 : Math.abs(up) < 0.6, v.quality() + " " + up);
        }
        onBench("variations/row", "quality", "brighter", "step", "0.2", "count", "3", "seed", "1").andExpect(status().isOk());
        List<VariationRow> row = made();
        assertEquals(3, row.size());
        for (int n = 0; n < 3; n++) {
            assertEquals(0.2 * (n + 1), row.get(n).place().brightness() - row.get(n).origin().brightness(), 0.03);
        }
    }

    @Test
    void stoppingKeepsWhatThereIsAndMakesNoMore() throws Exception {
        onBench("variations/row", "quality", "darker", "step", "0.1", "count", "12", "seed", "1");
        await().atMost(Duration.ofSeconds(60)).until(() -> variations.progress(id).made() >= 1);
        onBench("variations/stop").andExpect(status().isOk()).andExpect(content().string(containsString("data-running=\"false\"")));
        int there = made().size();
        assertTrue(there >= 1 && there < 12, there + " were made");
        onBench("variations/discard");
        assertTrue(variations.of(id).isEmpty());
    }

    @Test
    void whatCannotBeMeantIsRefusedInWords() throws Exception {
        onBench("variations", "octaves", "0.5", "decibels", "6", "count", "2", "seed", "3").andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("at least one direction")));
        onBench("variations", "quality", "wider", "octaves", "1", "decibels", "50", "count", "2", "seed", "3").andExpect(status().isUnprocessableEntity())
                .andExpect(content().string(containsString("0.02 to 24 dB")));
        onBench("variations", "quality", "sadder", "octaves", "1", "decibels", "5", "count", "2", "seed", "3").andExpect(status().isUnprocessableEntity());
        onBench("variations/map", "across", "length", "acrossStep", "1", "up", "length", "upStep", "1", "seed", "1").andExpect(status().isUnprocessableEntity())
                .andExpect(content().string(containsString("two different measures")));
        onBench("variations/map", "across", "colour", "acrossStep", "1", "up", "length", "upStep", "1", "seed", "1").andExpect(status().isUnprocessableEntity());
        onBench("variations/row", "quality", "darker", "step", "0.2", "count", "99", "seed", "1").andExpect(status().isUnprocessableEntity());
        assertNull(variations.of(id).stream().findAny().orElse(null));
    }
}
