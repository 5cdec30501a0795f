package gentlecomet.craft.check;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import org.junit.jupiter.api.Test;

class AnalysisTest {

    @Test
    void theVersionFollowsFromTheConstants() {
        String made = Measuring.SETTINGS + SoundcheckRules.SETTINGS + Phrases.all();
        assertTrue(made.contains("rate 48000") && made.contains("unheard -50.0") && made.contains("Broken chords"), "thresholds and phrases are in it");
        assertNotEquals(Analysis.hash(made), Analysis.hash(made.replace("unheard -50.0", "unheard -51.0")), "another threshold is another version");
        assertNotEquals(Analysis.hash(made), Analysis.hash(made.replaceFirst("velocity=\\d+", "velocity=1")), "another phrase is another version");
        assertEquals(8, Analysis.hash(made).length());
    }
}
