package gentlecomet.sound.filter;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.engine.Played;
import gentlecomet.sound.engine.Spectrum;
import gentlecomet.sound.parameter.FilterParameters;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Every filter type against the transfer functions of the handbooks, and in tune where it sings. */
class FilterTypesTest {

    /** Level of a sine through the filter against the same sine without it, in dB. */
    private static double gainDb(double hz, String... changes) {
        String[] all = new String[changes.length + 2];
        all[0] = "layer1.source1.keyFollow=0";
        all[1] = "layer1.source1.ratio=" + hz / 261.6255653005986;
        System.arraycopy(changes, 0, all, 2, changes.length);
        double[] sound = Played.left(Played.patch(all), 60, 127, 48000, 60000);
        return Spectrum.db(Played.rms(sound, 24000, 60000) * Math.sqrt(2)) + 12;
    }

    /** Second-order Butterworth, any filter handbook: -10 log10(1 + (f/fc)^4), mirrored for the high-pass. */
    @ParameterizedTest
    @CsvSource({"lowPass12,1000,1000,-3.01", "lowPass12,2000,1000,-12.30", "highPass12,1000,1000,-3.01", "highPass12,500,1000,-12.30",
        "highPass24,1000,1000,-3.01", "highPass24,500,1000,-24.10", "lowPass24,2000,1000,-24.10", "bandPass12,1000,1000,0",
        "bandPass24,1000,1000,0"})
    void passesFollowButterworth(String type, double hz, double cutoff, double expected) {
        assertEquals(expected, gainDb(hz, "layer1.filter1.type=" + type, "layer1.filter1.cutoff=" + cutoff), type.startsWith("low") ? 0.45 : 0.3);
    }

    @ParameterizedTest
    @ValueSource(strings = {"notch12", "notch24"})
    void aNotchTakesItsFrequencyAwayAndLeavesTheRest(String type) {
        double deep = gainDb(1000, "layer1.filter1.type=" + type, "layer1.filter1.cutoff=1000");
        assertTrue(deep < -60, "only " + deep + " dB");
        assertEquals(0, gainDb(60, "layer1.filter1.type=" + type, "layer1.filter1.cutoff=1000"), 0.3);
    }

    /** Four equal first-order stages: -12 dB at the cutoff without resonance, 24 dB per octave well above it. */
    @Test
    void theLadderFallsByTwentyFourDecibels() {
        assertEquals(-12.04, gainDb(500, "layer1.filter1.type=ladder24", "layer1.filter1.cutoff=500", "layer1.source1.level=-40") + 28, 0.2);
        double slope = gainDb(2000, "layer1.filter1.type=ladder24", "layer1.filter1.cutoff=200", "layer1.source1.level=-40")
                - gainDb(1000, "layer1.filter1.type=ladder24", "layer1.filter1.cutoff=200", "layer1.source1.level=-40");
        assertEquals(-24, slope, 1);
    }

    /**
     * Six all-passes turn by 90 degrees each at the cutoff, three half turns in all: what is added there cancels. The other two notches lie where each turns by 30 and by 150
     * degrees, tan(15 deg) and tan(75 deg) times the cutoff (J. O. Smith, 1984).
     */
    @Test
    void aPhaserHasItsNotchesWhereItsAllPassesSaySo() {
        for (double factor : new double[] {Math.tan(Math.toRadians(15)), 1, Math.tan(Math.toRadians(75))}) {
            double deep = gainDb(1000 * factor, "layer1.filter1.type=phaser", "layer1.filter1.cutoff=1000");
            assertTrue(deep < -30, "at " + 1000 * factor + " Hz only " + deep);
        }
        assertEquals(0, gainDb(1000 * Math.tan(Math.toRadians(30)), "layer1.filter1.type=phaser", "layer1.filter1.cutoff=1000"), 0.2);
        double lifted = gainDb(1000 * Math.tan(Math.toRadians(30)), "layer1.filter1.type=phaser", "layer1.filter1.cutoff=1000", "layer1.filter1.resonance=12");
        double sunk = gainDb(1000 * Math.tan(Math.toRadians(20)), "layer1.filter1.type=phaser", "layer1.filter1.cutoff=1000", "layer1.filter1.resonance=12");
        assertTrue(lifted - sunk > 6, lifted + " against " + sunk);
    }

    /** With key tracking at 100 % and the cutoff on middle C, the filter plays the keys by itself. */
    @ParameterizedTest
    @CsvSource({"lowPass24,48", "lowPass24,69", "lowPass12,84", "bandPass12,60", "highPass12,72", "ladder24,48", "ladder24,69", "ladder24,84"})
    void aSingingFilterIsInTune(String type, int key) {
        Patch patch = Played.patch("layer1.source1.level=-60", "layer1.source1.ratio=0.1", "layer1.filter1.type=" + type, "layer1.filter1.cutoff=261.6256",
                "layer1.filter1.resonance=60", "layer1.filter1.keyTracking=100");
        double[] sound = Played.left(patch, key, 127, 48000, 80000);
        double expected = 440 * Math.pow(2, (key - 69) / 12.0);
        assertTrue(Played.rms(sound, 40000, 80000) > 0.01, type + " does not sing");
        assertTrue(Played.rms(sound, 40000, 80000) < 4, type + " is held");
        double[] late = java.util.Arrays.copyOfRange(sound, 40000, 80000);
        assertEquals(0, 1200 * Math.log(Played.frequency(late, expected, 48000) / expected) / Math.log(2), 3, type);
    }

