package gentlecomet.sound.source;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.engine.Played;
import gentlecomet.sound.engine.Spectrum;
import gentlecomet.sound.patch.Patch;
import org.apache.commons.math3.special.BesselJ;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Sources that bend each other: phase modulation, ring modulation, hard sync. */
class BendingTest {

    private static final double LEVEL = Math.pow(10, -12 / 20.0);

    private static double[] sound(int key, int frames, double rate, String... changes) {
        return Played.left(Played.patch(changes), key, 127, rate, frames);
    }

    /**
     * J. M. Chowning, "The Synthesis of Complex Audio Spectra by Means of Frequency Modulation" (1973): side bands at fc + n fm have the
     * amplitude of the Bessel function J(n) of the index. Values from Apache Commons Math.
     */
    @ParameterizedTest
    @CsvSource({"1,7", "2.5,7", "5,3.5"})
    void phaseModulationFollowsTheBesselFunctions(double index, double ratio) {
        // The carrier is at 880 x ratio, so that no side band folds over zero.
        double carrier = 440 * ratio;
        double modulator = 110 * 1.03;
        double[] sound = sound(69, 80000, 48000, "layer1.source1.ratio=" + ratio, "layer1.source1.phaseModulation2=" + index + " rad",
                "layer1.source2.octave=-2", "layer1.source2.ratio=1.03");
        Spectrum spectrum = new Spectrum(sound, 8192, 65536, 48000);
        for (int n = -9; n <= 9; n++) {
            double expected = Math.abs(BesselJ.value(Math.abs(n), index));
            if (expected > 1e-3) {
                assertEquals(Spectrum.db(expected), Spectrum.db(spectrum.amplitude(carrier + n * modulator) / LEVEL), 0.2, "side band " + n);
            }
        }
    }

    /** Phase modulation of a sine by itself brings it towards a saw: all harmonics, each weaker than the one before. */
    @Test
    void aSineThatBendsItselfGrowsHarmonics() {
        double[] sound = sound(57, 80000, 48000, "layer1.source1.phaseModulation1=1 rad");
        Spectrum spectrum = new Spectrum(sound, 8192, 65536, 48000);
        for (int n = 2; n <= 6; n++) {
            assertTrue(spectrum.amplitude(220 * n) < spectrum.amplitude(220 * (n - 1)), "harmonic " + n);
            assertTrue(spectrum.amplitude(220 * n) > 1e-4, "harmonic " + n);
        }
        assertEquals(220, Played.frequency(sound, 220, 48000), 0.05);
    }

    /** sin a sin b = (cos(a - b) - cos(a + b)) / 2: both tones vanish, their sum and difference stay. */
    @Test
    void ringModulationLeavesSumAndDifference() {
        double[] sound = sound(69, 80000, 48000, "layer1.source1.ring=100", "layer1.source1.ringFrom=source2", "layer1.source2.ratio=1.5");
        Spectrum spectrum = new Spectrum(sound, 8192, 65536, 48000);
        assertEquals(Spectrum.db(LEVEL / 2), Spectrum.db(spectrum.amplitude(220)), 0.1);
        assertEquals(Spectrum.db(LEVEL / 2), Spectrum.db(spectrum.amplitude(1100)), 0.1);
        assertTrue(Spectrum.db(spectrum.amplitude(440) / LEVEL) < -90);
    }

    /** A modulator need not be heard: with its own level off it bends all the same. */
    @Test
    void aSilentModulatorStillBends() {
        double[] sound = sound(69, 40000, 48000, "layer1.source1.phaseModulation2=2 rad");
        Spectrum spectrum = new Spectrum(sound, 4096, 32768, 48000);
        assertTrue(spectrum.amplitude(880) > 0.02);
    }

    /** Hard sync: the sound has the pitch of the source that sets the pace, whatever the pitch of the one that is reset. */
    @ParameterizedTest
    @ValueSource(strings = {"saw", "pulse", "triangle", "sine", "table"})
    void syncedSourcesTakeThePitchOfTheOther(String wave) {
        double[] sound = sound(57, 80000, 48000, "layer1.source1.wave=" + wave, "layer1.source1.ratio=2.37", "layer1.source1.sync=source2");
        Spectrum spectrum = new Spectrum(sound, 8192, 65536, 48000);
        assertEquals(220, Played.frequency(sound, 220, 48000), 0.05);
        assertTrue(Spectrum.db(spectrum.strongestBetweenHarmonics(220, 20000) / spectrum.amplitude(220)) < -50, "nothing but harmonics of 220 Hz, found "
                + Spectrum.db(spectrum.strongestBetweenHarmonics(220, 20000) / spectrum.amplitude(220)));
    }

