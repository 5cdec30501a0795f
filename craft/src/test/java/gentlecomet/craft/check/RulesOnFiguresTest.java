package gentlecomet.craft.check;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.measure.StereoImage;
import gentlecomet.craft.probe.ClickProbe;
import gentlecomet.craft.probe.HandProbe;
import gentlecomet.craft.probe.KeyProbe;
import gentlecomet.craft.probe.PartProbe;
import gentlecomet.craft.response.SplitStep;
import gentlecomet.craft.rules.CheckSettings;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Patch;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Every threshold from both sides, on figures that nobody rendered. */
class RulesOnFiguresTest {

    private static final Patch LEAD = patch("lead");

    private static Patch patch(String category) {
        Patch patch = Patch.neutral("Good Patch");
        for (int m = 0; m < 3; m++) {
            patch = patch.withMacro(m, new Macro(HouseRules.DEFAULT.macroNames().get(m), "a", "b", List.of(new MacroTarget(Parameters.find("layer1.source" + (m + 1) + ".cents"), -9, 9))));
        }
        return patch.withNaming(patch.naming().withCategory(category));
    }

    private static Arguments limit(String rule, Consumer<SketchedProbes> inside, Consumer<SketchedProbes> beyond) {
        return Arguments.of(rule, inside, beyond);
    }

    private static ClickProbe click(double excess, double level) {
        return new ClickProbe(excess, level, 0, "C4:100:1");
    }

    private static StereoImage stereo(double correlation, double balance, double loss, double low, double part) {
        return new StereoImage(correlation, balance, loss, low, part);
    }

    private static void replace(SketchedProbes p, HandProbe hand) {
        p.hands.removeIf(h -> h.hand().equals(hand.hand()));
        p.hands.add(hand);
    }

    private static void loudness(SketchedProbes p, int key, double lufs) {
        p.keys.replaceAll(k -> k.key() == key ? SketchedProbes.key(key, lufs, 0.0, 0) : k);
    }

    private static void soft(SketchedProbes p, double lufs) {
        p.touch.replaceAll(t -> t.velocity() == 16 ? new KeyProbe(60, 16, SketchedProbes.figures(lufs, 1080, 0.0), 0, 0.5, 0, 1) : t);
    }

    private static void touch(SketchedProbes p, double... lufs) {
        int[] velocities = {16, 48, 80, 100, 127};
        p.touch.clear();
        for (int i = 0; i < lufs.length; i++) {
            p.touch.add(new KeyProbe(60, velocities[i], SketchedProbes.figures(lufs[i], 1000, 0.0), 0, 0.5, 0, 1));
        }
    }

    private static HandProbe.Point[] ends(double first, double second, double third, double fourth, double fifth) {
        double[] lufs = {first, second, third, fourth, fifth};
        HandProbe.Point[] points = new HandProbe.Point[5];
        for (int i = 0; i < 5; i++) {
            points[i] = SketchedProbes.point(25 * i, lufs[i], -6, 1000);
        }
        return points;
    }