    @ParameterizedTest
    @CsvSource({"70,48", "70,69", "-70,60", "90,72"})
    void theCombRingsAtTheKey(double feedback, int key) {
        Patch patch = Played.patch("layer1.source1.level=off", "layer1.noise.level=-20", "layer1.filter1.type=comb", "layer1.filter1.keyTracking=100",
                "layer1.filter1.combFeedback=" + (feedback > 0 ? 98 : -98), "layer1.filter1.combDamping=6k");
        double[] sound = Played.left(patch, key, 127, 48000, 140000);
        double hz = 440 * Math.pow(2, (key - 69) / 12.0);
        Spectrum spectrum = new Spectrum(sound, 8192, 131072, 48000);
        double best = 0;
        double at = 0;
        for (double cents = -40; cents <= 40; cents += 1) {
            double a = spectrum.density(hz * Math.pow(2, (cents - 3) / 1200), hz * Math.pow(2, (cents + 3) / 1200) + 1);
            if (a > best) {
                best = a;
                at = cents;
            }
        }
        assertEquals(0, at, 12, "noise makes the peak wide");
        double between = spectrum.density(hz * 1.45, hz * 1.55);
        assertTrue(10 * Math.log10(best / between) > 15);
    }

    @Test
    void vowelsHaveTheirPeaks() {
        double open = gainDb(730, "layer1.filter1.type=vowel", "layer1.filter1.vowel=50");
        assertTrue(open > gainDb(400, "layer1.filter1.type=vowel", "layer1.filter1.vowel=50") + 6);
        assertTrue(gainDb(2290, "layer1.filter1.type=vowel", "layer1.filter1.vowel=100") > gainDb(1200, "layer1.filter1.type=vowel", "layer1.filter1.vowel=100") + 6);
    }

    /** Means of men, G. E. Peterson and H. L. Barney, JASA 24 (1952), table II. A path of one vowel alone stands on it everywhere; peaks are found in the response within 3 %. */
    @ParameterizedTest
    @CsvSource({"who,300,870,2240", "hod,730,1090,2440", "head,530,1840,2480", "heed,270,2290,3010", "hid,390,1990,2550", "had,660,1720,2410", "hawed,570,840,2410",
        "hud,640,1190,2390", "heard,490,1350,1690", "hood,440,1020,2240"})
    void aVowelHasItsFormants(String vowel, double one, double two, double three) {
        String[] changes = {"layer1.filter1.type=vowel", "layer1.filter1.vowel=40", "layer1.filter1.vowel1=" + vowel, "layer1.filter1.vowel2=" + vowel, "layer1.filter1.vowel3=" + vowel,
            "layer1.filter1.vowel4=" + vowel, "layer1.filter1.vowel5=" + vowel};
        double[] image = PatchImage.of(Played.patch(changes));
        double[] block = java.util.Arrays.copyOfRange(image, Parameters.ofLayer(0, 0), Parameters.ofLayer(1, 0));
        for (double formant : new double[] {one, two, three}) {
            double best = 0.94 * formant;
            for (double hz = best; hz < 1.06 * formant; hz *= 1.002) {
                best = VoiceFilter.responseDb(block, LayerParameters.filter(0), hz, 48000) > VoiceFilter.responseDb(block, LayerParameters.filter(0), best, 48000) ? hz : best;
            }
            assertEquals(formant, best, 0.03 * formant, vowel);
        }
    }

    /** Along the path from the first vowel to the last: at a quarter stands the second. */
    @Test
    void aPathGoesFromVowelToVowel() {
        String[] path = {"layer1.filter1.type=vowel", "layer1.filter1.vowel1=heed", "layer1.filter1.vowel2=had", "layer1.filter1.vowel=25"};
        String[] alone = {"layer1.filter1.type=vowel", "layer1.filter1.vowel1=had", "layer1.filter1.vowel=0"};
        for (double hz : new double[] {330, 660, 1720, 2410}) {
            assertEquals(gainDb(hz, alone), gainDb(hz, path), 0.01);
        }
    }

    /** Peaks 12 dB up: the number that is typed in dB is the height of the comb's peaks, as it is for every other filter. */
    @Test
    void aCombIsAsHighAsItsDecibelsSay() {
        double low = 261.6255653;
        String comb = "layer1.filter1.combFeedback=12 dB";
        assertEquals(12, gainDb(low, "layer1.filter1.type=comb", comb, "layer1.source1.level=-40") + 28, 0.2);
    }

