package gentlecomet.sound.maths;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.engine.Played;
import gentlecomet.sound.engine.Spectrum;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * The half-band filter against the Kaiser window's design formulas (J. F. Kaiser, 1974): beta 10.06 gives 100 dB of attenuation, and
 * 79 taps a transition of (100 - 8) / (2.285 x 78) radians, which is 0.16 of the lower rate around its half.
 */
class HalfBandTest {

    private static final int BLOCK = 64;
    private static final int FRAMES = 64 * BLOCK;

    private static double[] sine(double cyclesPerSample, int frames) {
        double[] x = new double[frames];
        for (int i = 0; i < frames; i++) {
            x[i] = Math.sin(2 * Math.PI * cyclesPerSample * i);
        }
        return x;
    }

    private static double[] doubled(double[] in) {
        HalfBand filter = new HalfBand();
        double[] out = new double[2 * in.length];
        double[] block = new double[2 * BLOCK];
        for (int at = 0; at < in.length; at += BLOCK) {
            filter.doubled(Arrays.copyOfRange(in, at, at + BLOCK), block, BLOCK);
            System.arraycopy(block, 0, out, 2 * at, 2 * BLOCK);
        }
        return out;
    }

    private static double[] halved(double[] in) {
        HalfBand filter = new HalfBand();
        double[] out = new double[in.length / 2];
        double[] block = new double[BLOCK];
        for (int at = 0; at < out.length; at += BLOCK) {
            filter.halved(Arrays.copyOfRange(in, 2 * at, 2 * at + 2 * BLOCK), block, BLOCK);
            System.arraycopy(block, 0, out, at, BLOCK);
        }
        return out;
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.05, 0.1, 0.2, 0.3, 0.38, 0.41})
    void whatLiesInTheBandComesThroughUnchanged(double cycles) {
        double[] out = halved(doubled(sine(cycles, FRAMES)));
        double gain = Played.rms(out, 500, FRAMES) / Played.rms(sine(cycles, FRAMES), 500, FRAMES);
        assertEquals(0, Spectrum.db(gain), 0.01);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.05, 0.2, 0.38})
    void doublingLeavesNoImage(double cycles) {
        double[] out = doubled(sine(cycles, FRAMES));
        Spectrum spectrum = new Spectrum(out, 1024, 4096, 2);
        assertEquals(1 / Math.sqrt(2), spectrum.amplitude(cycles) / Math.sqrt(2), 0.001);
        assertTrue(Spectrum.db(spectrum.amplitude(1 - cycles) / spectrum.amplitude(cycles)) < -98, "image");
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.295, 0.31, 0.35, 0.4, 0.48})
    void whatWouldFoldIsTakenAwayBeforeHalving(double cyclesOfTheDoubledRate) {
        double[] out = halved(sine(cyclesOfTheDoubledRate, 2 * FRAMES));
        assertTrue(Spectrum.db(Played.rms(out, 500, FRAMES) * Math.sqrt(2)) < -98);
    }

    @Test
    void bothDirectionsTogetherDelayByTheStatedTime() {
        double[] click = new double[FRAMES];
        click[0] = 1;
        double[] up = doubled(click);
        int highest = 0;
        for (int i = 0; i < up.length; i++) {
            highest = up[i] > up[highest] ? i : highest;
        }
        assertEquals(new HalfBand().delay(), highest);
        double sum = 0;
        for (double value : up) {
            sum += value;
        }
        assertEquals(2, sum, 1e-9, "a held value keeps its level");
    }

    @Test
    void forgetsEverythingOnReset() {
        HalfBand filter = new HalfBand();
        double[] loud = new double[BLOCK];
        Arrays.fill(loud, 1);
        double[] out = new double[2 * BLOCK];
        filter.doubled(loud, out, BLOCK);
        filter.reset();
        filter.doubled(new double[BLOCK], out, BLOCK);
        assertEquals(0, Arrays.stream(out).map(Math::abs).max().orElseThrow());
    }
}
