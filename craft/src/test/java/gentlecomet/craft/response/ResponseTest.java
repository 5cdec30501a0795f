package gentlecomet.craft.response;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.TypedPatch;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.patch.Route;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.util.HashSet;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Patches whose answers are known from what they are made of. */
class ResponseTest {

    private static final String[] SPLIT = {"layer1.zone.highKey=B3", "layer2.on=on", "layer2.zone.lowKey=C4", "layer1.source1.level=-12", "layer2.source1.level=-18"};

    private static Patch held(Patch patch, String target, String low, String high) {
        Patch named = new PatchEdit.AddTarget(0, Parameters.find(target)).apply(patch);
        var p = Parameters.find(target);
        named = new PatchEdit.SetEnd(0, p, false, ValueText.parse(p, low)).apply(named);
        return new PatchEdit.SetEnd(0, p, true, ValueText.parse(p, high)).apply(named);
    }

    @Test
    void everyThirdKeyIsMeasuredFirstAndEachOnce() {
        List<Integer> order = ResponseMap.order(TypedPatch.neutralWith("layer1.zone.lowKey=C3", "layer1.zone.highKey=C4"));
        assertEquals(List.of(48, 51, 54, 57, 60), order.subList(0, 5));
        assertEquals(13, order.size());
        assertEquals(13, new HashSet<>(order).size());
        assertEquals(88, ResponseMap.order(TypedPatch.neutralWith()).size(), "a piano has 88 keys");
    }

    /** 40 log10(v/127) dB (DLS and General MIDI 2) between the velocities of one key. */
    @Test
    void aKeyAnswersToVelocityByTheChosenLaw() {
        Patch patch = TypedPatch.neutralWith("performance.velocityToLevel=100");
        List<NoteFigures> key = ResponseMap.measure(patch, 69, Recordings.NONE);
        assertEquals(40 * Math.log10(64 / 127.0), key.get(3).loudness() - key.get(7).loudness(), 0.05);
        assertEquals(0, key.get(7).cents(), 0.5);
    }

    @Test
    void aSplitBetweenKeysStepsByWhatTheLayersDiffer() {
        List<SplitStep> steps = SplitStep.of(TypedPatch.neutralWith(SPLIT), Recordings.NONE);
        assertEquals(1, steps.size());
        assertTrue(steps.get(0).byKey() && steps.get(0).below() == 59);
        // The K weighting rises by less than 0.1 dB from B3 to C4.
        assertEquals(-6, steps.get(0).loudnessLu(), 0.1);
        assertTrue(steps.get(0).words().startsWith("B3 to C4: -"), steps.get(0).words());
    }

    @Test
    void aSplitBetweenVelocitiesIsMeasuredAtItsOwnPlace() {
        Patch patch = TypedPatch.neutralWith("layer1.zone.highVelocity=90", "layer2.on=on", "layer2.zone.lowVelocity=91", "layer2.source1.level=-6",
                "performance.velocityToLevel=0");
        List<SplitStep> steps = SplitStep.of(patch, Recordings.NONE);
        assertEquals(1, steps.size());
        assertEquals(90, steps.get(0).below());
        assertEquals(6, steps.get(0).loudnessLu(), 0.05, "from -12 to -6 dB");
    }

    /** Evenness is worked out again from rendered notes, by the loudness of BS.1770 alone. */
    @Test
    void eveningOutLeavesNoStepAndNoSlope() {
        Patch uneven = TypedPatch.with(TypedPatch.neutralWith(SPLIT), "layer1.source1.wave=saw", "layer1.filter1.type=low pass 24", "layer1.filter1.cutoff=120",
                "layer2.source1.wave=triangle");
        KeyLevelBalance.Proposal proposal = new KeyLevelBalance(Recordings.NONE).propose(uneven, 0);
        assertTrue(KeyLevelBalance.Proposal.worst(proposal.before()) > 3, proposal.before().toString());
        Patch even = proposal.edit().apply(uneven);
        assertEquals(0, loudness(even, 60) - loudness(even, 59), 1);
        assertTrue(Math.abs(loudness(uneven, 59) - loudness(uneven, 31)) > 4, "it did fall towards the split");
        for (int key = 33; key <= 84; key += 3) {
            assertEquals(loudness(even, 60), loudness(even, key), 1, "key " + key);
        }
        assertTrue(proposal.edit().label(uneven).matches("Evened out: greatest step at a split \\d+\\.\\d dB before, 0\\.\\d after"), proposal.edit().label(uneven));
        assertTrue(KeyLevelBalance.Proposal.worst(new KeyLevelBalance(Recordings.NONE).propose(even, 0).before()) < 1);
    }

