package gentlecomet.craft.check;

import static gentlecomet.craft.TypedPatch.with;
import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.sound.patch.Patch;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Layers that part and yet sound together; that the soundcheck tells it and mends it is in {@link MendingTest}. */
class ZoneOverlapTest {

    /** C4 is key 60. Fades and layers within each other are on purpose, and what other velocities keep apart does not meet. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"layer1.zone.highKey=C4;layer2.zone.lowKey=C4 | 1 and 2, keys 60 to 60", "layer1.zone.highKey=E4;layer2.zone.lowKey=C4 | 1 and 2, keys 60 to 64",
        "layer2.zone.highKey=E4;layer1.zone.lowKey=C4 | 2 and 1, keys 60 to 64", "layer1.zone.highKey=B3;layer2.zone.lowKey=C4 | ''",
        "layer1.zone.highKey=E4;layer2.zone.lowKey=C4;layer2.zone.lowKeyFade=5 | ''", "layer2.zone.lowKey=C4;layer2.zone.highKey=C5 | ''",
        "layer1.zone.highVelocity=70;layer2.zone.lowVelocity=64 | 1 and 2, velocities 64 to 70", "layer1.zone.highVelocity=70;layer2.zone.lowVelocity=64;layer1.zone.highKey=B3;layer2.zone.lowKey=C4 | ''",
        "layer1.zone.highVelocity=63;layer2.zone.lowVelocity=64;layer1.zone.highKey=E4;layer2.zone.lowKey=C4 | ''", "layer2.on=off;layer1.zone.highKey=E4;layer2.zone.lowKey=C4 | ''"})
    void layersThatPartAndYetMeet(String zones, String expected) {
        Patch two = with(with(Patch.neutral("Two"), "layer2.on=on"), zones.split(";"));
        assertEquals(expected, ZoneOverlap.of(two).stream().map(o -> o.lower() + 1 + " and " + (o.upper() + 1) + (o.byKey() ? ", keys " : ", velocities ") + o.from() + " to " + o.to()).collect(Collectors.joining("; ")));
        ZoneOverlap.of(two).forEach(o -> {
            Patch parted = o.parted(two);
            assertEquals("", ZoneOverlap.of(parted).stream().map(Object::toString).collect(Collectors.joining()), "parted they meet no more");
        });
    }
}
