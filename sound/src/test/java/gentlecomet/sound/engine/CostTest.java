package gentlecomet.sound.engine;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import org.junit.jupiter.api.Test;

class CostTest {

    private static double cost(String... changes) {
        Patch patch = Patch.neutral("Cost");
        for (String change : changes) {
            var p = Parameters.find(change.substring(0, change.indexOf('=')));
            patch = patch.withValue(p, ValueText.parse(p, change.substring(change.indexOf('=') + 1)));
        }
        return Cost.ofVoice(PatchImage.of(patch));
    }

    @Test
    void aPlainSineIsTheMeasure() {
        assertEquals(1, cost(), 1e-9);
    }

    /** Dear and cheap parts in the order in which they were measured (the table of parts in docs/quality.md). */
    @Test
    void partsWeighAsTheyWereMeasured() {
        String[] dearestFirst = {"layer1.drive.type=soft", "effect1.type=drive", "effect1.type=multibandCompressor", "effect1.type=reverb", "layer1.filter1.type=vowel",
            "layer1.filter1.type=comb", "layer1.filter1.type=ladder24", "effect1.type=bitcrusher"};
        double last = Double.MAX_VALUE;
        for (String part : dearestFirst) {
            double now = cost(part);
            assertTrue(now > 1 && now < last, part + " " + now);
            last = now;
        }
    }

    @Test
    void onlyWhatRunsCounts() {
        assertEquals(cost(), cost("layer1.source2.wave=table"), 1e-9, "a silent source");
        assertTrue(cost("layer1.source2.wave=table", "layer1.source1.phaseModulation2=2") > cost("layer1.source1.phaseModulation1=2"), "a silent source that another one listens to runs");
        assertEquals(cost(), cost("effect1.type=reverb", "effect1.on=bypassed"), 1e-9, "a bypassed effect");
        assertEquals(2, cost("performance.oversampling=2x"), 1e-9, "twice the samples");
        assertTrue(cost("layer1.source1.wave=table", "layer1.source1.unisonVoices=16") > 3 * cost("layer1.source1.wave=table"));
    }
}
