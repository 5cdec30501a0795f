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

    /** A low-pass takes the top of a saw away; matched by the layer's level the layer is as loud as its sources at 0 dB. */
    @Test
    void filtersAreMatchedByTheLevelOfTheirLayer() {
        Patch dull = TypedPatch.neutralWith("layer1.source1.wave=saw", "layer1.source1.level=-30", "layer1.filter1.type=low pass 24", "layer1.filter1.cutoff=2500",
                "layer1.zone.level=-9", "layer2.on=on", "layer2.source1.level=-20");
        GainMatch.Result result = new GainMatch(Recordings.NONE).match(dull, Phrases.get("line"), 0, GainMatch.FILTERS);
        assertEquals("layer1.zone.level", result.slot().id());
        assertTrue(result.db() > 0.3, result.toString());
        Patch matched = TypedPatch.with(dull.withValue(result.slot(), result.db()), "layer2.on=off");
        double sources = new Measuring().measure(TypedPatch.with(matched, "layer1.filter1.type=off", "layer1.zone.level=0"), Phrases.get("line")).integratedLufs();
        assertEquals(sources, new Measuring().measure(matched, Phrases.get("line")).integratedLufs(), 0.1);
        assertEquals(result.db(), new GainMatch(Recordings.NONE).match(matched, Phrases.get("line"), 0, GainMatch.FILTERS).db(), "a second press moves nothing");
    }

    @Test
    void silenceCannotBeMatched() {
        Patch silent = TypedPatch.neutralWith("layer1.source1.level=off", "effect1.type=drive");
        assertThrows(IllegalArgumentException.class, () -> new GainMatch(Recordings.NONE).match(silent, Phrases.get("line"), -1, 0));
    }
}
