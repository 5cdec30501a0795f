package gentlecomet.sound.effect;

import static gentlecomet.sound.effect.InSlot.RATE;
import static gentlecomet.sound.effect.InSlot.gainDb;
import static gentlecomet.sound.effect.InSlot.through;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.engine.Played;
import gentlecomet.sound.engine.Spectrum;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import java.util.function.IntToDoubleFunction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The filter bank against its words: one tone in each of four wide bands, whose levels are handed on. */
class FilterBankTest {

    /** In the middle of four bands that are split at 100, 632 and 4000 Hz, where a neighbour is down by 32 dB; it adds more than 1 dB where it is raised. */
    private static final double[] HZ = {35, 251, 1590, 12000};
    private static final double[] LEVELS = {-20, -15, -22, -17};
    private static final double[] OTHERS = {-16, -19, -18, -22};

    private static IntToDoubleFunction tones(double[] db) {
        return i -> {
            double sum = 0;
            for (int k = 0; k < HZ.length; k++) {
                sum += Math.pow(10, db[k] / 20) * Math.sin(2 * Math.PI * HZ[k] * i / RATE);
            }
            return sum * Math.min(1, i / 2400.0);
        };
    }

    private static double[] levels(IntToDoubleFunction in, String... settings) {
        String[] all = new String[settings.length + 4];
        all[0] = "effect1.type=filterBank";
        all[1] = "effect1.bank.bands=4";
        all[2] = "effect1.bank.low=100";
        all[3] = "effect1.bank.high=4000";
        for (int i = 0; i < settings.length; i++) {
            all[4 + i] = "effect1.bank." + settings[i];
        }
        Spectrum spectrum = new Spectrum(through(120000, in, all)[0], 48000, 65536, RATE);
        double[] levels = new double[HZ.length];
        for (int k = 0; k < HZ.length; k++) {
            levels[k] = Spectrum.db(spectrum.amplitude(HZ[k]));
        }
        return levels;
    }

    /** However many bands there are, and wherever they are split: what is not moved passes, whole or half of it. */
    @ParameterizedTest
    @CsvSource({"4,60", "4,1000", "5,150", "7,700", "8,333", "8,7000", "11,2000", "13,500", "16,150", "16,1234", "16,9000"})
    void withoutShiftTheBandsAddUpFlat(String bands, double hz) {
        assertEquals(0, gainDb(hz, "effect1.type=filterBank", "effect1.bank.bands=" + bands), 0.1);
        assertEquals(0, gainDb(hz, "effect1.type=filterBank", "effect1.bank.bands=" + bands, "effect1.mix=50"), 0.1, "half of the dry sound");
    }

    @Test
    void aShiftHandsTheLevelsOn() {
        double[] up = levels(tones(LEVELS), "shift=1");
        assertTrue(up[0] < LEVELS[0] - 30, "below the first band there is nothing: " + up[0]);
        double[] down = levels(tones(LEVELS), "shift=-1");
        assertTrue(down[3] < LEVELS[3] - 30, "and nothing above the last: " + down[3]);
        for (int k = 0; k < 3; k++) {
            assertEquals(LEVELS[k], up[k + 1], 1.5, "band " + (k + 1) + " as band " + k);
            assertEquals(LEVELS[k + 1], down[k], 1.5, "band " + k + " as band " + (k + 1));
        }
    }

    /** Between two bands the power is shared; half of the depth is half of the way in dB. */
    @Test
    void partsOfAShiftLieBetween() {
        double shared = 10 * Math.log10(0.5 * (Math.pow(10, LEVELS[0] / 10) + Math.pow(10, LEVELS[1] / 10)));
        assertEquals(shared, levels(tones(LEVELS), "shift=0.5")[1], 1);
        assertEquals((LEVELS[2] + LEVELS[1]) / 2, levels(tones(LEVELS), "shift=1", "depth=50")[2], 1);
    }

    /** Held from the start, what comes later has the levels of the first tenth of a second. */
    @Test
    void heldLevelsStay() {
        IntToDoubleFunction first = tones(LEVELS);
        IntToDoubleFunction then = tones(OTHERS);
        double[] held = levels(i -> (i < 24000 ? first : then).applyAsDouble(i), "hold=100");
        for (int k = 0; k < HZ.length; k++) {
            assertEquals(LEVELS[k], held[k], 1.5, "band " + k);
        }
    }

    /** Another number of bands under a held note makes no step beyond what the wave itself makes. */
    @ParameterizedTest
    @CsvSource({"8, 12", "16, 4"})
    void anotherNumberOfBandsDoesNotClick(int bands, int others) {
        Patch before = Played.patch("effect1.type=filterBank", "effect1.bank.bands=" + bands, "effect1.bank.shift=1", "layer1.source1.wave=triangle", "layer1.source1.level=-20");
        Engine engine = Played.engine(before, RATE);
        engine.noteOn(57, 127);
        double[] left = new double[28800];
        engine.render(left, new double[28800], 0, 9600);
        engine.change(PatchImage.of(before.withValue(Parameters.find("effect1.bank.bands"), others)));
        engine.render(left, new double[28800], 9600, 19200);
        double steepest = Played.steepest(left, 9590, 14000);
        double usual = Math.max(Played.steepest(left, 4000, 9500), Played.steepest(left, 20000, 28000));
        assertTrue(steepest < 1.5 * usual + 1e-3, steepest + " against " + usual);
    }
}
