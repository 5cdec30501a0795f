package gentlecomet.sound.parameter;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;

class ParametersTest {

    @Test
    void everyParameterHasItsOwnIdAndStandsAtItsIndex() {
        Set<String> ids = new HashSet<>();
        for (int i = 0; i < Parameters.COUNT; i++) {
            Parameter p = Parameters.at(i);
            assertEquals(i, p.index());
            assertTrue(ids.add(p.id()), p.id());
            assertEquals(p, Parameters.find(p.id()));
        }
    }

    @Test
    void everyNeutralValueIsAllowed() {
        for (Parameter p : Parameters.ALL) {
            assertTrue(p.allows(p.neutral()), p.id());
        }
    }

    @Test
    void indexesOfLayersAndSourcesMatchTheirIds() {
        assertEquals("layer2.filter1.cutoff", Parameters.at(Parameters.ofLayer(1, LayerParameters.filter(0) + FilterParameters.CUTOFF)).id());
        assertEquals("layer1.source3.detune", Parameters.at(Parameters.ofSource(0, 2, SourceParameters.DETUNE)).id());
        assertEquals("layer2.envelope2.release",
                Parameters.at(Parameters.ofLayer(1, LayerParameters.envelope(1) + EnvelopeParameters.RELEASE)).id());
        assertEquals("macro8", Parameters.at(PatchParameters.MACRO + 7).id());
        assertEquals(1, Parameters.layerOf(Parameters.ofLayer(1, 0)));
        assertEquals(-1, Parameters.layerOf(PatchParameters.effect(9)));
    }

    @Test
    void positionAndValueUndoEachOther() {
        for (Parameter p : Parameters.ALL) {
            for (double at = 0; at <= 1; at += 0.125) {
                double value = p.value(at);
                assertTrue(p.allows(value), p.id() + " " + value);
                assertEquals(value, p.value(p.position(value)), 1e-9 * (p.max() - p.min()), p.id());
            }
        }
    }

    @Test
    void whatIsFormattedCanBeTypedBack() {
        for (Parameter p : Parameters.ALL) {
            for (double at = 0; at <= 1; at += 0.1) {
                double value = p.value(at);
                String text = ValueText.format(p, value);
                double parsed = ValueText.parse(p, text);
                assertEquals(text, ValueText.format(p, parsed), p.id() + " " + value);
            }
        }
    }

    @Test
    void placesAreNamedForPeople() {
        assertEquals("Layer 2 filter 1", Parameters.find("layer2.filter1.cutoff").place());
        assertEquals("Layer 1 source 3", Parameters.find("layer1.source3.wave").place());
        assertNotNull(Parameters.find("effect2.reverb.decay"));
    }
}