    static Stream<Arguments> limits() {
        return Stream.of(
                limit("silence.dc", p -> p.dc = 0.09, p -> p.dc = 0.11),
                limit("tail.growing", p -> p.growth = 3.9, p -> p.growth = 4.1),
                limit("tail.long", p -> p.tail = 5.9, p -> p.tail = 6.1),
                limit("level.ceiling", p -> p.peak = -1, p -> p.peak = -0.9),
                limit("level.loudness", p -> p.loudness = -18.4, p -> p.loudness = -18.6),
                limit("level.chord", p -> p.chordPeak = -0.1, p -> p.chordPeak = 0.1),
                limit("level.keys", p -> loudness(p, 72, -6.1), p -> loudness(p, 72, -5.9)),
                limit("level.even", p -> loudness(p, 72, -9.1), p -> loudness(p, 72, -8.9)),
                limit("level.soft", p -> soft(p, -50.9), p -> soft(p, -51.1)),
                limit("click.start", p -> p.starts = click(17.9, -20), p -> p.starts = click(18.1, -20)),
                limit("click.start", p -> p.starts = click(40, -46.5), p -> p.starts = click(40, -45.5)),
                limit("click.end", p -> p.ends = click(17.9, -20), p -> p.ends = click(18.1, -20)),
                limit("click.change", p -> p.changes = List.of(click(17.9, -20)), p -> p.changes = List.of(click(18.1, -20))),
                limit("pitch.tuning", p -> p.cents = 11.9, p -> p.cents = -12.1),
                limit("pitch.drift", p -> p.drift = 19.9, p -> p.drift = -20.1),
                limit("keymap.split", p -> p.splits = List.of(new SplitStep(true, 60, 60, 3.9, 1)), p -> p.splits = List.of(new SplitStep(true, 60, 60, -4.1, 1))),
                limit("keymap.split", p -> p.splits = List.of(new SplitStep(true, 60, 60, 0, 7.9)), p -> p.splits = List.of(new SplitStep(true, 60, 60, 0, 8.2))),
                limit("keymap.dead", p -> loudness(p, 96, -44.9), p -> loudness(p, 96, -45.1)),
                limit("keymap.shriek", p -> p.keys.set(9, SketchedProbes.key(78, -15, 0.0, 0.69)), p -> p.keys.set(9, SketchedProbes.key(78, -15, 0.0, 0.71))),
                limit("keymap.alias", p -> p.aliasing = -40.5, p -> p.aliasing = -39.5),
                limit("expression.velocity", p -> touch(p, -16.1, -16, -15.5, -15.2, -15), p -> touch(p, -15.9, -15.8, -15.5, -15.2, -15)),
                limit("expression.inverted", p -> touch(p, -14.1, -15, -15, -15, -15), p -> touch(p, -13.9, -15, -15, -15, -15)),
                limit("expression.jump", p -> touch(p, -52, -21, -18, -16, -14), p -> touch(p, -53, -21, -18, -16, -14)),
                limit("expression.deadzone", p -> touch(p, -30, -20, -15, -14.8, -14), p -> touch(p, -30, -20, -15, -14.95, -14)),
                limit("expression.wheel", p -> replace(p, SketchedProbes.hand("wheel", -49.5, ends(-15, -15, -15, -15, -15))), p -> replace(p, SketchedProbes.hand("wheel", -50.5, ends(-15, -15, -15, -15, -15)))),
                limit("expression.pressure", p -> replace(p, SketchedProbes.hand("pressure", -49.5, ends(-15, -15, -15, -15, -15))), p -> replace(p, SketchedProbes.hand("pressure", -50.5, ends(-15, -15, -15, -15, -15)))),
                limit("hand.jump", p -> replace(p, SketchedProbes.hand("macro1", -10, ends(-24.9, -15, -15, -15, -15))), p -> replace(p, SketchedProbes.hand("macro1", -10, ends(-25.1, -15, -15, -15, -15)))),
                limit("hand.ceiling", p -> replace(p, SketchedProbes.hand("macro1", -10, SketchedProbes.point(0, -15, -6, 1000), SketchedProbes.point(100, -15, -0.1, 1000))),
                        p -> replace(p, SketchedProbes.hand("macro1", -10, SketchedProbes.point(0, -15, -6, 1000), SketchedProbes.point(100, -15, 0.1, 1000)))),
                limit("hand.silent", p -> replace(p, SketchedProbes.hand("macro1", -3, ends(-15, -20, -30, -40, -50.9))), p -> replace(p, SketchedProbes.hand("macro1", -3, ends(-15, -20, -30, -40, -51.1)))),
                limit("hand.together", p -> p.loudPeak = 8.9, p -> p.loudPeak = 9.1),
                limit("macro.dead", p -> replace(p, SketchedProbes.hand("macro1", -49.5, ends(-15, -15, -15, -15, -15))), p -> replace(p, SketchedProbes.hand("macro1", -50.5, ends(-15, -15, -15, -15, -15)))),
                limit("macro.inverted", p -> replace(p, SketchedProbes.hand("macro1", -10, SketchedProbes.point(0, -15, -6, 1200), SketchedProbes.point(100, -15, -6, 1000))),
                        p -> replace(p, SketchedProbes.hand("macro1", -10, SketchedProbes.point(0, -15, -6, 1300), SketchedProbes.point(100, -15, -6, 1000)))),
                limit("space.mono", p -> p.phrase = SketchedProbes.phrase(0, 0, stereo(0.5, 0, 3.4, 1, 0.1), -40, null), p -> p.phrase = SketchedProbes.phrase(0, 0, stereo(0.5, 0, 3.6, 1, 0.1), -40, null)),
                limit("space.side", p -> p.phrase = SketchedProbes.phrase(0, 0, stereo(0.5, 5.9, 1, 1, 0.1), -40, null), p -> p.phrase = SketchedProbes.phrase(0, 0, stereo(0.5, -6.1, 1, 1, 0.1), -40, null)),
                limit("space.phase", p -> p.phrase = SketchedProbes.phrase(0, 0, stereo(-0.09, 0, 1, 1, 0.1), -40, null), p -> p.phrase = SketchedProbes.phrase(0, 0, stereo(-0.11, 0, 1, 1, 0.1), -40, null)),
                limit("space.low", p -> p.phrase = SketchedProbes.phrase(0, 0, stereo(0.5, 0, 1, 0.36, 0.3), -40, null), p -> p.phrase = SketchedProbes.phrase(0, 0, stereo(0.5, 0, 1, 0.34, 0.3), -40, null)),
                limit("space.rumble", p -> p.phrase = SketchedProbes.phrase(0, 0, stereo(0.5, 0, 1, 1, 0.3), -4.1, null), p -> p.phrase = SketchedProbes.phrase(0, 0, stereo(0.5, 0, 1, 1, 0.3), -3.9, null)),
                limit("category.attack", p -> p.attack = 0.79, p -> p.attack = 0.81),
                limit("part.unheard", p -> p.parts = List.of(new PartProbe("layer1.source1.level", "Layer 1 source 1", PartProbe.Kind.SOURCE, -59.5)),
                        p -> p.parts = List.of(new PartProbe("layer1.source1.level", "Layer 1 source 1", PartProbe.Kind.SOURCE, -60.5))),
                limit("repeat.same", p -> p.repeats = true, p -> p.repeats = false),
                limit("repeat.spread", p -> p.repeatDb = 2.9, p -> p.repeatDb = 3.1),
                limit("silence.fault", p -> { }, p -> p.phrase = SketchedProbes.phrase(0, 2, stereo(0.5, 0, 1, 1, 0.3), -40, null)),
                limit("level.clipping", p -> { }, p -> p.phrase = SketchedProbes.phrase(3, 0, stereo(0.5, 0, 1, 1, 0.3), -40, null)),
                limit("tail.stuck", p -> { }, p -> p.endless = true));
    }

