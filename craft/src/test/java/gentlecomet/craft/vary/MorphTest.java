package gentlecomet.craft.vary;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.DemoPatch;
import gentlecomet.craft.TypedPatch;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.Timbre;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Between two patches everything goes along its own taper, nothing is lost at the ends, and what jumps is told. */
class MorphTest {

    private static final Patch DULL = TypedPatch.neutralWith("layer1.source1.wave=saw", "layer1.filter1.type=low pass 24", "layer1.filter1.cutoff=200",
            "layer1.amplitude.release=0.1 s", "layer1.source1.level=-12 dB");
    private static final Patch CLEAR = TypedPatch.with(DULL, "layer1.filter1.cutoff=3200", "layer1.amplitude.release=0.8 s", "layer1.source1.level=-6 dB");

    @Test
    void aFrequencyGoesByRatiosATimeByItsTaperAndALevelByDecibels() {
        Patch middle = new Morph(DULL, CLEAR).at(0.5);
        assertEquals(800, middle.value("layer1.filter1.cutoff"), 1e-6, "two octaves from either end");
        assertEquals(-9, middle.value("layer1.source1.level"), 1e-9);
        // A time's bar is the cube root of the time above its least: half way is the cube of the mean of both.
        double least = Parameters.find("layer1.amplitude.release").min();
        assertEquals(least + Math.pow((Math.cbrt(0.1 - least) + Math.cbrt(0.8 - least)) / 2, 3), middle.value("layer1.amplitude.release"), 1e-6);
        assertEquals(List.of(), new Morph(DULL, CLEAR).jumps());
    }

    @ParameterizedTest
    @CsvSource({"a003-heron-glass, a039-tern-bell-clear", "a001-mudflat-sub, a032-foam-edge-texture", "a012-causeway-split, a051-four-shore-map", "a008-oyster-keys, a005-foghorn-brass"})
    void everyPlaceBetweenTwoPatchesOfTheDemoIsAPatchThatCanBeKept(String first, String second) {
        Patch a = DemoPatch.read(first);
        Patch b = DemoPatch.read(second);
        Morph morph = new Morph(a, b);
        assertEquals(a, morph.at(0));
        assertEquals(b.withNaming(a.naming()), morph.at(1));
        for (int i = 1; i < 10; i++) {
            Patch between = morph.at(i / 10.0);
            assertEquals(between, PatchFormat.read(PatchFormat.write(between), "between"));
            assertNotEquals(a, between);
        }
        assertTrue(morph.jumps().stream().noneMatch(String::isBlank));
    }

    @Test
    void brightnessAndLoudnessGoUpWithoutASteepStepWhereNothingJumps() {
        Morph morph = new Morph(DULL, CLEAR);
        double brightness = 0;
        double loudness = -100;
        for (int i = 0; i <= 10; i++) {
            Audio audio = new Rendering(48000).render(morph.at(i / 10.0), Phrase.single(48, 100, 0.8));
            double octaves = Math.log(Timbre.of(audio, 4800, 38400).brightnessHz()) / Math.log(2);
            double lufs = Loudness.of(audio).momentaryMax();
            assertTrue(octaves > brightness && lufs > loudness, "at " + i);
            assertTrue(i == 0 || octaves - brightness < 0.6 && lufs - loudness < 2, "at " + i + " by " + (octaves - brightness) + " octaves, " + (lufs - loudness) + " LU");
            brightness = octaves;
            loudness = lufs;
        }
    }

    @Test
    void anEffectALayerAndARouteOfOneEndComeInFromNothing() {
        Patch rich = TypedPatch.with(CLEAR, "effect2.type=delay", "effect2.mix=40", "effect2.delay.feedback=60", "layer2.on=on", "layer2.zone.level=0 dB")
                .withRoutes(List.of(new Route(Modulator.VELOCITY, Parameters.find("layer1.filter1.cutoff"), 2)));
        Morph morph = new Morph(DULL, rich);
        Patch quarter = morph.at(0.25);
        assertEquals("delay", Parameters.find("effect2.type").choices().get((int) quarter.value("effect2.type")));
        assertEquals(10, quarter.value("effect2.mix"), 1e-9);
        assertEquals(60, quarter.value("effect2.delay.feedback"), 1e-9, "it is the same echo all the way");
        assertTrue(quarter.layerOn(1) && quarter.value("layer2.zone.level") < -12);
        assertEquals(0.5, quarter.routes().get(0).depth(), 1e-12);
        assertEquals(List.of(), morph.jumps());
    }

    @Test
    void whatHasNoBetweenChangesHalfWayAndIsTold() {
        Patch other = TypedPatch.with(CLEAR, "layer1.source1.wave=triangle", "layer1.filter1.type=band pass 12").withShape(Shapes.curve(0, 0), new double[] {0, 0, 0, 100, 100, 0})
                .withMacro(2, new Macro("Air", "", "", List.of(new MacroTarget(Parameters.find("layer1.filter1.cutoff"), 1000, 8000))));
        Morph morph = new Morph(DULL, other);
        assertEquals(DULL.value("layer1.source1.wave"), morph.at(0.49).value("layer1.source1.wave"));
        assertEquals(other.value("layer1.source1.wave"), morph.at(0.5).value("layer1.source1.wave"));
        String told = String.join("\n", morph.jumps());
        for (String what : List.of("Wave: saw to triangle", "low pass 24", "usual form to 2 rows", "Macro 3 holds other parameters: unused to Air")) {
            assertTrue(told.contains(what), what + " in " + told);
        }
        // The macro takes the cutoff over half way, and lets it sound where it stood on the straight way (1000 Hz is the far end here).
        var cutoff = Parameters.find("layer1.filter1.cutoff");
        assertEquals(Math.exp((Math.log(200) + Math.log(1000)) / 2), morph.at(0.5).soundingValue(cutoff), 1);
    }
}