    @Test
    void anEvenPatchIsLeftAlone() {
        // A pure tone differs along its keys by the K weighting only.
        assertNull(new KeyLevelBalance(Recordings.NONE).propose(TypedPatch.neutralWith("layer1.zone.lowKey=C4", "layer1.zone.highKey=C5"), 0).edit());
    }

    @Test
    void aWishedSlopeIsReached() {
        Patch patch = TypedPatch.neutralWith("layer1.source1.wave=saw");
        Patch sloped = new KeyLevelBalance(Recordings.NONE).propose(patch, -3).edit().apply(patch);
        assertEquals(-6, loudness(sloped, 72) - loudness(sloped, 48), 0.5, "3 dB softer from octave to octave");
    }

    private static double loudness(Patch patch, int key) {
        return Loudness.of(new Rendering(Measuring.RATE).render(PatchImage.of(patch), Phrase.single(key, 100, 0.5), 0.1,
                Rendering.ControllerState.AT_REST).audio()).momentaryMax();
    }

    @Test
    void aMacroOverTwentyDecibelsMeasuresTwenty() {
        Sweep sweep = Sweep.ofMacro(held(TypedPatch.neutralWith(), "layer1.source1.level", "-32 dB", "-12 dB"), 0, Recordings.NONE);
        assertEquals(20, sweep.loudnessLu(), 0.1);
        assertEquals(0, sweep.brightnessOctaves(), 0.1);
        assertEquals(0, sweep.pitchCents(), 0.5);
        assertEquals(-1, sweep.jumpsAt());
        assertEquals(List.of(), sweep.faults(-1));
    }

    @Test
    void aMacroThatReachesNothingIsDead() {
        Sweep sweep = Sweep.ofMacro(held(TypedPatch.neutralWith(), "layer1.envelope3.attack", "1 ms", "2 s"), 0, Recordings.NONE);
        assertEquals(List.of("dead: nothing changes that can be heard"), sweep.faults(-1));
    }

    @Test
    void aMacroThatClipsSaysHowFar() {
        Sweep sweep = Sweep.ofMacro(held(TypedPatch.neutralWith("performance.velocityToLevel=0", "levelTrim=18"), "layer1.source1.level", "-32 dB", "-12 dB"), 0, Recordings.NONE);
        assertEquals(6, sweep.peakDbtp(), 0.2, "a sine of -12 dBFS raised by 18 dB");
        assertTrue(sweep.faults(-1).get(0).startsWith("clips: +6.0") || sweep.faults(-1).get(0).startsWith("clips: +5.9"), sweep.faults(-1).toString());
    }

    @Test
    void aMacroThatJumpsSaysWhere() {
        // A bent route that its limit stops: four octaves in the first tenth of the macro's travel, nothing after it.
        Route jumping = new Route(Modulator.MACRO_1, Parameters.find("layer1.filter1.cutoff"), 10, Route.Side.OWN, 1, -1, 0.42, null);
        Patch patch = TypedPatch.neutralWith("layer1.source1.wave=saw", "layer1.filter1.type=low pass 24", "layer1.filter1.cutoff=100").withRoutes(List.of(jumping));
        assertEquals(10, Sweep.ofMacro(patch, 0, Recordings.NONE).jumpsAt());
    }

