package gentlecomet.craft.check;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.craft.TypedPatch;
import java.util.List;
import org.junit.jupiter.api.Test;

class KeyMapWordsTest {

    private static List<String> words(String... changes) {
        return KeyMapWords.of(TypedPatch.neutralWith(changes));
    }

    @Test
    void oneLayerOverAllKeysNeedsNoWords() {
        assertEquals(List.of(), words());
        assertEquals(List.of(), words("layer1.zone.highKey=B3", "layer2.on=on", "layer2.zone.lowKey=C4"));
    }

    @Test
    void holesAreNamedByTheirKeysAndVelocities() {
        assertEquals(List.of("Hole: C4 to E4 is silent."), words("layer1.zone.highKey=B3", "layer2.on=on", "layer2.zone.lowKey=F4"));
        assertEquals(List.of("Hole: C3 to C4 is silent from velocity 61 to 79."), words("layer1.zone.lowKey=C3", "layer1.zone.highKey=C4", "layer1.zone.highVelocity=60",
                "layer2.on=on", "layer2.zone.lowKey=C3", "layer2.zone.highKey=C4", "layer2.zone.lowVelocity=80"));
    }

    @Test
    void layersThatSoundTogetherAreNamed() {
        assertEquals(List.of("Layers 1 and 2 sound together from A3 to C4, velocity 40 to 127."),
                words("layer2.on=on", "layer2.zone.lowKey=A3", "layer2.zone.highKey=C4", "layer2.zone.lowVelocity=40"));
        assertEquals(List.of("Layers 1 and 2 sound together from C-1 to G9."), words("layer2.on=on"));
    }

    @Test
    void aZoneThatEndsBeforeItBeginsIsSaidToBeSilent() {
        assertEquals("Layer 2 can never sound: its zone ends before it begins.", words("layer2.on=on", "layer2.zone.lowKey=C5", "layer2.zone.highKey=C4").get(0));
    }
}
