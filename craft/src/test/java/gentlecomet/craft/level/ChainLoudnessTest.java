package gentlecomet.craft.level;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.craft.TypedPatch;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.source.Recordings;
import org.junit.jupiter.api.Test;

/** Places along a chain whose gains are known: what is louder by 6 dB is louder by 6 LU (ITU-R BS.1770-4). */
class ChainLoudnessTest {

    private static final Patch PATCH = TypedPatch.neutralWith("layer1.source1.level=-24", "layer1.effect1.type=stereo", "layer1.effect1.output=6", "effect1.type=stereo", "effect1.output=-4", "effect3.type=stereo", "effect3.output=9",
            "layer2.on=on", "layer2.source1.level=-24");

    private static double after(int layer, int slot) {
        return new ChainLoudness(Recordings.NONE).after(PATCH, Phrases.get("line"), layer, slot);
    }

    @Test
    void eachPlaceIsHeardWithoutWhatFollows() {
        double before = after(-1, ChainLoudness.BEFORE);
        assertEquals(-4, after(-1, 0) - before, 0.05);
        assertEquals(-4, after(-1, 1) - before, 0.05, "an empty slot changes nothing");
        assertEquals(5, after(-1, 2) - before, 0.05);
    }

    /** Two equal layers together are 6 dB louder than one of them, one that is twice as loud as the other is 3.5 dB softer than both. */
    @Test
    void aLayersChainIsHeardAlone() {
        assertEquals(6, after(0, 0) - after(0, ChainLoudness.BEFORE), 0.05);
        assertEquals(20 * Math.log10(2 / 3.0), after(0, 0) - after(-1, ChainLoudness.BEFORE), 0.1);
    }
}
