package gentlecomet.craft.edit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import org.junit.jupiter.api.Test;

class PatchEditTest {

    private static final Parameter CUTOFF = Parameters.find("layer1.filter1.cutoff");
    private final Patch patch = Patch.neutral("Test").withValue(CUTOFF, 420);

    private static void refused(Patch patch, PatchEdit edit, String mentioned) {
        String message = assertThrows(PatchEdit.EditException.class, () -> edit.apply(patch)).getMessage();
        assertTrue(message.contains(mentioned), message);
    }

    @Test
    void editsAreToldInWords() {
        assertEquals("Layer 1 filter 1: Cutoff 420.0 Hz to 1.20 kHz", new PatchEdit.SetValue(CUTOFF, 1200).label(patch));
        assertEquals("Route LFO 1 to Layer 1 filter 1: Cutoff", new PatchEdit.AddRoute(Modulator.LFO_1, CUTOFF, 1).label(patch));
        assertEquals("Split at C3", new SplitLayer(0, 48).label(patch));
    }

    @Test
    void valuesOutOfRangeAreRefused() {
        refused(patch, new PatchEdit.SetValue(CUTOFF, 30000), "20.0 Hz to 20.00 kHz");
        refused(patch, new PatchEdit.SetValue(CUTOFF, Double.NaN), "Cutoff");
        refused(patch, new PatchEdit.Rename(" "), "needs a name");
        refused(patch, new PatchEdit.Rename("x".repeat(500)), "500 characters");
        refused(patch, new PatchEdit.AddRoute(Modulator.LFO_1, CUTOFF, 50), "up to 9.97 oct");
        refused(patch, new PatchEdit.AddRoute(Modulator.LFO_1, Parameters.find("performance.tempo"), 5), "cannot move");
        refused(patch, new MoveEffect(-1, 0, 10), "no such place");
        refused(patch, new PatchEdit.RemoveRoute(0), "no longer there");
    }

    /** (1 - 2^(-8 a x)) / (1 - 2^(-8 a)) of the way, along the logarithmic taper of a cutoff. */
    @Test
    void aTargetIsBentBetweenItsEnds() {
        Patch held = new PatchEdit.SetEnd(2, CUTOFF, true, 4200).apply(new PatchEdit.AddTarget(2, CUTOFF).apply(patch));
        Patch bent = new PatchEdit.BendTarget(2, CUTOFF, 0.5).apply(held);
        double way = (1 - Math.pow(2, -4 * 0.5)) / (1 - Math.pow(2, -4));
        Parameter macro = Parameters.find("macro3");
        assertEquals(420 * Math.pow(10, way), bent.withValue(macro, 50).soundingValue(CUTOFF), 1e-6);
        assertEquals(4200, bent.withValue(macro, 100).soundingValue(CUTOFF), 1e-6);
        assertEquals(PatchImage.sounding(PatchImage.of(bent.withValue(macro, 50)), CUTOFF.index()), bent.withValue(macro, 50).soundingValue(CUTOFF), 1e-9);
        assertEquals(0.5, new PatchEdit.SetEnd(2, CUTOFF, true, 2000).apply(bent).targetOf(2, CUTOFF).bend(), "an end that moves keeps the bend");
        refused(held, new PatchEdit.BendTarget(2, CUTOFF, 1.5), "-100 to 100");
        refused(patch, new PatchEdit.BendTarget(2, CUTOFF, 0), "does not hold");
    }

    @Test
    void aMacroTakesAParameterAndGivesItBackWhereItSounds() {
        Patch held = new PatchEdit.AddTarget(2, CUTOFF).apply(patch);
        held = new PatchEdit.SetEnd(2, CUTOFF, true, 4200).apply(held);
        assertEquals(420, held.soundingValue(CUTOFF), 1e-9);
        held = new PatchEdit.SetValue(Parameters.find("macro3"), 50).apply(held);
        // Half way along a logarithmic taper is the geometric mean.
        assertEquals(420 * Math.sqrt(10), held.soundingValue(CUTOFF), 1e-6);
        refused(held, new PatchEdit.AddTarget(5, CUTOFF), "macro 3 already holds".substring(1));
        Patch free = new PatchEdit.RemoveTarget(2, CUTOFF).apply(held);
        assertEquals(420 * Math.sqrt(10), free.value(CUTOFF.index()), 1e-6);
        assertEquals(-1, free.holdingMacro(CUTOFF));
    }

    @Test
    void aSplitPutsTheLayersSideBySideWithoutAHole() {
        Patch split = new SplitLayer(0, 48).apply(patch);
        assertEquals(47, split.value("layer1.zone.highKey"));
        assertEquals(48, split.value("layer2.zone.lowKey"));
        assertTrue(split.layerOn(1));
        assertEquals(-12, split.value("layer2.source1.level"));
    }

    @Test
    void aSplitOfAnUpperLayerLeavesTheOthers() {
        Patch three = new SplitLayer(1, 72).apply(new SplitLayer(0, 48).apply(patch));
        assertEquals(47, three.value("layer1.zone.highKey"));
        assertEquals(48, three.value("layer2.zone.lowKey"));
        assertEquals(71, three.value("layer2.zone.highKey"));
        assertEquals(72, three.value("layer3.zone.lowKey"));
        assertEquals(127, three.value("layer3.zone.highKey"));
    }

    @Test
    void layersOverTheSameKeysPartAtASplit() {
        Patch stacked = patch.withValue(Parameters.find("layer3.on"), 1);
        Patch split = new SplitLayer(2, 60).apply(stacked);
        assertEquals(59, split.value("layer3.zone.highKey"));
        assertEquals(60, split.value("layer1.zone.lowKey"), "layer 1 lay over the same keys");
        assertTrue(!split.layerOn(1));
    }

    @Test
    void splitsThatCannotBeAreRefused() {
        Patch four = new SplitLayer(2, 84).apply(new SplitLayer(1, 72).apply(new SplitLayer(0, 48).apply(patch)));
        refused(four, new SplitLayer(0, 24), "All 4 layers are in use");
        refused(four, new SplitLayer(0, 60), "C-1 to B2");
        refused(patch, new SplitLayer(0, 0), "above its first");
        refused(patch, new SplitLayer(3, 60), "is off");
    }

    @Test
    void depthsAreReadInTheUnitOfTheTarget() {
        assertEquals(1.5, DepthText.parse(CUTOFF, 420, "1.5 oct"), 1e-12);
        assertEquals(2, DepthText.parse(CUTOFF, 420, "24 st"), 1e-12);
        assertEquals(1, DepthText.parse(CUTOFF, 420, "840 Hz"), 1e-9);
        assertEquals(0.07, DepthText.parse(Parameters.find("layer1.pitch.shift"), 0, "7 ct"), 1e-12);
        assertThrows(PatchEdit.EditException.class, () -> DepthText.parse(CUTOFF, 420, "a lot"));
    }
}
