package gentlecomet.craft.check;

import static gentlecomet.craft.TypedPatch.with;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.phrase.Phrases;
import gentlecomet.craft.probe.Probes;
import gentlecomet.craft.probe.Probing;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import gentlecomet.sound.source.Recordings;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A repair is offered when it clears its finding and brings no other; what works is found by rendering. */
class MendingTest {

    private static final HouseRules HOUSE = HouseRules.DEFAULT;

    private static Patch lead(String... changes) {
        Patch patch = with(Patch.neutral("Good Patch"), "layer1.source1.wave=saw", "layer1.filter1.type=low", "levelTrim=-8.7");
        return with(patch.withNaming(patch.naming().withCategory("lead"))
                .withRoutes(List.of(new Route(Modulator.AFTERTOUCH, Parameters.find("layer1.filter1.cutoff"), 2), new Route(Modulator.MOD_WHEEL, Parameters.find("layer1.filter1.cutoff"), 1)))
                .withMacro(0, new Macro("Brightness", "a", "b", List.of(new MacroTarget(Parameters.find("layer1.filter1.cutoff"), 400, 4000)))), changes);
    }

    private static Mending.Outcome mend(String rule, Patch patch) {
        Probes probes = new Probing().probe(patch, Phrases.get("line"));
        Finding finding = Soundcheck.judge(patch, probes, HOUSE).stream().filter(f -> f.rule().equals(rule)).findFirst().orElseThrow(() -> new AssertionError(rule + " is not found"));
        return new Mending(HOUSE, Recordings.NONE).mend(patch, probes, finding);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "space.side          | Centre sources and layers        | layer1.zone.pan=-80",
        "expression.velocity | Velocity as the standard has it  | performance.velocityToLevel=0",
        "pitch.tuning        | Tune the source                  | layer1.source1.cents=-30",
        "level.chord         | Add a limiter at the end         | levelTrim=12",
        "keymap.overlap      | Part the zones in the middle     | layer2.on=on;layer2.source1.wave=saw;layer2.source1.level=-12;layer2.filter1.type=low;layer1.zone.highKey=E4;layer2.zone.lowKey=C4",
        "keymap.hole         | Widen the zones over the hole    | layer1.zone.lowVelocity=20"})
    void whatWorksIsOffered(String rule, String words, String changes) {
        Mending.Outcome outcome = mend(rule, lead(changes.split(";")));
        assertEquals(words, outcome.words(), String.join(" ", outcome.told()));
        assertTrue(outcome.left().stream().noneMatch(f -> f.rule().equals(rule)), "it is gone");
    }

    /** The ends change places and the position is mirrored, so that the patch sounds as before. */
    @Test
    void aMacroThatGoesTheWrongWayIsTurned() {
        Patch wrong = lead().withMacro(0, new Macro("Brightness", "a", "b", List.of(new MacroTarget(Parameters.find("layer1.filter1.cutoff"), 6000, 300)))).withValue(Parameters.at(PatchParameters.MACRO), 30);
        Mending.Outcome outcome = mend("macro.inverted", wrong);
        assertEquals("Exchange the ends", outcome.words());
        assertEquals(70, outcome.patch().value("macro1"), 1e-9);
        assertEquals(wrong.soundingValue(Parameters.find("layer1.filter1.cutoff")), outcome.patch().soundingValue(Parameters.find("layer1.filter1.cutoff")), 1e-6);
    }

    /** Nothing of the program mends a wheel that nobody has routed, and what it tried is told. */
    @Test
    void whatDoesNotWorkIsNotOffered() {
        Mending.Outcome none = mend("expression.wheel", lead().withRoutes(List.of()));
        assertFalse(none.works());
        Mending.Outcome tail = mend("tail.long", lead("layer1.amplitude.release=17 s"));
        assertFalse(tail.works(), "half of twenty seconds is still too long");
        assertTrue(tail.told().get(0).startsWith("Release half as long: is not enough"), tail.told().toString());
    }
}