    @ParameterizedTest
    @CsvSource({"saw,1x", "pulse,1x", "triangle,1x", "sine,1x", "sine,2x", "saw,2x"})
    void syncAtC7AliasesLittle(String wave, String oversampling) {
        double f = 440 * Math.pow(2, (96 - 69) / 12.0);
        double[] sound = sound(96, 80000, 48000, "layer1.source1.wave=" + wave, "layer1.source1.ratio=1.37", "layer1.source1.sync=source2",
                "performance.oversampling=" + oversampling);
        Spectrum spectrum = new Spectrum(sound, 8192, 65536, 48000);
        double strongest = 0;
        for (int n = 1; n < 8; n++) {
            strongest = Math.max(strongest, spectrum.amplitude(n * f));
        }
        assertTrue(Spectrum.db(spectrum.strongestBetweenHarmonics(f, 20000) / strongest) < -80,
                "alias at " + Spectrum.db(spectrum.strongestBetweenHarmonics(f, 20000) / strongest));
    }

    /** The product of two saws has every sum and difference of their harmonics: all of them are harmonics of what both have in common. */
    @ParameterizedTest
    @CsvSource({"1x,-54", "2x,-70", "4x,-75"})
    void ringModulationOfSawsAtC7AliasesLittle(String oversampling, double limit) {
        double f = 440 * Math.pow(2, (96 - 69) / 12.0);
        double[] sound = sound(96, 80000, 48000, "layer1.source1.wave=saw", "layer1.source1.ring=100", "layer1.source1.ringFrom=source2", "layer1.source2.wave=saw",
                "layer1.source2.ratio=1.5", "performance.oversampling=" + oversampling);
        Spectrum spectrum = new Spectrum(sound, 8192, 65536, 48000);
        double strongest = 0;
        for (int n = 1; n < 12; n++) {
            strongest = Math.max(strongest, spectrum.amplitude(n * f / 2));
        }
        double alias = Spectrum.db(spectrum.strongestBetweenHarmonics(f / 2, 18500) / strongest);
        assertTrue(alias < limit, "alias at " + alias);
    }

    /** Two sines of one pitch; what is no harmonic of it has folded. The index is held to what has room below the top, so that it fades instead. */
    @ParameterizedTest
    @CsvSource({"120,2", "108,2", "96,2", "96,5", "84,8"})
    void phaseModulationFadesBeforeItFolds(int key, double index) {
        double f = 440 * Math.pow(2, (key - 69) / 12.0);
        double[] sound = sound(key, 80000, 48000, "layer1.source1.phaseModulation2=" + index + " rad");
        Spectrum spectrum = new Spectrum(sound, 8192, 65536, 48000);
        double strongest = 0;
        for (int n = 1; n < 9 && n * f < 20000; n++) {
            strongest = Math.max(strongest, spectrum.amplitude(n * f));
        }
        double alias = Spectrum.db(spectrum.strongestBetweenHarmonics(f, 20000) / strongest);
        assertTrue(alias < -50, "alias at " + alias);
    }

    @Test
    void phaseModulationAtC7AliasesLittleAtTwiceTheRate() {
        double f = 440 * Math.pow(2, (96 - 69) / 12.0);
        double[] sound = sound(96, 80000, 48000, "layer1.source1.phaseModulation2=2 rad", "performance.oversampling=2x");
        Spectrum spectrum = new Spectrum(sound, 8192, 65536, 48000);
        assertTrue(Spectrum.db(spectrum.strongestBetweenHarmonics(f, 20000) / spectrum.amplitude(f)) < -50);
    }

    @ParameterizedTest
    @ValueSource(strings = {"1x", "2x", "4x"})
    void oversamplingChangesNeitherPitchNorLevel(String oversampling) {
        Patch patch = Played.patch("performance.oversampling=" + oversampling);
        double[] sound = Played.left(patch, 69, 127, 48000, 40000);
        assertEquals(440, Played.frequency(sound, 440, 48000), 0.01);
        assertEquals(-12, Spectrum.db(new Spectrum(sound, 4096, 32768, 48000).amplitude(440)), 0.02);
    }
}
