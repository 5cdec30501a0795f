package gentlecomet.craft.edit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.TypedPatch;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Copying parts, and telling what differs. */
class PartsTest {

    private static final Patch RICH = rich();

    private static Patch rich() {
        Patch patch = TypedPatch.neutralWith("layer1.source1.wave=saw", "layer1.source1.unisonVoices=5", "layer1.lfo1.rate=3 Hz", "layer1.amplitude.attack=0.2 s",
                "layer1.filter1.type=comb", "effect1.type=delay", "effect1.delay.feedback=70", "performance.mode=mono");
        patch = new SetShape(Shapes.ALL.get(Shapes.lfoSteps(0, 0)), new double[] {10, -20, 30}).apply(patch);
        patch = new PatchEdit.AddRoute(Modulator.LFO_1, Parameters.find("layer1.source1.cents"), 12).apply(patch);
        return new PatchEdit.NameMacro(0, "Glow", "dim", "lit").apply(patch);
    }

    @ParameterizedTest
    @CsvSource({"layer1.source1., layer2.source3., unisonVoices, 5", "layer1.lfo1., layer1.lfo4., rate, 3", "layer1.amplitude., layer3.envelope2., attack, 0.2",
        "layer1.filter1., layer1.filter2., type, 10", "effect1., layer2.effect3., delay.feedback, 70", "performance., performance., mode, 1"})
    void aPartGoesToAnotherPlaceOfItsKind(String from, String to, String parameter, double value) {
        Patch pasted = new PastePart(RICH, from, to).apply(Patch.neutral("Other"));
        assertEquals(value, pasted.value(to + parameter), 1e-12);
        assertTrue(new PastePart(RICH, from, to).label(Patch.neutral("Other")).contains("of \"Test Patch\""));
    }

    @Test
    void drawnListsRoutesAndMacrosComeAlong() {
        assertEquals(3, new PastePart(RICH, "layer1.lfo1.", "layer2.lfo2.").apply(Patch.neutral("x")).shape(Shapes.lfoSteps(1, 1)).length);
        Patch layer = new PastePart(RICH, "layer1.", "layer4.").apply(Patch.neutral("x"));
        assertEquals(List.of("layer4.source1.cents"), layer.routes().stream().map(r -> r.target().id()).toList());
        assertEquals(layer, new PastePart(RICH, "layer1.", "layer4.").apply(layer), "pasting twice is pasting once");
        assertEquals("Glow", new PastePart(RICH, "macro", "macro").apply(Patch.neutral("x")).macros().get(0).name());
        assertEquals(70, new PastePart(RICH, "effect", "effect").apply(Patch.neutral("x")).value("effect1.delay.feedback"));
    }

    @ParameterizedTest
    @CsvSource({"layer1.source1., layer1.filter1.", "layer9.source1., layer1.source1.", "effect1., effect", "'', ''"})
    void whatDoesNotFitIsRefused(String from, String to) {
        assertThrows(PatchEdit.EditException.class, () -> new PastePart(RICH, from, to).apply(RICH));
    }

    /** Each line of a difference takes its own part back; all of them together give the first state again. */
    @Test
    void everyLineOfADifferenceTakesItsPartBack() {
        Patch changed = TypedPatch.with(RICH, "layer1.source1.unisonVoices=9", "effect1.delay.feedback=20");
        changed = new PatchEdit.SetDepth(0, 30).apply(changed);
        changed = new PatchEdit.AddRoute(Modulator.VELOCITY, Parameters.find("layer1.filter1.drive"), 6).apply(changed);
        changed = new PatchEdit.NameMacro(0, "Shine", "dim", "lit").apply(changed);
        changed = new SetShape(Shapes.ALL.get(Shapes.lfoSteps(0, 0)), new double[0]).apply(changed);
        changed = new PatchEdit.Rename("Renamed").apply(changed);
        List<PatchDifference.Line> lines = PatchDifference.between(RICH, changed);
        assertEquals(7, lines.size(), lines.toString());
        assertEquals("Layer 1 source 1: Unison voices", lines.get(1).what());
        assertEquals("5", lines.get(1).from());
        assertEquals("9", lines.get(1).to());
        while (!lines.isEmpty()) {
            int before = lines.size();
            changed = lines.get(0).back().apply(changed);
            lines = PatchDifference.between(RICH, changed);
            assertTrue(lines.size() < before, "one line less");
        }
        assertEquals(RICH, changed);
    }
}
