package gentlecomet.sound.parameter;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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

    /** A time counts while its own division is free, and that in turn while the effect is there to which both belong. */
    @ParameterizedTest
    @CsvSource({"effect1.chorus.rate, effect1.chorus.division, effect1.type, chorus", "effect2.delay.timeRight, effect2.delay.divisionRight, effect2.type, delay",
        "layer1.effect1.reverb.preDelay, layer1.effect1.reverb.division, layer1.effect1.type, reverb"})
    void aTimeIsSilencedByItsDivisionOrByWhatSilencesThat(String time, String division, String type, String effect) {
        double[] values = Parameters.neutralValues();
        Parameter choice = Parameters.find(type);
        assertEquals(type, Parameters.find(time).silencedBy(i -> values[i]).id());
        values[choice.index()] = choice.choices().indexOf(effect);
        assertTrue(Parameters.find(time).relevant(values));
        assertTrue(Parameters.find(division).relevant(values));
        values[Parameters.find(division).index()] = 5;
        assertFalse(Parameters.find(time).relevant(values));
        assertEquals(division, Parameters.find(time).silencedBy(i -> values[i]).id());
        assertTrue(Parameters.find(division).relevant(values));
    }

    /** Every time that can keep the tempo: its division is the one whose name it shares, wherever it stands in its group. */
    @Test
    void everyTimeThatKeepsTheTempoHasItsOwnDivision() {
        int found = 0;
        for (Parameter p : Parameters.ALL) {
            if (p.decider() >= 0 && Parameters.at(p.decider()).division()) {
                found++;
                String division = Parameters.at(p.decider()).id();
                String group = p.id().substring(0, p.id().lastIndexOf('.') + 1);
                String name = p.id().substring(group.length());
                assertTrue(division.equals(group + "division") || division.equals(group + name + "Division")
                        || division.equals(group + name.replace("time", "division")), p.id() + " by " + division);
            }
        }
        // Ten slots of seven times, and in each of four layers: slots, four envelopes of five, four LFOs, two curves.
        int slots = PatchParameters.EFFECTS + Parameters.LAYERS * LayerParameters.EFFECTS;
        assertEquals(7 * slots + Parameters.LAYERS * (5 * LayerParameters.ENVELOPES + LayerParameters.LFOS + LayerParameters.CURVES), found);
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
