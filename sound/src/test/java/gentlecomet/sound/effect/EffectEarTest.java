package gentlecomet.sound.effect;

import static gentlecomet.sound.effect.InSlot.RATE;
import static gentlecomet.sound.effect.InSlot.sine;
import static gentlecomet.sound.effect.InSlot.through;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.engine.Spectrum;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What an ear would notice of an effect that nobody moves, in numbers: noise of its own, a direct part, a wavering that nobody asked for, what is left in mono. */
class EffectEarTest {

    static Stream<String> types() {
        return Stream.of(EffectType.values()).skip(1).map(EffectType::id);
    }

    private static String[] wet(String type, String... more) {
        String[] all = java.util.Arrays.copyOf(more, more.length + 2);
        all[more.length] = "effect1.type=" + type;
        all[more.length + 1] = "effect1.mix=100";
        return all;
    }

    /** Amplitudes of what stands beside a tone, from -90 to 90 Hz in steps of a hertz: the tone taken down to 0 Hz, means of 256 samples, a Blackman-Harris window over a second. */
    private static double[] beside(double[] samples, double hz) {
        int count = 187;
        double[] re = new double[count];
        double[] im = new double[count];
        for (int n = 0; n < count; n++) {
            double turns = 2 * Math.PI * n / (count - 1);
            double window = 0.35875 - 0.48829 * Math.cos(turns) + 0.14128 * Math.cos(2 * turns) - 0.01168 * Math.cos(3 * turns);
            for (int i = samples.length - 64 - 256 * (count - n); i < samples.length - 64 - 256 * (count - n - 1); i++) {
                re[n] += window * samples[i] * Math.cos(2 * Math.PI * hz * i / RATE) / (128 * 0.35875 * count);
                im[n] -= window * samples[i] * Math.sin(2 * Math.PI * hz * i / RATE) / (128 * 0.35875 * count);
            }
        }
        double[] levels = new double[181];
        for (int k = -90; k <= 90; k++) {
            double real = 0;
            double imaginary = 0;
            for (int n = 0; n < count; n++) {
                double turns = -2 * Math.PI * k * n * 256 / RATE;
                real += re[n] * Math.cos(turns) - im[n] * Math.sin(turns);
                imaginary += re[n] * Math.sin(turns) + im[n] * Math.cos(turns);
            }
            levels[90 + k] = Math.hypot(real, imaginary);
        }
        return levels;
    }

    @ParameterizedTest
    @MethodSource("types")
    void silenceStaysSilent(String type) {
        double[][] out = through(48000, i -> 0, wet(type));
        for (int i = 0; i < 48000; i++) {
            assertTrue(Math.abs(out[0][i]) < 1e-12 && Math.abs(out[1][i]) < 1e-12, type + " at " + i);
        }
    }

    /** Over 1000 whole periods of 250 Hz, half a second after the beginning. */
    @ParameterizedTest
    @MethodSource("types")
    void aToneLeavesNoDirectPart(String type) {
        double[] out = through(24000 + 192000, sine(250, 0.5), wet(type))[0];
        double sum = 0;
        for (int i = 24000; i < 24000 + 191968; i++) {
            sum += out[i];
        }
        assertEquals(0, sum / 192000, 3e-4, type);
    }

    /** What keeps still is a line in the spectrum: nothing from 5 to 80 Hz beside it, down to -80 dB. */
    @ParameterizedTest
    @ValueSource(strings = {"drive", "widener", "reverb", "delay", "equaliser", "compressor", "multibandCompressor", "transientShaper", "limiter", "stereo", "filter", "multibandDrive", "body", "filterBank"})
    void whatKeepsStillDoesNotWaver(String type) {
        double[] levels = beside(through(480000, sine(750, 0.25), wet(type, "effect1.reverb.modulation=0", "effect1.bank.shift=1"))[0], 750);
        for (int k = 5; k <= 80; k++) {
            double most = Math.max(levels[90 - k], levels[90 + k]);
            assertTrue(Spectrum.db(most / levels[90]) < -80, type + " wavers by " + k + " Hz: " + Spectrum.db(most / levels[90]));
        }
    }

    /** And what moves does so at the rate that is set: amplitude modulation by m has side bands of m / 2 (any handbook), here of a half. */
    @ParameterizedTest
    @ValueSource(ints = {5, 9, 13})
    void aTremoloWaversAtItsRate(int rate) {
        double[] levels = beside(through(480000, sine(750, 0.25), wet("tremolo", "effect1.tremolo.rate=" + rate, "effect1.tremolo.depth=100"))[0], 750);
        int strongest = 5;
        for (int k = 5; k <= 80; k++) {
            strongest = levels[90 + k] > levels[90 + strongest] ? k : strongest;
        }
        assertEquals(rate, strongest);
        assertEquals(0.5, levels[90 + rate] / levels[90], 0.015);
        assertEquals(0.5, levels[90 - rate] / levels[90], 0.015);
    }

    /** A tone that comes in the same on both sides loses no more than 3 dB when they are summed, but for what makes width out of time. */
    @ParameterizedTest
    @ValueSource(strings = {"drive", "bitcrusher", "chorus", "tremolo", "delay", "reverb", "equaliser", "compressor", "multibandCompressor", "transientShaper", "ducking", "limiter", "stereo", "filter",
        "multibandDrive", "body", "filterBank"})
    void theMonoSumIsNoHollowOne(String type) {
        double both = 0;
        double sum = 0;
        for (double hz : new double[] {110, 163, 241, 357, 529, 783, 1160, 1718, 2545, 3770}) {
            double[][] out = through(48000, sine(hz, 0.2), wet(type));
            for (int i = 12000; i < 47968; i++) {
                both += 0.5 * (out[0][i] * out[0][i] + out[1][i] * out[1][i]);
                sum += 0.25 * (out[0][i] + out[1][i]) * (out[0][i] + out[1][i]);
            }
        }
        assertTrue(10 * Math.log10(sum / both) > -3.1, type + ": " + 10 * Math.log10(sum / both));
    }
}
