package gentlecomet.sound.effect;

import static gentlecomet.sound.effect.InSlot.RATE;
import static gentlecomet.sound.effect.InSlot.gainDb;
import static gentlecomet.sound.effect.InSlot.sine;
import static gentlecomet.sound.effect.InSlot.through;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.engine.Played;
import gentlecomet.sound.engine.Spectrum;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import java.util.function.IntToDoubleFunction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Filters as effects, drive by band, and what goes on inside of a delay's loop. */
class EffectPartsTest {

    /** Fourth-order Butterworth: -10 log10(1 + (f/fc)^8), mirrored for the high-pass. */
    @ParameterizedTest
    @CsvSource({"lowPass24,2000,-24.1", "lowPass24,1000,-3.01", "highPass24,500,-24.1", "bandPass12,1000,0"})
    void aFilterIsTheVoicesFilter(String type, double hz, double expected) {
        assertEquals(expected, gainDb(hz, "effect1.type=filter", "effect1.filter.type=" + type, "effect1.filter.cutoff=1000"), 0.3);
    }

    /** At 100 % the comb of the effect rings at the key that was played last: a click into it, and the pitch that stays. */
    @ParameterizedTest
    @ValueSource(ints = {48, 60, 67})
    void aFilterFollowsTheNewestNote(int key) {
        Patch patch = Played.patch("layer1.source1.wave=noise", "layer1.amplitude.decay=5 ms", "layer1.amplitude.sustain=0", "effect1.type=filter", "effect1.filter.type=comb",
                "effect1.filter.combFeedback=98", "effect1.filter.keyTracking=100");
        double[] sound = Played.left(patch, key, 127, RATE, 96000);
        double hz = 440 * Math.pow(2, (key - 69) / 12.0);
        assertEquals(hz, Played.frequency(sound, hz, RATE, 32768), hz * 0.003);
    }

    /** N. H. Fletcher and T. D. Rossing, "The Physics of Musical Instruments": ratios of a membrane, a free bar, a square plate, an open tube. */
    @ParameterizedTest
    @CsvSource({"skin,1 1.593 2.136 2.295", "metal,1 2.756 5.404 8.933", "wood,1 2.5 4 5", "tube,1 2 3 4"})
    void aBodyResoundsAtItsModes(String kind, String ratios) {
        double[] out = through(96000, i -> i == 0 ? 1 : 0, "effect1.type=body", "effect1.body.kind=" + kind, "effect1.body.tune=300", "effect1.body.decay=2 s", "effect1.body.tilt=0")[0];
        Spectrum spectrum = new Spectrum(out, 0, 65536, RATE);
        for (String ratio : ratios.split(" ")) {
            double hz = 300 * Double.parseDouble(ratio);
            assertTrue(spectrum.amplitude(hz) > 8 * spectrum.amplitude(hz * 1.06), kind + " at " + hz);
        }
        assertEquals(2, Played.t30(Spectrum.band(out, 270, 330, RATE), RATE), 0.2, "the lowest decays in its time");
    }

    /** Drawn: what is not at one of the eight frequencies is not heard, and each is as high as it was drawn. */
    @Test
    void aBodyCanBeDrawn() {
        String[] body = {"effect1.type=body", "effect1.body.kind=drawn", "effect1.body.tune=300", "effect1.body.decay=500 ms", "effect1.body.tilt=0", "effect1.body.ratio2=2.3", "effect1.body.level2=-6",
            "effect1.body.ratio3=5.1", "effect1.body.level3=0", "effect1.body.level4=off", "effect1.body.level5=off", "effect1.body.level6=off", "effect1.body.level7=off", "effect1.body.level8=off"};
        assertEquals(0, gainDb(300, body), 0.3);
        assertEquals(-6, gainDb(690, body), 0.3);
        assertEquals(0, gainDb(1530, body), 0.3);
        assertTrue(gainDb(1200, body) < -30, "the fourth is off");
    }

    /** A tone on a resonance passes as it is, fixed or at the key; driven by level, a tone 20 dB below full touch is 20 dB softer still. */
    @Test
    void aResonanceHasAGainOfOneAtItsPeak() {
        String[] body = {"effect1.type=body", "effect1.body.tune=500", "effect1.body.decay=200 ms", "effect1.body.kind=metal"};
        assertEquals(0, gainDb(500, body), 0.4);
        double plain = Played.rms(through(48000, sine(500, 0.025), body)[0], 24000, 48000);
        double touched = Played.rms(through(48000, sine(500, 0.025), body[0], body[1], body[2], body[3], "effect1.body.touch=100")[0], 24000, 48000);
        assertEquals(-20, Spectrum.db(touched / plain), 0.5);
        Patch patch = Played.patch("layer1.source1.wave=noise", "layer1.amplitude.decay=5 ms", "layer1.amplitude.sustain=0", "effect1.type=body", "effect1.body.kind=metal", "effect1.body.tune=262",
                "effect1.body.keyTracking=100", "effect1.body.decay=3 s", "effect1.body.tilt=80");
        double[] sound = Played.left(patch, 72, 127, RATE, 96000);
        assertEquals(524, Played.frequency(sound, 524, RATE, 32768), 1);
    }

