package gentlecomet.sound.source;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.engine.Played;
import gentlecomet.sound.engine.Spectrum;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import org.apache.commons.math3.special.BesselJ;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Struck bodies, partials and noise against handbook values. */
class BodyTest {

    /** N. H. Fletcher and T. D. Rossing, "The Physics of Musical Instruments", sections 2.15 and 3.6: ratios of the lowest modes. */
    @ParameterizedTest
    @CsvSource({"membrane,1 1.593 2.136 2.295 2.653 2.917 3.155 3.500 3.598", "freeBar,1 2.756 5.404 8.933", "clampedBar,1 6.267 17.547 34.386",
        "harmonic,1 2 3 4", "plate,1 2.5 4 5"})
    void ratiosAreThoseOfTheHandbook(String set, String expected) {
        int choice = gentlecomet.sound.parameter.Parameters.find("layer1.source1.bodySet").choices().indexOf(set);
        String[] ratios = expected.split(" ");
        for (int k = 0; k < ratios.length; k++) {
            assertEquals(Double.parseDouble(ratios[k]), ModeSets.of(choice).ratio(k), 0.002, set + " mode " + k);
        }
    }

    /** The listed zeros are zeros of the Bessel functions as Apache Commons Math computes them. */
    @Test
    void theMembraneRingsAtZerosOfBesselFunctions() {
        ModeSets membrane = ModeSets.of(1);
        for (int k = 0; k < ModeSets.MOST; k++) {
            double zero = membrane.ratio(k) * 2.404825557695773;
            double least = 1;
            for (int order = 0; order <= 20; order++) {
                least = Math.min(least, Math.abs(BesselJ.value(order, zero)));
            }
            assertTrue(least < 1e-7, "mode " + k + " at " + zero);
        }
        assertEquals(BesselJ.value(3, 7.5), ModeSets.bessel(3, 7.5), 1e-9);
    }

    private static double[] struck(int key, String... changes) {
        String[] all = new String[changes.length + 3];
        all[0] = "layer1.source1.wave=body";
        all[1] = "layer1.source1.bodyDecay=2 s";
        all[2] = "layer1.source1.bodyTilt=0";
        System.arraycopy(changes, 0, all, 3, changes.length);
        return Played.left(Played.patch(all), key, 127, 48000, 80000);
    }

    @ParameterizedTest
    @ValueSource(strings = {"membrane", "freeBar", "clampedBar", "plate"})
    void theStruckBodySoundsAtItsPartials(String set) {
        double[] sound = struck(57, "layer1.source1.bodySet=" + set, "layer1.source1.bodyPartials=4", "layer1.source1.strike=10", "layer1.source1.exciterLength=0.5 ms");
        Spectrum spectrum = new Spectrum(sound, 2048, 65536, 48000);
        ModeSets modes = ModeSets.of(gentlecomet.sound.parameter.Parameters.find("layer1.source1.bodySet").choices().indexOf(set));
        for (int k = 0; k < 4; k++) {
            double hz = 220 * modes.ratio(k);
            double around = Math.max(spectrum.amplitude(hz * 1.09), spectrum.amplitude(hz * 0.92));
            assertTrue(spectrum.amplitude(hz) > 3 * around, set + " partial " + k + " at " + hz);
        }
    }

    @Test
    void itFallsBySixtyDecibelsOverItsDecayTime() {
        double[] sound = struck(69, "layer1.source1.bodyPartials=1", "layer1.source1.bodyDecay=1 s");
        double early = Played.rms(sound, 9600, 14400);
        double late = Played.rms(sound, 33600, 38400);
        assertEquals(-30, Spectrum.db(late / early), 1);
    }

    @Test
    void strikesDifferByTheirSpreadAndAreRepeatable() {
        Patch patch = Played.patch("layer1.source1.wave=body", "layer1.source1.spread=9");
        double[] once = Played.left(patch, 60, 127, 48000, 9600);
        assertArrayEquals(once, Played.left(patch, 60, 127, 48000, 9600));
        double[] second = Played.left(patch, 48000, 9600, e -> {
            e.noteOn(60, 127);
            e.noteOff(60);
            e.render(new double[48000], new double[48000], 0, 48000);
            e.noteOn(60, 127);
        });
        assertNotEquals(Played.rms(once, 0, 9600), Played.rms(second, 0, 9600), 1e-6);
    }

