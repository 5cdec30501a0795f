package gentlecomet.craft.level;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.TypedPatch;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.source.Recordings;
import org.junit.jupiter.api.Test;

class GainMatchTest {

    /** Driven by 24 dB and matched, the patch is as loud as without the drive, whatever follows. */
    @Test
    void aMatchedEffectIsAsLoudAsWithoutIt() {
        Patch loud = TypedPatch.neutralWith("layer1.source1.wave=saw", "layer1.source1.level=-30", "effect1.type=drive", "effect1.drive.amount=24",
                "effect2.type=stereo");
        GainMatch.Result result = new GainMatch(Recordings.NONE).match(loud, Phrases.get("line"), -1, 0);
        assertTrue(result.db() < -10, result.toString());
        Patch matched = loud.withValue(result.slot(), result.db());
        double without = new Measuring().measure(TypedPatch.with(loud, "effect1.on=bypassed"), Phrases.get("line")).integratedLufs();
        assertEquals(without, new Measuring().measure(matched, Phrases.get("line")).integratedLufs(), 0.1);
    }

    @Test
    void silenceCannotBeMatched() {
        Patch silent = TypedPatch.neutralWith("layer1.source1.level=off", "effect1.type=drive");
        assertThrows(IllegalArgumentException.class, () -> new GainMatch(Recordings.NONE).match(silent, Phrases.get("line"), -1, 0));
    }
}