    /** Linkwitz-Riley bands add up flat, two, three or four of them, also where a level moves nothing. */
    @ParameterizedTest
    @CsvSource({"2,60", "2,200", "3,200", "3,700", "3,1500", "4,200", "4,1500", "4,5000", "4,9000"})
    void undrivenBandsAddUpFlat(String count, double hz) {
        assertEquals(0, gainDb(hz, "effect1.type=multibandDrive", "effect1.bands.count=" + count), 0.1);
        assertEquals(0, gainDb(hz, "effect1.type=multibandDrive", "effect1.bands.count=" + count, "effect1.mix=50"), 0.1, "half of the dry sound");
    }

    /** The same of the three bands of the compressor. */
    @ParameterizedTest
    @ValueSource(doubles = {50, 160, 700, 2500, 9000})
    void halfOfTheDrySoundIsInPhaseWithTheBands(double hz) {
        assertEquals(0, gainDb(hz, "effect1.type=multibandCompressor", "effect1.multiband.downRatio=1", "effect1.multiband.upRatio=1", "effect1.mix=50"), 0.1);
    }

    /** Hard at 1 leaves a small tone as it is, so a driven band is as late as one that is not. */
    @Test
    void drivenBandsAreAsLateAsOthers() {
        assertEquals(6, gainDb(200, "effect1.type=multibandDrive", "effect1.bands.amount1=6", "effect1.bands.shape1=hard", "effect1.bands.level2=6"), 0.1);
    }

    @Test
    void onlyTheDrivenBandGrowsHarmonics() {
        IntToDoubleFunction two = i -> 0.4 * Math.sin(2 * Math.PI * 80 * i / RATE) + 0.4 * Math.sin(2 * Math.PI * 3000 * i / RATE);
        double[] out = through(80000, two, "effect1.type=multibandDrive", "effect1.bands.count=3", "effect1.bands.amount1=18", "effect1.bands.shape1=hard")[0];
        Spectrum spectrum = new Spectrum(out, 8192, 65536, RATE);
        assertTrue(Spectrum.db(spectrum.amplitude(240)) > -25, "third harmonic of the low tone");
        assertTrue(Spectrum.db(spectrum.amplitude(9000)) < -90, "none of the high one");
        assertEquals(0.4, spectrum.amplitude(3000), 0.01);
    }

    private static final String[] DELAY = {"effect1.type=delay", "effect1.mix=100", "effect1.delay.timeLeft=100 ms", "effect1.delay.timeRight=100 ms", "effect1.delay.lowCut=20",
        "effect1.delay.highCut=20000", "effect1.delay.feedback=50"};

    private static String[] delay(String... more) {
        String[] all = java.util.Arrays.copyOf(DELAY, DELAY.length + more.length);
        for (int i = 0; i < more.length; i++) {
            all[DELAY.length + i] = "effect1.delay." + more[i];
        }
        return all;
    }

    /** A delay of the left alone, whose echoes cross: the second one is on the right, the third on the left, each at half. */
    @Test
    void crossedEchoesChangeSides() {
        double[][] out = through(24000, i -> i == 64 ? 1 : 0, delay("cross=100", "timeRight=50 ms", "feedback=50"));
        // Right: first echo after 50 ms. It goes on in the left line, 100 ms later; the left one's goes on in the right line.
        assertEquals(1, out[1][64 + 2400], 1e-9);
        assertEquals(1, out[0][64 + 4800], 1e-9);
        assertEquals(0.5, out[0][64 + 2400 + 4800], 1e-9);
        assertEquals(0.5, out[1][64 + 4800 + 2400], 1e-9);
    }

    /** All-passes keep the level of what stands and spread what is short. */
    @Test
    void diffusionSpreadsEchoesAndKeepsTheirLevel() {
        double[] sharp = through(48000, i -> i == 9600 ? 1 : 0, delay("feedback=0"))[0];
        double[] soft = through(48000, i -> i == 9600 ? 1 : 0, delay("feedback=0", "diffusion=100"))[0];
        assertEquals(1, peak(sharp), 1e-9);
        assertTrue(peak(soft) < 0.6);
        double energy = 0;
        for (double v : soft) {
            energy += v * v;
        }
        assertEquals(1, energy, 0.02, "all-passes lose nothing");
    }

    private static double peak(double[] x) {
        double most = 0;
        for (double v : x) {
            most = Math.max(most, Math.abs(v));
        }
        return most;
    }

    /** Steep cuts go round: the second echo has been through them twice. */
    @Test
    void steepCutsWorkInTheLoop() {
        String[] cut = delay("highCut=1000", "highSlope=24dB", "feedback=95", "timeLeft=500 ms", "timeRight=500 ms");
        IntToDoubleFunction burst = i -> i < 9600 ? 0.5 * Math.sin(2 * Math.PI * 2000 * i / RATE) : 0;
        double[] out = through(72000, burst, cut)[0];
        double first = Spectrum.db(Played.rms(out, 26400, 33600));
        double second = Spectrum.db(Played.rms(out, 50400, 57600));
        assertEquals(-24.1 + Spectrum.db(0.95), second - first, 0.6);
    }

