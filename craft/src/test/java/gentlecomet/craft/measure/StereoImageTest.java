package gentlecomet.craft.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.sound.performance.Audio;
import java.util.Random;
import java.util.function.DoubleBinaryOperator;
import org.junit.jupiter.api.Test;

/** Held against closed forms of two channels that are the same, opposite, strangers, or one of which is silent; and Parseval's theorem for the spectrum. */
class StereoImageTest {

    private static final int RATE = 48000;

    /** @param right of the left sample and of a number that has nothing to do with it */
    private static StereoImage of(DoubleBinaryOperator right) {
        Random random = new Random(5);
        float[] l = new float[2 * RATE];
        float[] r = new float[2 * RATE];
        for (int i = 0; i < l.length; i++) {
            l[i] = (float) (0.1 * random.nextGaussian());
            r[i] = (float) right.applyAsDouble(l[i], 0.1 * random.nextGaussian());
        }
        Audio audio = new Audio(l, r, RATE);
        return StereoImage.of(audio, PowerSpectrum.of(audio, 0, l.length), 0, l.length);
    }

    @Test
    void theSameOnBothSides() {
        StereoImage s = of((l, other) -> l);
        assertEquals(1, s.correlation(), 1e-6);
        assertEquals(0, s.monoLossDb(), 1e-6);
        assertEquals(0, s.balanceDb(), 1e-6);
        assertEquals(1, s.lowCorrelation(), 1e-6);
    }

    @Test
    void oppositeSidesVanishInMono() {
        StereoImage s = of((l, other) -> -l);
        assertEquals(-1, s.correlation(), 1e-6);
        assertEquals(60, s.monoLossDb(), 0.1);
        assertEquals(-1, s.lowCorrelation(), 1e-6);
    }

    /** Powers of strangers add up: half the sum has half the power of one, 10 log10(2). */
    @Test
    void strangersLoseThreeDecibels() {
        StereoImage s = of((l, other) -> other);
        assertEquals(0, s.correlation(), 0.02);
        assertEquals(10 * Math.log10(2), s.monoLossDb(), 0.1);
    }

    @Test
    void halfTheLevelOnTheRight() {
        StereoImage s = of((l, other) -> 0.5 * l);
        assertEquals(20 * Math.log10(0.5), s.balanceDb(), 1e-4);
        assertEquals(1, s.correlation(), 1e-6);
        // ((1 + 1/2) / 2)^2 against the mean of 1 and 1/4.
        assertEquals(10 * Math.log10(0.625 / 0.5625), s.monoLossDb(), 1e-4);
    }

    @Test
    void theSpectrumHasThePowerOfTheWave() {
        float[] x = new float[RATE];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (0.5 * Math.sin(2 * Math.PI * 1000 * i / RATE) + 0.25 * Math.sin(2 * Math.PI * 6000 * i / RATE));
        }
        PowerSpectrum spectrum = PowerSpectrum.of(new Audio(x, x.clone(), RATE), 0, x.length);
        assertEquals(0.5 * 0.25, spectrum.power(900, 1100), 1e-3);
        assertEquals(0.5 * 0.0625, spectrum.power(5900, 6100), 1e-3);
        assertEquals(0.5 * (0.25 + 0.0625), spectrum.power(20, 20000), 2e-3);
        assertEquals(0.2, spectrum.strongestThird(3000), 2e-3, "0.0625 of 0.3125");
    }
}
