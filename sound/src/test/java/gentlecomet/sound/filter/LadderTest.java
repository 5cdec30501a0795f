package gentlecomet.sound.filter;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LadderTest {

    private static final int BLOCK = 32;
    private static final double RATE = 48000;

    private static double[] noise(Random random, double level) {
        return random.doubles(BLOCK, -level, level).toArray();
    }

    @Test
    void twoVoicesAtOnceGetTheSamplesThatEachGetsAloneButForRounding() {
        Random random = new Random(4711);
        Ladder[] alone = {new Ladder(), new Ladder()};
        Ladder[] together = {new Ladder(), new Ladder()};
        for (int block = 0; block < 200; block++) {
            double[][] one = {noise(random, 2), noise(random, 2)};
            double[][] two = {noise(random, 0.1), noise(random, 4)};
            double[][] oneAgain = {one[0].clone(), one[1].clone()};
            double[][] twoAgain = {two[0].clone(), two[1].clone()};
            double cutoff = 60 * Math.pow(2, 8 * random.nextDouble());
            double lift = 30 * random.nextDouble();
            boolean sings = block % 50 > 40;
            alone[0].aim(cutoff, lift, false, RATE);
            together[0].aim(cutoff, lift, false, RATE);
            alone[1].aim(2 * cutoff, 6, sings, RATE);
            together[1].aim(2 * cutoff, 6, sings, RATE);
            alone[0].process(one[0], one[1], BLOCK);
            alone[1].process(two[0], two[1], BLOCK);
            Ladder.processBoth(together[0], oneAgain[0], oneAgain[1], together[1], twoAgain[0], twoAgain[1], BLOCK);
            assertArrayEquals(one[0], oneAgain[0], 1e-9);
            assertArrayEquals(one[1], oneAgain[1], 1e-9);
            assertArrayEquals(two[0], twoAgain[0], 1e-9);
            assertArrayEquals(two[1], twoAgain[1], 1e-9);
        }
    }

    /**
     * Four equal first-order stages with feedback k: |H| = (1 + k/2) / |(1 + jw)^4 + k|, w the warped frequency against the warped corner, which lies where the peak comes to stand on the cutoff,
     * tan(pi f / fs) / tan(pi fc / fs) (bilinear transform, any handbook of digital filters).
     */
    @ParameterizedTest
    @CsvSource({"1000, 0, 300", "1000, 0, 1000", "1000, 0, 4000", "1000, 12, 1000", "250, 20, 250", "250, 20, 700", "9000, 6, 5000", "16000, 12, 12000"})
    void smallSignalsFollowTheTransferFunction(double cutoff, double liftDb, double hz) {
        Ladder ladder = new Ladder();
        double[] answer = new double[1 << 15];
        for (int from = 0; from < answer.length; from += BLOCK) {
            double[] left = new double[BLOCK];
            left[0] = from == 0 ? 1e-4 : 0;
            ladder.aim(cutoff, liftDb, false, RATE);
            ladder.process(left, new double[BLOCK], BLOCK);
            System.arraycopy(left, 0, answer, from, BLOCK);
        }
        double re = 0;
        double im = 0;
        for (int i = 0; i < answer.length; i++) {
            re += answer[i] * Math.cos(2 * Math.PI * hz / RATE * i);
            im += answer[i] * Math.sin(2 * Math.PI * hz / RATE * i);
        }
        double[] peak = peakOf(liftDb);
        double k = peak[0];
        double w = peak[1] * Math.tan(Math.PI * hz / RATE) / Math.tan(Math.PI * cutoff / RATE);
        double expected = (1 + k / 2) * magnitude(k, w);
        assertEquals(20 * Math.log10(expected), 20 * Math.log10(Math.hypot(re, im) / 1e-4), 0.02);
    }

    private static double magnitude(double k, double w) {
        return 1 / Math.hypot(1 - 6 * w * w + Math.pow(w, 4) + k, 4 * w - 4 * Math.pow(w, 3));
    }

    /** The feedback with which the highest point stands so far above a constant, and where it stands: tried out in small steps. */
    private static double[] peakOf(double liftDb) {
        if (liftDb == 0) {
            return new double[] {0, 1};
        }
        double wanted = Math.pow(10, liftDb / 20);
        for (double k = 0.34; k < 4; k += 0.0002) {
            double place = 0.01;
            while (magnitude(k, place + 0.001) > magnitude(k, place)) {
                place += 0.001;
            }
            if ((1 + k) * magnitude(k, place) >= wanted) {
                return new double[] {k, place};
            }
        }
        throw new AssertionError("no feedback lifts by " + liftDb);
    }

    /** A low-pass passes a constant whatever its cutoff does: no thump from a swept filter. */
    @Test
    void aSweptCutoffLeavesAConstantAlone() {
        Ladder ladder = new Ladder();
        Random random = new Random(99);
        for (int block = 0; block < 3000; block++) {
            double[] left = new double[BLOCK];
            double[] right = new double[BLOCK];
            Arrays.fill(left, 0.01);
            Arrays.fill(right, -0.02);
            // It settles at first, and is thrown about then.
            ladder.aim(block < 1000 ? 500 : 20 * Math.pow(2, 9.8 * random.nextDouble()), 0, false, RATE);
            ladder.process(left, right, BLOCK);
            if (block > 1000) {
                // The soft limit takes u^3 / 27 of it.
                assertEquals(0.01 - 1e-6 / 27, left[31], 1e-12);
                assertEquals(-0.02 + 8e-6 / 27, right[31], 1e-12);
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"44100", "48000", "192000"})
    void cutoffsThrownFromOneEndToTheOtherStayWithinBounds(double rate) {
        Ladder ladder = new Ladder();
        Random random = new Random(5);
        double most = 0;
        for (int block = 0; block < 4000; block++) {
            double[] left = noise(random, 1);
            double[] right = noise(random, 8);
            ladder.aim(random.nextBoolean() ? 20 : 20000, 40, block % 3 == 0, rate);
            ladder.process(left, right, BLOCK);
            for (int i = 0; i < BLOCK; i++) {
                most = Math.max(most, Math.max(Math.abs(left[i]), Math.abs(right[i])));
            }
        }
        assertTrue(most < 8, "reached " + most);
    }
}
