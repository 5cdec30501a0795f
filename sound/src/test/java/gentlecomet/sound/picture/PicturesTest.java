package gentlecomet.sound.picture;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.patch.Route;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Pictures show what is heard. */
class PicturesTest {

    private static double[] image(String... changes) {
        Patch patch = Patch.neutral("Picture");
        for (String change : changes) {
            Parameter p = Parameters.find(change.substring(0, change.indexOf('=')));
            patch = patch.withValue(p, ValueText.parse(p, change.substring(change.indexOf('=') + 1)));
        }
        return PatchImage.of(patch);
    }

    /** Fourier series of the saw: the n-th harmonic lies 20 log10 n dB below the first. */
    @Test
    void harmonicsOfASawFallAsItsFourierSeries() {
        double[] levels = new Pictures().harmonics(image("layer1.source1.wave=saw"), 0, 0, 16);
        for (int n = 2; n <= 16; n++) {
            assertEquals(-20 * Math.log10(n), levels[n - 1] - levels[0], 0.3, "harmonic " + n);
        }
    }

    /** Two second-order Butterworth low-passes: in series -6.02 dB at their cutoff; beside each other twice as loud below it. */
    @Test
    void bothFiltersAreDrawnAsTheyAreJoined() {
        String[] two = {"layer1.filter1.type=low pass 12", "layer1.filter1.cutoff=1000", "layer1.filter2.type=low pass 12", "layer1.filter2.cutoff=1000",
            "layer1.filters.routing=series"};
        int points = 301;
        int atCutoff = (int) Math.rint(Math.log(1000 / 20.0) / Math.log(1000) * (points - 1));
        double[] series = Pictures.filters(image(two), 0, points);
        assertEquals(-6.02, series[atCutoff], 0.3);
        assertEquals(0, series[points / 4], 0.1);
        two[4] = "layer1.filters.routing=parallel";
        assertEquals(6.02, Pictures.filters(image(two), 0, points)[points / 4], 0.1);
    }

    /** A macro that holds the level of another source does not bring it into the picture. */
    @Test
    void aSourceIsDrawnAloneWhateverMacrosHold() {
        Patch patch = Patch.neutral("Held").withValue(Parameters.find("layer1.source2.wave"), 2);
        Parameter level = Parameters.find("layer1.source2.level");
        Patch held = patch.withMacro(0, Macro.UNUSED.withTargets(List.of(new MacroTarget(level, -20, -6))));
        double[] alone = new Pictures().wave(PatchImage.of(patch), 0, 0, 200);
        double[] drawn = new Pictures().wave(PatchImage.of(held), 0, 0, 200);
        for (int i = 0; i < alone.length; i++) {
            assertEquals(alone[i], drawn[i], 1e-12);
        }
        assertEquals(-20, PatchImage.soundings(PatchImage.of(held))[level.index()]);
        assertEquals(-12, PatchImage.soundings(PatchImage.of(held))[Parameters.find("layer1.source1.level").index()]);
    }

    /** One-sided lifts an LFO to 0 to 1, two-sided stretches an envelope to -1 to 1, limits cut. */
    @Test
    void theSmallPlotOfARouteShowsWhatTheEngineMakesOfIt() {
        Parameter cutoff = Parameters.find("layer1.filter1.cutoff");
        assertEquals(0, new Route(Modulator.LFO_1, cutoff, 1, Route.Side.ONE, 0, -1, 1, null).shaped(-1), 1e-12);
        assertEquals(-1, new Route(Modulator.ENVELOPE_2, cutoff, 1, Route.Side.BOTH, 0, -1, 1, null).shaped(0), 1e-12);
        assertEquals(0.25, new Route(Modulator.MOD_WHEEL, cutoff, 1, Route.Side.OWN, 0, -1, 0.25, null).shaped(0.9), 1e-12);
        double bent = new Route(Modulator.MOD_WHEEL, cutoff, 1, Route.Side.OWN, 0.6, -1, 1, null).shaped(0.5);
        assertEquals(gentlecomet.sound.maths.Bend.at(0.5, 0.6), bent, 1e-12);
    }
}