    private static Set<String> rules(Patch patch, SketchedProbes probes, HouseRules house) {
        return Soundcheck.judge(patch, probes.made(), house).stream().map(Finding::rule).collect(Collectors.toSet());
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("limits")
    void aLimitHoldsOnBothItsSides(String rule, Consumer<SketchedProbes> inside, Consumer<SketchedProbes> beyond) {
        SketchedProbes within = new SketchedProbes();
        inside.accept(within);
        assertFalse(rules(LEAD, within, HouseRules.DEFAULT).contains(rule), "within");
        SketchedProbes outside = new SketchedProbes();
        beyond.accept(outside);
        List<Finding> found = Soundcheck.judge(LEAD, outside.made(), HouseRules.DEFAULT).stream().filter(f -> f.rule().equals(rule)).toList();
        assertEquals(1, found.size(), "beyond");
        assertFalse(found.get(0).message().isBlank());
        assertTrue(found.get(0).picture() != null || !found.get(0).clip().isEmpty(), "evidence to see, or to hear and so to see");
    }

    @Test
    void aFlawlessSoundBreaksNothing() {
        assertEquals(Set.of(), rules(LEAD, new SketchedProbes(), HouseRules.DEFAULT));
    }

    /** A pluck may start sharply, and has to start soon; a pad the other way round. */
    @Test
    void categoriesExpectTheirOwn() {
        SketchedProbes sharp = new SketchedProbes();
        sharp.starts = click(40, -20);
        assertFalse(rules(patch("pluck"), sharp, HouseRules.DEFAULT).contains("click.start"));
        assertTrue(rules(patch("pad"), sharp, HouseRules.DEFAULT).contains("click.start"));
        SketchedProbes slow = new SketchedProbes();
        slow.attack = 3;
        assertTrue(rules(patch("pluck"), slow, HouseRules.DEFAULT).contains("category.attack"));
        assertFalse(rules(patch("pad"), slow, HouseRules.DEFAULT).contains("category.attack"));
    }

    @Test
    void halfTheKeysOutOfTune() {
        SketchedProbes p = new SketchedProbes();
        p.keys.replaceAll(k -> SketchedProbes.key(k.key(), -15, k.key() >= 66 ? 40.0 : 0.0, 0));
        Finding found = Soundcheck.judge(LEAD, p.made(), HouseRules.DEFAULT).stream().filter(f -> f.rule().equals("pitch.keys")).findFirst().orElseThrow();
        assertTrue(found.message().startsWith("6 of 9 keys"), found.message());
        assertEquals(15, found.picture().x().size(), "the picture shows every probed key");
    }

    @Test
    void anOctaveThatChangesInTheMiddle() {
        SketchedProbes p = new SketchedProbes();
        p.keys.replaceAll(k -> new KeyProbe(k.key(), 100, SketchedProbes.figures(-15, (k.key() >= 66 ? 600 : 300) * Math.pow(2, (k.key() - 60) / 12.0), k.key() >= 66 ? 1200.0 : 0.0), 0, 0, 0, 1));
        assertTrue(rules(LEAD, p, HouseRules.DEFAULT).contains("pitch.jump"));
        // Formants keep the brightness where it is: then it takes keys that cannot be read in the same octave.
        for (double half : new double[] {0.0009, 0.0011}) {
            p.keys.replaceAll(k -> new KeyProbe(k.key(), 100, SketchedProbes.figures(-15, 300 * Math.pow(2, (k.key() - 60) / 12.0), k.key() >= 66 ? 1200.0 : 0.0), 0, 0.7, half, 1));
            assertEquals(half < 0.001, rules(LEAD, p, HouseRules.DEFAULT).contains("pitch.jump"), "half " + half);
        }
        SketchedProbes down = new SketchedProbes();
        down.keys.replaceAll(k -> SketchedProbes.key(k.key(), -15, -2400.0, 0));
        assertTrue(rules(LEAD, down, HouseRules.DEFAULT).contains("pitch.octave"), "a lead two octaves down");
        assertFalse(rules(patch("bass"), down, HouseRules.DEFAULT).contains("pitch.octave"), "a bass may be");
    }

    /** Two macros whose changes point the same way are the same; two that differ in one band are not. */
    @Test
    void macrosThatDoTheSame() {
        SketchedProbes p = new SketchedProbes();
        HandProbe.Point[] points = {SketchedProbes.point(0, -15, -6, 1000), SketchedProbes.point(100, -15, -6, 3000)};
        List<Double> up = List.of(0.0, 0.0, 1.0, 3.0, 8.0, 12.0, 4.0, 0.0, 0.0, 0.0, 0.0, 0.0);
        List<Double> other = List.of(9.0, 8.0, 1.0, 3.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 5.0, 0.0);
        p.hands.add(new HandProbe("macro1", 60, List.of(points), -10, -10, ClickProbe.NONE, up));
        p.hands.add(new HandProbe("macro2", 60, List.of(points), -10, -10, ClickProbe.NONE, other));
        assertFalse(rules(LEAD, p, HouseRules.DEFAULT).contains("macro.same"));
        p.hands.add(new HandProbe("macro3", 60, List.of(points), -10, -10, ClickProbe.NONE, up.stream().map(v -> 1.1 * v).toList()));
        assertTrue(rules(LEAD, p, HouseRules.DEFAULT).contains("macro.same"));
    }

    @Test
    void aHouseHasItsOwnLimitsAndWeights() {
        SketchedProbes p = new SketchedProbes();
        p.chordPeak = 3;
        HouseRules lenient = house(new CheckSettings(Map.of("level.chord peak", 4.0), Map.of()));
        assertFalse(rules(LEAD, p, lenient).contains("level.chord"));
        HouseRules off = house(new CheckSettings(Map.of(), Map.of("level.chord", CheckSettings.Weight.OFF)));
        assertFalse(rules(LEAD, p, off).contains("level.chord"));
        HouseRules look = house(new CheckSettings(Map.of(), Map.of("level.chord", CheckSettings.Weight.LOOK)));
        assertEquals(Finding.Severity.WARNING, Soundcheck.judge(LEAD, p.made(), look).stream().filter(f -> f.rule().equals("level.chord")).findFirst().orElseThrow().severity());
    }

    private static HouseRules house(CheckSettings checks) {
        return HouseRules.DEFAULT.withConventions(HouseRules.DEFAULT.conventions().withChecks(checks));
    }

    /** Each rule of the program has an id of its own, and thresholds that name it. */
    @Test
    void rulesAndThresholdsBelongTogether() {
        List<String> ids = SoundcheckRules.ALL.stream().map(SoundcheckRule::id).toList();
        assertEquals(ids.size(), Set.copyOf(ids).size());
        for (SoundcheckRule rule : SoundcheckRules.ALL) {
            rule.thresholds().forEach(t -> assertEquals(rule.id(), t.rule(), t.id()));
            assertFalse(rule.text().isBlank() || rule.advice().isBlank(), rule.id());
        }
        assertEquals(Collections.emptyList(), ids.stream().filter(id -> !id.matches("[a-z]+\\.[a-z]+")).toList());
    }
}
