package gentlecomet.craft.quick;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Patch;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class ReadyPartsTest {

    private final Patch patch = QuickLine.edit(Patch.neutral("Parts"), 0, "source 2 pulse pan 30 level -20; filter 1 hp12 cutoff 2k; lfo 1 square rate 9; delay mix 70")
            .apply(Patch.neutral("Parts"));

    private static double value(Patch patch, String id) {
        return patch.soundingValue(Parameters.find(id));
    }

    @Test
    void everyShapeFitsItsKindAndNoTwoOfAKindAreTheSame() {
        for (String part : List.of("layer1.source2.", "layer1.filter1.", "layer1.envelope3.", "layer1.amplitude.", "layer1.lfo1.", "layer1.curve2.", "effect1.", "layer1.effect2.", "effect")) {
            Set<Patch> made = new HashSet<>();
            List<ReadyPart> ready = ReadyParts.of(part);
            assertTrue(ready.size() >= 3, part);
            ready.forEach(r -> made.add(ReadyParts.edit(patch, r.id(), part).apply(patch)));
            assertEquals(ready.size(), made.size(), part);
            assertFalse(made.contains(patch), part);
        }
    }

    @Test
    void aShapeTakesThePlaceOfWhatWasThere() {
        Patch pluck = ReadyParts.edit(patch, "envelope#.pluck", "layer1.amplitude.").apply(patch);
        assertEquals(List.of(0.001, 0.35, 0.0, 0.25), List.of(value(pluck, "layer1.amplitude.attack"), value(pluck, "layer1.amplitude.decay"),
                value(pluck, "layer1.amplitude.sustain"), value(pluck, "layer1.amplitude.release")));
        Patch room = ReadyParts.edit(patch, "effect#.small room", "effect1.").apply(patch);
        assertEquals(0.5, value(room, "effect1.reverb.decay"));
        assertEquals(18, value(room, "effect1.mix"), "not what the delay had");
    }

    @Test
    void aSourceKeepsItsPlaceInTheMix() {
        Patch saws = ReadyParts.edit(patch, "source#.saws, wide", "layer1.source2.").apply(patch);
        assertEquals(List.of(-20.0, 30.0, 7.0), List.of(value(saws, "layer1.source2.level"), value(saws, "layer1.source2.pan"), value(saws, "layer1.source2.unisonVoices")));
        Patch fresh = ReadyParts.edit(patch, "source#.saws, wide", "layer1.source3.").apply(patch);
        assertEquals(-12, value(fresh, "layer1.source3.level"), "one that was off begins at the shape's level");
    }

    @Test
    void stepsAndPointsComeAlong() {
        Patch gated = ReadyParts.edit(patch, "lfo#.gate, off beats", "layer1.lfo2.").apply(patch);
        assertEquals(16, gated.shape(Shapes.lfoSteps(0, 1)).length);
        Patch rising = ReadyParts.edit(patch, "curve#.rise", "layer1.curve1.").apply(patch);
        assertEquals(6, rising.shape(Shapes.curve(0, 0)).length, "two points of time, level and bend");
    }

    @Test
    void aShapeForAnotherKindIsRefused() {
        EditException refused = assertThrows(EditException.class, () -> ReadyParts.edit(patch, "envelope#.pluck", "layer1.filter1."));
        assertEquals("\"pluck\" does not fit into layer 1 filter 1.", refused.getMessage());
    }
}
