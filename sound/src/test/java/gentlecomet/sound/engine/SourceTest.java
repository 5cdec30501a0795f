package gentlecomet.sound.engine;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SourceTest {

    private static final double LEVEL = Math.pow(10, -12 / 20.0);

    private static double[] wave(String wave, int key, double rate, int frames) {
        return Played.left(Played.patch("layer1.source1.wave=" + wave, "layer1.amplitude.attack=1 ms"), key, 127, rate, frames);
    }

    /** MIDI 1.0 and common practice: note n sounds at 440 x 2^((n-69)/12) Hz. */
    @ParameterizedTest
    @CsvSource({"sine,12,48000", "sine,69,44100", "sine,120,96000", "triangle,33,48000", "triangle,100,44100", "saw,12,48000",
        "saw,69,48000", "saw,120,44100", "pulse,24,96000", "pulse,69,44100", "pulse,108,48000"})
    void everyWaveIsInTune(String wave, int key, double rate) {
        double expected = 440 * Math.pow(2, (key - 69) / 12.0);
        double[] sound = wave(wave, key, rate, 40000);
        double cents = 1200 * Math.log(Played.frequency(sound, expected, rate) / expected) / Math.log(2);
        assertEquals(0, cents, 0.5);
    }

    /** Fourier series of the saw: 2/(pi n). */
    @ParameterizedTest
    @ValueSource(doubles = {44100, 48000})
    void sawHarmonicsFollowTheFourierSeries(double rate) {
        double f = 440 * Math.pow(2, (45 - 69) / 12.0);
        Spectrum spectrum = new Spectrum(wave("saw", 45, rate, 80000), 4096, 65536, rate);
        for (int n = 1; n * f < 15000; n++) {
            assertEquals(Spectrum.db(2 / (Math.PI * n)), Spectrum.db(spectrum.amplitude(n * f) / LEVEL), 0.2, "harmonic " + n);
        }
    }

    /** Fourier series of the triangle: 8/(pi n)^2, odd n only. */
    @Test
    void triangleHarmonicsFollowTheFourierSeries() {
        double f = 440 * Math.pow(2, (57 - 69) / 12.0);
        Spectrum spectrum = new Spectrum(wave("triangle", 57, 48000, 80000), 4096, 65536, 48000);
        for (int n = 1; n * f < 15000; n += 2) {
            assertEquals(Spectrum.db(8 / Math.pow(Math.PI * n, 2)), Spectrum.db(spectrum.amplitude(n * f) / LEVEL), 0.2, "harmonic " + n);
        }
        assertTrue(Spectrum.db(spectrum.amplitude(2 * f) / LEVEL) < -90, "even harmonics are absent");
    }

    /** Fourier series of a pulse of width d: 4/(pi n) sin(pi n d), for a swing from -1 to 1. */
    @ParameterizedTest
    @ValueSource(ints = {50, 25, 10})
    void pulseHarmonicsFollowTheFourierSeries(int width) {
        double f = 440 * Math.pow(2, (45 - 69) / 12.0);
        double[] sound = Played.left(Played.patch("layer1.source1.wave=pulse", "layer1.source1.pulseWidth=" + width), 45, 127, 48000, 80000);
        Spectrum spectrum = new Spectrum(sound, 4096, 65536, 48000);
        for (int n = 1; n * f < 15000; n++) {
            double expected = Math.abs(4 / (Math.PI * n) * Math.sin(Math.PI * n * width / 100.0));
            if (expected > 1e-3) {
                assertEquals(Spectrum.db(expected), Spectrum.db(spectrum.amplitude(n * f) / LEVEL), 0.2, "harmonic " + n);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"saw", "pulse", "triangle"})
    void aliasesAtC7StayEightyDecibelsBelowTheFundamental(String wave) {
        double f = 440 * Math.pow(2, (96 - 69) / 12.0);
        Spectrum spectrum = new Spectrum(wave(wave, 96, 48000, 80000), 4096, 65536, 48000);
        double alias = spectrum.strongestBetweenHarmonics(f, 20000);
        assertTrue(Spectrum.db(alias / spectrum.amplitude(f)) < -80, "alias at " + Spectrum.db(alias / spectrum.amplitude(f)) + " dB");
    }

    /** What a patch oversamples is no less clean than what it does not. */
    @ParameterizedTest
    @CsvSource({"saw,1x", "saw,2x", "saw,4x", "pulse,1x", "pulse,2x", "pulse,4x"})
    void oversampledWavesAreAsCleanAtC6(String wave, String oversampling) {
        double f = 440 * Math.pow(2, (84 - 69) / 12.0);
        double[] sound = Played.left(Played.patch("layer1.source1.wave=" + wave, "performance.oversampling=" + oversampling), 84, 127, 48000, 80000);
        Spectrum spectrum = new Spectrum(sound, 8192, 65536, 48000);
        double alias = Spectrum.db(spectrum.strongestBetweenHarmonics(f, 20000) / spectrum.amplitude(f));
        assertTrue(alias < -110, "alias at " + alias);
    }

    @Test
    void pulseWidthMovedByAnLfoLeavesTheGapsBetweenHarmonicsClean() {
        var still = Played.patch("layer1.source1.wave=pulse", "layer1.lfo1.rate=9");
        var moved = Played.routed(still, gentlecomet.sound.patch.Modulator.LFO_1, "layer1.source1.pulseWidth", 40);
        double f = 440 * Math.pow(2, (96 - 69) / 12.0);
        Spectrum spectrum = new Spectrum(Played.left(moved, 96, 127, 48000, 80000), 8000, 65536, 48000);
        for (double n = 0.5; n * f < 15000; n++) {
            double gap = Spectrum.db(spectrum.amplitude(n * f) / LEVEL);
            assertTrue(gap < -70, "gap at " + n + " harmonics: " + gap + " dB");
        }
    }

    /** At a low key a fast LFO moves the falling edge faster than the wave itself runs; every jump is still corrected. */
    @Test
    void aPulseWidthThatOvertakesTheWaveStaysBandLimited() {
        var moved = Played.routed(Played.patch("layer1.source1.wave=pulse", "layer1.lfo1.rate=40"),
                gentlecomet.sound.patch.Modulator.LFO_1, "layer1.source1.pulseWidth", 45);
        double[] sound = Played.left(moved, 12, 127, 48000, 48000);
        double[] still = Played.left(Played.patch("layer1.source1.wave=pulse"), 12, 127, 48000, 48000);
        assertTrue(steepest(sound) < 1.1 * steepest(still), "an uncorrected jump is about twice as steep as a corrected one");
    }

    private static double steepest(double[] sound) {
        double steepest = 0;
        for (int i = 1; i < sound.length; i++) {
            steepest = Math.max(steepest, Math.abs(sound[i] - sound[i - 1]));
        }
        return steepest;
    }

    @Test
    void copiesSpreadByTheirDetuneToBothSides() {
        var patch = Played.patch("layer1.source1.unisonVoices=2", "layer1.source1.detune=20", "layer1.source1.width=100");
        Engine engine = Played.engine(patch, 48000);
        engine.noteOn(69, 127);
        double[] left = new double[40000];
        double[] right = new double[40000];
        engine.render(left, right, 0, left.length);
        double low = Played.frequency(left, 437, 48000);
        double high = Played.frequency(right, 443, 48000);
        double cents = Math.abs(1200 * Math.log(high / low) / Math.log(2));
        assertEquals(40, cents, 0.5);
    }

    /** Source 2 is heard as source 1's modulator alone, and is synced to source 3, which is heard by nobody else. */
    @Test
    void aSilentModulatorIsSyncedToAnotherSilentSource() {
        String[] chain = {"layer1.source1.wave=sine", "layer1.source1.phaseModulation2=2", "layer1.source2.level=-60", "layer1.source2.sync=source3", "layer1.source3.level=-60", "layer1.source3.semitones=0"};
        double[] plain = Played.left(Played.patch(chain), 57, 100, 48000, 9600);
        chain[5] = "layer1.source3.semitones=7";
        double[] other = Played.left(Played.patch(chain), 57, 100, 48000, 9600);
        double most = 0;
        for (int i = 0; i < plain.length; i++) {
            most = Math.max(most, Math.abs(plain[i] - other[i]));
        }
        org.junit.jupiter.api.Assertions.assertTrue(most > 0.01, "the pitch of the master is heard in the sync of the slave: " + most);
    }

    /** A drawn map of two voices, of which half counts: each is 10 cents off, and sounds on its own side. */
    @Test
    void voicesLieWhereTheyAreDrawn() {
        Engine engine = Played.engine(mapped("layer1.source1.unisonMap=50", -20, -100, 0, 0, 20, 100, 0, 0), 48000);
        engine.noteOn(69, 127);
        double[] left = new double[40000];
        double[] right = new double[40000];
        engine.render(left, right, 0, left.length);
        assertEquals(440 * Math.pow(2, -10 / 1200.0), Played.frequency(left, 437, 48000), 0.02);
        assertEquals(440 * Math.pow(2, 10 / 1200.0), Played.frequency(right, 443, 48000), 0.02);
    }

    @Test
    void aVoiceHasALevelOfItsOwn() {
        Engine engine = Played.engine(mapped("layer1.source1.unisonMap=100", 0, -100, 0, 0, 0, 100, 0, -12), 48000);
        engine.noteOn(69, 127);
        double[] left = new double[40000];
        double[] right = new double[40000];
        engine.render(left, right, 0, left.length);
        assertEquals(12, 20 * Math.log10(Played.rms(left, 4800, 40000) / Played.rms(right, 4800, 40000)), 0.05);
    }

    private static gentlecomet.sound.patch.Patch mapped(String amount, double... rows) {
        return Played.patch("layer1.source1.wave=sine", "layer1.source1.unisonVoices=2", "layer1.source1.width=50", amount).withShape(gentlecomet.sound.parameter.Shapes.copies(0, 0), rows);
    }

    @Test
    void noiseIsRepeatableAndAsLoudAsItsLevelSays() {
        var patch = Played.patch("layer1.source1.wave=noise", "layer1.source1.level=0");
        double[] once = Played.left(patch, 60, 127, 48000, 48000);
        double[] again = Played.left(patch, 60, 127, 48000, 48000);
        org.junit.jupiter.api.Assertions.assertArrayEquals(once, again);
        // Evenly spread samples from -1 to 1 have an effective value of 1/sqrt(3).
        assertEquals(1 / Math.sqrt(3), Played.rms(once, 4800, 48000), 0.01);
    }

    @Test
    void aSourceThatDoesNotFollowTheKeysStaysAtMiddleC() {
        double[] sound = Played.left(Played.patch("layer1.source1.keyFollow=0"), 80, 127, 48000, 40000);
        assertEquals(261.6256, Played.frequency(sound, 261.6, 48000), 0.01);
    }
}