    /** The dry sound at -6 dB takes all of the room it is given; when it has ended the echoes come back. */
    @Test
    void echoesMakeRoomForTheDrySound() {
        IntToDoubleFunction tone = i -> i < 48000 ? 0.5 * Math.sin(2 * Math.PI * 500 * i / RATE) : 0;
        double[] plain = through(96000, tone, delay("feedback=95"))[0];
        double[] ducked = through(96000, tone, delay("feedback=95", "ducking=18"))[0];
        assertEquals(-18, Spectrum.db(Played.rms(ducked, 36000, 47000) / Played.rms(plain, 36000, 47000)), 0.5);
        assertEquals(0, Spectrum.db(Played.rms(ducked, 84000, 95000) / Played.rms(plain, 84000, 95000)), 0.3);
    }

    @Test
    void driftMovesThePitchOfEchoes() {
        double[] still = through(96000, sine(4000, 0.5), delay("feedback=0"))[0];
        double[] drifting = through(96000, sine(4000, 0.5), delay("feedback=0", "drift=100"))[0];
        assertEquals(0, range(still), 0.01);
        assertTrue(range(drifting) > 2 && range(drifting) < 60, "a tone of 4 kHz moves by " + range(drifting) + " Hz");
        assertEquals(Spectrum.db(Played.rms(still, 24000, 90000)), Spectrum.db(Played.rms(drifting, 24000, 90000)), 0.6);
    }

    /** How far apart the highest and the lowest frequency of a tenth of a second are, by its crossings of zero. */
    private static double range(double[] x) {
        double low = 1e9;
        double high = 0;
        for (int from = 24000; from < 86400; from += 4800) {
            double first = -1;
            double last = 0;
            int count = -1;
            for (int i = from; i < from + 4800; i++) {
                if (x[i] < 0 && x[i + 1] >= 0) {
                    last = i - x[i] / (x[i + 1] - x[i]);
                    first = first < 0 ? last : first;
                    count++;
                }
            }
            double hz = count / (last - first) * RATE;
            low = Math.min(low, hz);
            high = Math.max(high, hz);
        }
        return high - low;
    }

    /** While a key is held what is frozen neither falls nor takes anything in; let go, it decays. */
    @ParameterizedTest
    @ValueSource(strings = {"reverb", "delay"})
    void whatIsFrozenStaysWhileAKeyIsHeld(String type) {
        Patch patch = Played.routed(Played.patch("layer1.amplitude.decay=300 ms", "layer1.amplitude.sustain=0", "layer1.amplitude.release=20 ms", "effect1.type=" + type, "effect1.mix=100",
                "effect1.reverb.decay=1 s", "effect1.delay.feedback=30", "effect1.delay.timeLeft=100 ms", "effect1.delay.timeRight=100 ms"), Modulator.MOD_WHEEL,
                "effect1." + type + ".freeze", 100);
        Engine engine = Played.engine(patch, RATE);
        double[] left = new double[5 * 48000];
        engine.noteOn(60, 127);
        engine.render(left, new double[left.length], 0, 12000);
        engine.modWheel(1);
        engine.render(left, new double[left.length], 12000, 36000);
        engine.render(left, new double[left.length], 48000, 96000);
        double early = Played.rms(left, 30000, 48000);
        double late = Played.rms(left, 126000, 144000);
        assertEquals(0, Spectrum.db(late / early), 1.5);
        engine.noteOff(60);
        engine.render(left, new double[left.length], 144000, 96000);
        assertTrue(Spectrum.db(Played.rms(left, 216000, 239000) / late) < -40, "it decays when the key is let go");
    }

    /** Each voice of each note is drawn anew, by the note's seed, within its range. */
    @Test
    void unisonVoicesAreDrawnForEachNote() {
        String[] voices = {"layer1.source1.wave=saw", "layer1.source1.unisonVoices=4", "layer1.source1.randomPitch=30"};
        double[] first = new double[48000];
        double[] second = new double[48000];
        Engine engine = Played.engine(Played.patch(voices), RATE);
        engine.noteOn(57, 127);
        engine.render(first, new double[48000], 0, 48000);
        engine.noteOff(57);
        engine.render(new double[48000], new double[48000], 0, 48000);
        engine.noteOn(57, 127);
        engine.render(second, new double[48000], 0, 48000);
        Spectrum one = new Spectrum(first, 8000, 32768, RATE);
        Spectrum two = new Spectrum(second, 8000, 32768, RATE);
        double apart = 0;
        for (int cents = -60; cents <= 60; cents += 2) {
            double hz = 2200 * Math.pow(2, cents / 1200.0);
            if (Math.abs(cents) > 40) {
                assertTrue(one.amplitude(hz) < 0.004, "nothing beyond the range at " + cents);
            }
            apart = Math.max(apart, Math.abs(one.amplitude(hz) - two.amplitude(hz)));
        }
        assertTrue(apart > 0.005, "two notes are two drawings: " + apart);
    }
}