    @Test
    void theWheelIsFollowedThroughItsRoute() {
        Patch patch = TypedPatch.neutralWith();
        Patch routed = new PatchEdit.AddRoute(Modulator.MOD_WHEEL, Parameters.find("layer1.pitch.shift"), 0.5).apply(patch);
        assertEquals(50, Sweep.ofHand(routed, Sweep.Hand.WHEEL, Recordings.NONE).pitchCents(), 1);
        assertTrue(Sweep.ofHand(routed, Sweep.Hand.BREATH, Recordings.NONE).dead());
    }

    @Test
    void theBendIsMeasuredFromAllTheWayDownToAllTheWayUp() {
        assertEquals(200 + 1200, Sweep.ofHand(TypedPatch.neutralWith("performance.bendUp=2", "performance.bendDown=12"), Sweep.Hand.BEND, Recordings.NONE).pitchCents(), 3);
        assertTrue(Sweep.ofHand(TypedPatch.neutralWith("performance.bendUp=0", "performance.bendDown=0"), Sweep.Hand.BEND, Recordings.NONE).dead());
    }

    @Test
    void thePedalIsHeardByItsRoutesAndNotByHolding() {
        Patch patch = TypedPatch.neutralWith();
        assertTrue(Sweep.ofHand(patch, Sweep.Hand.PEDAL, Recordings.NONE).dead(), "it only holds");
        Patch routed = new PatchEdit.AddRoute(Modulator.PEDAL, Parameters.find("layer1.pitch.shift"), 0.5).apply(patch);
        assertEquals(50, Sweep.ofHand(routed, Sweep.Hand.PEDAL, Recordings.NONE).pitchCents(), 1);
    }

    @Test
    void releaseVelocityIsHeardAfterTheKeyHasGoneUp() {
        Patch patch = TypedPatch.neutralWith("layer1.amplitude.release=2 s");
        assertTrue(Sweep.ofHand(patch, Sweep.Hand.RELEASE, Recordings.NONE).dead());
        Patch routed = new PatchEdit.AddRoute(Modulator.RELEASE_VELOCITY, Parameters.find("layer1.pitch.shift"), 1).apply(patch);
        assertEquals(100, Sweep.ofHand(routed, Sweep.Hand.RELEASE, Recordings.NONE).pitchCents(), 3);
    }

    /** Quantiles of the strikes against even levels. */
    @Test
    void aPlayersStrikesBecomeACurve() {
        assertArrayEquals(new double[] {7.9, 0, 17.7, 25, 27.6, 50, 37.4, 75, 47.2, 100}, VelocityCurve.fit(
                new int[] {10, 15, 20, 25, 30, 40, 45, 50, 55, 60, 35}), 0.06);
        assertThrows(IllegalArgumentException.class, () -> VelocityCurve.fit(new int[] {10, 60}));
        assertThrows(IllegalArgumentException.class, () -> VelocityCurve.fit(new int[] {60, 61, 62, 63, 64}));
    }

    @Test
    void velocityIsMeasuredOverItsWholeRange() {
        List<VelocityCurve.Point> points = VelocityCurve.measure(TypedPatch.neutralWith("performance.velocityCurve=linear", "performance.velocityDepth=30"), Recordings.NONE);
        double full = points.get(points.size() - 1).figures().loudness();
        for (VelocityCurve.Point p : points) {
            assertEquals(-30 * (1 - p.velocity() / 127.0), p.figures().loudness() - full, 0.05, "velocity " + p.velocity());
        }
    }

    /** The wheel of a vibrato does not lead a fifth and an octave away, whatever of the sound beats. */
    @Test
    void theWheelOfADemoPatchKeepsItsPitch() throws java.io.IOException {
        try (var in = ResponseTest.class.getResourceAsStream("/demo/saltmarsh-field-kit/patches/a049-press-for-light.json")) {
            Patch patch = gentlecomet.craft.format.PatchFormat.read(new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8), "a049");
            double cents = Sweep.ofHand(patch, Sweep.Hand.WHEEL, Recordings.NONE).pitchCents();
            assertTrue(cents < 50, cents + " ct");
        }
    }
}
