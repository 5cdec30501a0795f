package gentlecomet.craft.level;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import org.junit.jupiter.api.Test;

class LevellingTest {

    private final Measuring measuring = new Measuring();

    private Measurement measure(Patch patch) {
        return measuring.measure(patch, Phrases.get("line"));
    }

    @Test
    void onePassLandsOnTheTarget() {
        Patch patch = Patch.neutral("Quiet").withValue(Parameters.find("layer1.source1.level"), -31);
        Levelling.Proposal proposal = Levelling.propose(patch, measure(patch), HouseRules.DEFAULT);
        assertEquals(-18, measure(Levelling.apply(patch, proposal)).integratedLufs(), 0.05);
        assertEquals("", proposal.words());
    }

    @Test
    void theCeilingGivesWayLast() {
        Patch clicky = Patch.neutral("Clicky").withValue(Parameters.find("layer1.amplitude.decay"), 0.02)
                .withValue(Parameters.find("layer1.amplitude.sustain"), 0);
        Levelling.Proposal proposal = Levelling.propose(clicky, measure(clicky), HouseRules.DEFAULT);
        assertTrue(proposal.words().contains("ceiling"), proposal.words());
        assertEquals(-1, measure(Levelling.apply(clicky, proposal)).truePeakDbtp(), 0.02);
    }

    @Test
    void silenceIsLeftAlone() {
        Patch silent = Patch.neutral("Silent").withValue(Parameters.find("layer1.source1.level"), -72);
        assertEquals(0, Levelling.propose(silent, measure(silent), HouseRules.DEFAULT).changeDb());
    }
}