    @Test
    void pitchFallsFromAbove() {
        double[] sound = struck(57, "layer1.source1.bodyPartials=1", "layer1.source1.pitchFall=12", "layer1.source1.pitchFallTime=100 ms");
        assertEquals(220, Played.frequency(sound, 220, 48000), 0.5);
        Spectrum start = new Spectrum(sound, 0, 2048, 48000);
        assertTrue(start.amplitude(330) > start.amplitude(160));
    }

    /** Partials built from a saw have the levels of its Fourier series. */
    @Test
    void partialsAreASawWhenTheySaySo() {
        double[] sound = Played.left(Played.patch("layer1.source1.wave=partials", "layer1.source1.partialCount=40"), 57, 127, 48000, 80000);
        Spectrum spectrum = new Spectrum(sound, 8192, 65536, 48000);
        double level = Math.pow(10, -12 / 20.0);
        for (int n = 1; n <= 40; n++) {
            assertEquals(Spectrum.db(2 / (Math.PI * n)), Spectrum.db(spectrum.amplitude(220 * n) / level), 0.2, "partial " + n);
        }
        assertTrue(spectrum.amplitude(220 * 41) < 1e-5);
    }

    /** A cut falls by 48 dB per octave beyond its partial; the balance takes its part from the even or the odd ones and leaves the first. */
    @Test
    void theSpectrumOfPartialsIsCutAndBalanced() {
        double level = Math.pow(10, -12 / 20.0) * 2 / Math.PI;
        Spectrum cut = new Spectrum(Played.left(Played.patch("layer1.source1.wave=partials", "layer1.source1.partialLow=4", "layer1.source1.partialHigh=8"), 57, 127, 48000, 80000), 8192, 65536, 48000);
        for (int n : new int[] {2, 3, 4, 6, 8, 9, 12, 16}) {
            double octaves = Math.max(0, Math.max(2 - Math.log(n) / Math.log(2), Math.log(n) / Math.log(2) - 3));
            assertEquals(-48 * octaves, Spectrum.db(cut.amplitude(220 * n) / (level / n)), 0.3, "partial " + n);
        }
        Spectrum odd = new Spectrum(Played.left(Played.patch("layer1.source1.wave=partials", "layer1.source1.oddEven=-50"), 57, 127, 48000, 80000), 8192, 65536, 48000);
        Spectrum even = new Spectrum(Played.left(Played.patch("layer1.source1.wave=partials", "layer1.source1.oddEven=75"), 57, 127, 48000, 80000), 8192, 65536, 48000);
        for (int n = 1; n <= 7; n++) {
            assertEquals(n % 2 == 0 ? 0.5 : 1, odd.amplitude(220 * n) / (level / n), 0.01, "odd ones at 50 %, partial " + n);
            assertEquals(n % 2 == 0 || n == 1 ? 1 : 0.25, even.amplitude(220 * n) / (level / n), 0.01, "even ones at 75 %, partial " + n);
        }
    }

    /** Noise as a wave, and levels that are drawn by lot: the same for each note, or others. */
    @ParameterizedTest
    @CsvSource({"wave=noise, noiseStart=repeatable, true", "wave=noise, noiseStart=fresh, false", "wave=partials, partialsFrom=seeded, true", "wave=partials, partialsFrom=seededEachNote, false"})
    void startsAreRepeatableOrFresh(String wave, String start, boolean same) {
        Patch patch = Played.patch("layer1.source1." + wave, "layer1.source1." + start, "layer1.amplitude.release=0");
        double[] sound = Played.left(patch, 48000, 48000, e -> {
            double[] rest = new double[24000];
            e.noteOn(57, 127);
            e.render(rest, new double[24000], 0, 12000);
            e.noteOff(57);
            e.render(rest, new double[24000], 12000, 12000);
            e.noteOn(57, 127);
        });
        double[] first = Played.left(patch, 57, 127, 48000, 48000);
        double most = 0;
        for (int i = 0; i < 9600; i++) {
            most = Math.max(most, Math.abs(sound[i] - first[i]));
        }
        assertEquals(same, most < 1e-9, "the second note differs by " + most);
    }