    /** In the middle of an attack of half a second a comb rings half as much, but for the time constant by which its ringing is late, 1 / (f ln(1 / g)) = 36 ms; in the end as without. */
    @Test
    void aCombBeginsSoftly() {
        String[] hard = {"layer1.filter1.type=comb", "layer1.filter1.combFeedback=90", "layer1.source1.level=-40"};
        String[] soft = {"layer1.filter1.type=comb", "layer1.filter1.combFeedback=90", "layer1.source1.level=-40", "layer1.filter1.combAttack=500 ms"};
        double[] at = Played.left(Played.patch(hard), 60, 127, 48000, 72000);
        double[] slow = Played.left(Played.patch(soft), 60, 127, 48000, 72000);
        assertEquals((0.25 - 0.0363) / 0.5, Played.rms(slow, 11760, 12240) / Played.rms(at, 11760, 12240), 0.02);
        assertEquals(1, Played.rms(slow, 60000, 72000) / Played.rms(at, 60000, 72000), 0.001);
    }

    @ParameterizedTest
    @ValueSource(strings = {"lowPass24", "lowPass12", "highPass12", "highPass24", "bandPass12", "bandPass24", "notch12", "notch24", "ladder24", "comb", "vowel"})
    void thePictureShowsWhatTheFilterDoes(String type) {
        String[] changes = {"layer1.filter1.type=" + type, "layer1.filter1.cutoff=900", "layer1.filter1.resonance=9", "layer1.filter1.vowel=30",
            "layer1.source1.level=-32"};
        double[] image = PatchImage.of(Played.patch(changes));
        double[] block = java.util.Arrays.copyOfRange(image, Parameters.ofLayer(0, 0), Parameters.ofLayer(1, 0));
        for (double hz : new double[] {200, 700, 1500}) {
            double shown = VoiceFilter.responseDb(block, LayerParameters.filter(0), hz, 48000);
            double heard = gainDb(hz, changes) + 20;
            assertEquals(shown, heard, 0.5, type + " at " + hz);
        }
    }

    /** The cutoff is thrown from end to end at audio rate, at full resonance, at every sample rate: nothing blows up. */
    @ParameterizedTest
    @CsvSource({"lowPass24,44100", "lowPass12,48000", "highPass24,96000", "bandPass24,48000", "notch12,48000", "ladder24,44100", "ladder24,96000", "comb,48000", "vowel,96000"})
    void fastMovesStayStable(String type, double rate) {
        Patch patch = Played.routed(Played.patch("layer1.source1.wave=saw", "layer1.filter1.type=" + type, "layer1.filter1.cutoff=800",
                "layer1.filter1.resonance=60", "layer1.lfo1.wave=square", "layer1.lfo1.rate=40"), Modulator.LFO_1,
                type.equals("comb") ? "layer1.filter1.combTune" : type.equals("vowel") ? "layer1.filter1.vowel" : "layer1.filter1.cutoff",
                type.equals("comb") ? 40 : type.equals("vowel") ? 90 : 5);
        Engine engine = Played.engine(patch, rate);
        engine.noteOn(36, 127);
        double[] left = new double[48000];
        engine.render(left, new double[48000], 0, 48000);
        double peak = 0;
        for (double v : left) {
            peak = Math.max(peak, Math.abs(v));
        }
        assertTrue(peak < 30, type + " reaches " + peak);
        assertEquals(0, engine.faults());
    }

    /** In parallel two filters that each take one half leave what both let through; in series what neither takes. */
    @Test
    void routingsDiffer() {
        String[] series = {"layer1.filter1.type=lowPass24", "layer1.filter1.cutoff=200", "layer1.filter2.type=highPass24", "layer1.filter2.cutoff=4000"};
        assertTrue(gainDb(1000, series) < -60);
        double parallel = gainDb(100, "layer1.filter1.type=lowPass24", "layer1.filter1.cutoff=200", "layer1.filter2.type=highPass24",
                "layer1.filter2.cutoff=4000", "layer1.filters.routing=parallel");
        assertEquals(0, parallel, 0.5);
        assertEquals(0, gainDb(1000, "layer1.filter1.type=lowPass24", "layer1.filter1.cutoff=200", "layer1.source1.output=direct"), 0.05);
        assertEquals(0, gainDb(1000, "layer1.filter1.type=lowPass24", "layer1.filter1.cutoff=200", "layer1.source1.output=filter2"), 0.05);
        assertTrue(FilterParameters.SINGING_DB < 60);
    }

    /** A sine driven into each shape grows the harmonics of that shape, below the aliases by 60 dB (oversampled). */
    @ParameterizedTest
    @ValueSource(strings = {"soft", "hard", "fold"})
    void driveAddsOddHarmonicsOnly(String shape) {
        double[] sound = Played.left(Played.patch("layer1.drive.type=" + shape, "layer1.drive.amount=18", "layer1.source1.level=-6"), 69, 127, 48000, 80000);
        Spectrum spectrum = new Spectrum(sound, 8192, 65536, 48000);
        assertTrue(Spectrum.db(spectrum.amplitude(1320) / spectrum.amplitude(440)) > -30, "third harmonic");
        assertTrue(Spectrum.db(spectrum.amplitude(880) / spectrum.amplitude(440)) < -70, "no second harmonic");
    }
}
