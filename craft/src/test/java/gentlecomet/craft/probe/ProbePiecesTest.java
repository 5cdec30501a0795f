package gentlecomet.craft.probe;

import static gentlecomet.craft.TypedPatch.with;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.phrase.Phrases;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import gentlecomet.sound.performance.Phrase;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What an edit cannot change is not measured anew, and what is taken from before is what would have been measured. */
class ProbePiecesTest {

    private static final Phrase PHRASE = Phrases.get("line");
    private static final Patch SPLIT = split();
    private static final Probes BEFORE = new Probing().probe(SPLIT, PHRASE);

    /** Two hands: a saw up to E4, a pulse above it, with a macro, the wheel, pressure and velocity on the lower one. */
    private static Patch split() {
        Patch patch = with(Patch.neutral("Two Hands"), "layer1.source1.wave=saw", "layer1.filter1.type=low", "layer1.filter1.cutoff=900", "layer1.zone.highKey=E4", "layer2.on=on", "layer2.zone.lowKey=F4",
                "layer2.source1.wave=pulse", "layer2.source1.level=-12", "effect1.type=chorus", "effect1.mix=30");
        return patch.withRoutes(List.of(new Route(Modulator.MOD_WHEEL, Parameters.find("layer1.filter1.cutoff"), 2), new Route(Modulator.VELOCITY, Parameters.find("layer1.filter1.cutoff"), 1)))
                .withMacro(0, new Macro("Brightness", "dark", "bright", List.of(new MacroTarget(Parameters.find("layer1.filter1.resonance"), 0, 12))));
    }

    private static Patch edited(String edit) {
        return switch (edit) {
            case "upper layer" -> with(SPLIT, "layer2.source1.cents=9");
            case "macro's far end" -> SPLIT.withMacro(0, new Macro("Brightness", "dark", "bright", List.of(new MacroTarget(Parameters.find("layer1.filter1.resonance"), 0, 18))));
            case "wheel" -> SPLIT.withRoutes(List.of(SPLIT.routes().get(0).withDepth(1), SPLIT.routes().get(1)));
            case "bend range" -> with(SPLIT, "performance.bendUp=7");
            case "effect" -> with(SPLIT, "effect1.mix=60");
            default -> throw new IllegalArgumentException(edit);
        };
    }

    private static Set<String> differing(Probes now) {
        Map<String, String> others = new HashMap<>(now.heard());
        others.entrySet().removeAll(BEFORE.heard().entrySet());
        return new TreeSet<>(others.keySet());
    }

    @ParameterizedTest
    @ValueSource(strings = {"upper layer", "macro's far end", "wheel", "bend range", "effect"})
    void whatIsTakenFromBeforeIsWhatWouldBeMeasured(String edit) {
        Patch now = edited(edit);
        assertEquals(new Probing().probe(now, PHRASE), new Probing().probe(now, PHRASE, BEFORE));
    }

    @Test
    void anEditIsMeasuredWhereItCanBeHeard() {
        Set<String> upper = differing(new Probing().probe(edited("upper layer"), PHRASE, BEFORE));
        Set<String> keys = BEFORE.keys().stream().filter(k -> k.key() >= 65).map(k -> "key " + k.key()).collect(Collectors.toSet());
        assertTrue(keys.size() > 3 && upper.containsAll(keys), upper.toString());
        assertTrue(BEFORE.keys().stream().filter(k -> k.key() < 65).noneMatch(k -> upper.contains("key " + k.key())), "the keys below the split are as they were");

        Set<String> macro = differing(new Probing().probe(edited("macro's far end"), PHRASE, BEFORE));
        assertTrue(macro.contains("hand macro1"), macro.toString());
        assertTrue(macro.stream().noneMatch(p -> p.startsWith("key") || p.equals("hold") || p.equals("hand wheel")), macro.toString());

        Set<String> wheel = differing(new Probing().probe(edited("wheel"), PHRASE, BEFORE));
        assertTrue(wheel.contains("hand wheel") && !wheel.contains("hand macro1") && !wheel.contains("start"), wheel.toString());

        assertEquals(Set.of("hand bend"), differing(new Probing().probe(edited("bend range"), PHRASE, BEFORE)).stream().filter(p -> p.startsWith("hand")).collect(Collectors.toSet()));
    }

    /** What everything goes through is heard everywhere. */
    @Test
    void aCommonEffectIsHeardInEveryPiece() {
        Probes now = new Probing().probe(edited("effect"), PHRASE, BEFORE);
        assertEquals(now.heard().keySet(), differing(now));
        assertNotEquals(BEFORE.keys(), now.keys());
    }

    @Test
    void theSamePatchIsNotMeasuredAnew() {
        assertEquals(Set.of(), differing(new Probing().probe(SPLIT, PHRASE, BEFORE)));
    }
}
