package gentlecomet.craft.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.TypedPatch;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Partials of a hit, found again in sounds that were made of known ones. */
class HitAnalysisTest {

    private static final int RATE = 48000;
    /** Ratios of an ideal membrane (N. H. Fletcher and T. D. Rossing, "The Physics of Musical Instruments", section 3.6). */
    private static final double[] MEMBRANE = {1, 1.594, 2.136, 2.296, 2.653, 2.918};

    /** Decaying sines after a silence of 20 ms. @param decays time of each to fall by 60 dB */
    private static Audio sum(double[] hz, double[] levelsDb, double[] decays) {
        float[] samples = new float[2 * RATE];
        for (int i = RATE / 50; i < samples.length; i++) {
            double t = (double) (i - RATE / 50) / RATE;
            double v = 0;
            for (int k = 0; k < hz.length; k++) {
                v += 0.2 * Math.pow(10, levelsDb[k] / 20 - 3 * t / decays[k]) * Math.sin(2 * Math.PI * hz[k] * t);
            }
            samples[i] = (float) v;
        }
        return new Audio(samples, samples, RATE);
    }

    @Test
    void partialsOfAMembraneAreFoundWithTheirLevelsAndDecays() {
        double[] hz = new double[MEMBRANE.length];
        double[] levels = {0, -6, -10, -14, -18, -22};
        double[] decays = {1.6, 1.2, 1.0, 0.9, 0.8, 0.7};
        for (int k = 0; k < hz.length; k++) {
            hz[k] = 141.3 * MEMBRANE[k];
        }
        List<HitAnalysis.Partial> found = HitAnalysis.partials(sum(hz, levels, decays), 0, 12, HitAnalysis.Kind.INHARMONIC);
        assertEquals(hz.length, found.size(), found.toString());
        for (int k = 0; k < hz.length; k++) {
            assertEquals(0, 1200 * Math.log(found.get(k).hz() / hz[k]) / Math.log(2), 3, "cents of partial " + k);
            assertEquals(levels[k], found.get(k).levelDb(), 1, "level of partial " + k);
            assertEquals(decays[k], found.get(k).decaySeconds(), 0.06 * decays[k], "decay of partial " + k);
        }
    }

    @Test
    void harmonicReadingKeepsWholeMultiplesAlone() {
        double[] hz = {220, 440, 560, 660, 880};
        double[] flat = {0, -6, -9, -12, -15};
        double[] decays = {2, 2, 2, 2, 2};
        List<HitAnalysis.Partial> found = HitAnalysis.partials(sum(hz, flat, decays), 0.01, 16, HitAnalysis.Kind.HARMONIC);
        assertEquals(4, found.size(), found.toString());
        for (int n = 0; n < 4; n++) {
            assertEquals(220 * (n + 1), found.get(n).hz(), 0.5);
        }
    }

    @Test
    void onlyTheStrongestAreKeptAndSilenceHasNone() {
        double[] hz = {200, 331, 470, 720};
        List<HitAnalysis.Partial> found = HitAnalysis.partials(sum(hz, new double[] {-20, 0, -30, -5}, new double[] {1, 1, 1, 1}), 0, 2,
                HitAnalysis.Kind.INHARMONIC);
        assertEquals(List.of(331L, 720L), found.stream().map(p -> Math.round(p.hz())).toList());
        assertTrue(HitAnalysis.partials(new Audio(new float[RATE], new float[RATE], RATE), 0, 8, HitAnalysis.Kind.INHARMONIC).isEmpty());
    }

    /** A struck body of the engine is taken apart into the partials that it was given. */
    @Test
    void aStruckBodyIsReadBack() {
        Audio hit = new Rendering(RATE).render(TypedPatch.neutralWith("layer1.source1.wave=body", "layer1.source1.bodySet=free bar",
                "layer1.source1.bodyPartials=4", "layer1.source1.bodyDecay=2 s", "layer1.source1.bodyTilt=0"), Phrase.single(60, 100, 2));
        List<HitAnalysis.Partial> found = HitAnalysis.partials(hit, 0.02, 4, HitAnalysis.Kind.INHARMONIC);
        // Free bar, both ends free: 1, 2.757, 5.404, 8.933 (Fletcher and Rossing, section 2.15).
        double[] ratios = {1, 2.757, 5.404, 8.933};
        for (int k = 0; k < 4; k++) {
            assertEquals(261.626 * ratios[k], found.get(k).hz(), 261.626 * ratios[k] * 0.003);
        }
    }

    /** A partial far below another in the same third of an octave is masked: the count stops before those that are not heard. */
    @Test
    void fewestPartialsSoundLikeAll() {
        var result = new FewestPartials(Recordings.NONE).of(TypedPatch.neutralWith("layer1.source1.wave=partials", "layer1.source1.partialsFrom=saw",
                "layer1.source1.partialCount=128", "layer1.filter1.type=low pass 24", "layer1.filter1.cutoff=600"), 0, 0);
        assertTrue(result.fewest() < 20 && result.fewest() > 2, result.toString());
        assertTrue(result.largestChangeDb() <= 1);
        var all = new FewestPartials(Recordings.NONE).of(TypedPatch.neutralWith("layer1.source1.wave=partials", "layer1.source1.partialsFrom=square",
                "layer1.source1.partialCount=9"), 0, 0);
        assertEquals(9, all.fewest(), "the ninth harmonic of a square is 19 dB down and is heard");
    }
}