    @Test
    void aBandRisesByItsDecibelsOverItsTime() {
        double[] sound = Played.left(Played.patch("layer1.source1.wave=partials", "layer1.source1.band3Rise=-24", "layer1.source1.band3Time=500 ms"),
                57, 127, 48000, 120000);
        Spectrum early = new Spectrum(sound, 0, 4096, 48000);
        Spectrum late = new Spectrum(sound, 48000, 65536, 48000);
        double level = Math.pow(10, -12 / 20.0) * 2 / Math.PI;
        assertTrue(Spectrum.db(early.amplitude(880) / (level / 4)) > -6, "just after the key it is still there");
        assertEquals(-24, Spectrum.db(late.amplitude(880) / (level / 4)), 0.3);
        assertEquals(0, Spectrum.db(late.amplitude(220) / level), 0.3, "the fundamental belongs to band 1");
    }

    /** At full pull every partial stands on a multiple of the grid; aftertouch can bring it there. */
    @Test
    void aftertouchPullsThePartialsOntoTheGrid() {
        Patch patch = Played.routed(Played.patch("layer1.source1.wave=partials", "layer1.source1.partialCount=8", "layer1.source1.gridPitch=150 Hz"),
                Modulator.AFTERTOUCH, "layer1.source1.gridPull", 100);
        double[] still = Played.left(patch, 57, 127, 48000, 80000);
        double[] pressed = Played.left(patch, 48000, 80000, e -> {
            e.aftertouch(1);
            e.noteOn(57, 127);
        });
        Spectrum a = new Spectrum(still, 8192, 65536, 48000);
        Spectrum b = new Spectrum(pressed, 8192, 65536, 48000);
        assertTrue(a.amplitude(220) > 0.1 && b.amplitude(220) < 1e-3);
        assertTrue(b.amplitude(150) > 0.1 && a.amplitude(150) < 1e-3);
        assertTrue(b.amplitude(450) > 0.05, "the second partial, 440 Hz, goes to 450 Hz");
    }

    /** White noise has equal power in equal bands; pink falls by 3 dB per octave, brown by 6 (common definitions). */
    @ParameterizedTest
    @CsvSource({"white,0", "pink,-3.01", "brown,-6.02"})
    void noiseHasItsColour(String colour, double slope) {
        Patch patch = Played.patch("layer1.source1.level=off", "layer1.noise.level=0", "layer1.noise.colour=" + colour);
        double[] sound = Played.left(patch, 60, 127, 48000, 530000);
        double[] power = new double[7];
        for (int block = 0; block < 8; block++) {
            Spectrum spectrum = new Spectrum(sound, 4096 + block * 65536, 65536, 48000);
            for (int octave = 0; octave < power.length; octave++) {
                power[octave] += spectrum.density(100 * Math.pow(2, octave), 200 * Math.pow(2, octave));
            }
        }
        for (int octave = 1; octave < power.length; octave++) {
            assertEquals(slope, 10 * Math.log10(power[octave] / power[octave - 1]), 0.6, colour + ", octave " + octave);
        }
        assertEquals(1 / Math.sqrt(3), Played.rms(sound, 48000, 520000), 0.05, "all colours are equally loud");
    }

    @Test
    void aRepeatableStartGivesTheSameGrainToEveryNote() {
        for (boolean repeatable : new boolean[] {true, false}) {
            Engine engine = Played.engine(Played.patch("layer1.source1.level=off", "layer1.noise.level=0", "layer1.noise.start="
                    + (repeatable ? "repeatable" : "fresh"), "layer1.amplitude.release=5 ms"), 48000);
            double[] first = new double[4800];
            double[] second = new double[4800];
            engine.noteOn(60, 100);
            engine.render(first, new double[4800], 0, 4800);
            engine.noteOff(60);
            engine.render(new double[9600], new double[9600], 0, 9600);
            engine.noteOn(60, 100);
            engine.render(second, new double[4800], 0, 4800);
            double difference = 0;
            for (int i = 0; i < 4800; i++) {
                difference = Math.max(difference, Math.abs(first[i] - second[i]));
            }
            assertEquals(repeatable, difference < 1e-12);
        }
    }
}
