package gentlecomet.craft.check;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.TypedPatch;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LooseEndsTest {

    private static Patch with(String... changes) {
        return TypedPatch.neutralWith(changes);
    }

    @Test
    void theNeutralPatchHasNone() {
        assertEquals(List.of(), LooseEnds.of(Patch.neutral("Plain")));
    }

    /** Each part that is set up and not heard is named with its place; what mends it makes it go away. */
    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {
        "layer1.source2.wave=saw;layer1.source2.level;level is off",
        "layer1.noise.colour=pink;layer1.noise.level;noise is set up",
        "layer2.source1.wave=saw;layer2.on;switched off",
        "layer1.lfo3.rate=2 Hz;layer1.lfo3.rate;no route starts from it",
        "layer1.envelope4.attack=1 s;layer1.envelope4.attack;reaches nothing",
        "layer1.source1.wave=recording;layer1.source1.wave;no recording",
        "layer1.source1.level=off;layer1.source1.level;no source that is heard"})
    void aPartThatIsNotHeardIsNamed(String change, String place, String words) {
        List<LooseEnds.LooseEnd> found = LooseEnds.of(with(change));
        assertEquals(1, found.size(), found.toString());
        assertEquals(place, found.get(0).place());
        assertTrue(found.get(0).words().contains(words), found.get(0).words());
        if (found.get(0).fix() != null) {
            Patch mended = with(change).withValue(found.get(0).fix(), found.get(0).value());
            assertTrue(LooseEnds.of(mended).stream().noneMatch(e -> e.words().equals(found.get(0).words())), "mended");
        }
    }

    @Test
    void aSilentModulatorThatAnotherSourceListensToIsNoLooseEnd() {
        assertEquals(List.of(), LooseEnds.of(with("layer1.source2.ratio=3", "layer1.source1.phaseModulation2=2")));
    }

    @Test
    void routesThatMoveNothingAreNamed() {
        Patch depth = new PatchEdit.AddRoute(Modulator.LFO_1, Parameters.find("layer1.source1.cents"), 0).apply(Patch.neutral("x"));
        assertTrue(LooseEnds.of(depth).get(0).words().contains("has depth 0"));
        Patch off = new PatchEdit.AddRoute(Modulator.LFO_1, Parameters.find("layer1.filter2.cutoff"), 1).apply(Patch.neutral("x"));
        assertTrue(LooseEnds.of(off).get(0).words().contains("filter 2: Filter is off"), LooseEnds.of(off).toString());
    }

    @Test
    void effectsThatAreMixedOutBypassedOrFlatAreNamed() {
        assertTrue(LooseEnds.of(with("effect1.type=delay", "effect1.mix=0")).get(0).words().contains("mixed out"));
        assertTrue(LooseEnds.of(with("effect1.type=chorus", "effect1.on=bypassed")).get(0).words().contains("bypassed"));
        assertTrue(LooseEnds.of(with("effect1.type=equaliser")).get(0).words().contains("flat"));
        Patch held = new PatchEdit.SetEnd(0, Parameters.find("effect1.mix"), true, 60)
                .apply(new PatchEdit.AddTarget(0, Parameters.find("effect1.mix")).apply(with("effect1.type=delay", "effect1.mix=0")));
        assertEquals(List.of(), LooseEnds.of(held), "a macro brings it in");
    }

    @Test
    void aNamedMacroThatHoldsNothingIsNamed() {
        assertTrue(LooseEnds.of(new PatchEdit.NameMacro(2, "Glow", "", "").apply(Patch.neutral("x"))).get(0).words().contains("Glow"));
    }
}
