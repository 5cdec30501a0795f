package gentlecomet.sound.maths;

/**
 * Repeatable randomness from integer arithmetic: the same seed gives the same numbers on every machine. One generator per
 * voice; not for sharing between threads.
 */
public final class NoiseGenerator {

    /** Multiplier and increment of the congruential generator "ranqd1" (D. Knuth and H. W. Lewis; Press et al., Numerical Recipes). */
    private static final int FACTOR = 1664525;
    private static final int STEP = 1013904223;
    /** The same for four steps at once. */
    private static final int FACTOR_OF_FOUR = FACTOR * FACTOR * FACTOR * FACTOR;
    private static final int STEP_OF_FOUR = STEP * (1 + FACTOR + FACTOR * FACTOR + FACTOR * FACTOR * FACTOR);
    private static final double SCALE = 1.0 / 2147483648.0;

    private int state;

    /** Restarts the sequence from any seed. */
    public void seed(int seed) {
        state = mix(seed);
    }

    /** The next number, evenly spread over -1 (inclusive) to 1 (exclusive). */
    public double next() {
        state = state * FACTOR + STEP;
        return state * SCALE;
    }

    /** Writes a control step of the next numbers, as {@link #next} gives them; in four chains, each of which takes every fourth. */
    public void fill(double[] to) {
        int one = state * FACTOR + STEP;
        int two = one * FACTOR + STEP;
        int three = two * FACTOR + STEP;
        int four = three * FACTOR + STEP;
        for (int i = 0; i < ControlStep.SAMPLES; i += 4) {
            state = four;
            to[i] = one * SCALE;
            to[i + 1] = two * SCALE;
            to[i + 2] = three * SCALE;
            to[i + 3] = four * SCALE;
            one = one * FACTOR_OF_FOUR + STEP_OF_FOUR;
            two = two * FACTOR_OF_FOUR + STEP_OF_FOUR;
            three = three * FACTOR_OF_FOUR + STEP_OF_FOUR;
            four = four * FACTOR_OF_FOUR + STEP_OF_FOUR;
        }
    }

    /** A well mixed integer for a seed and two coordinates, for example a note's number and a copy's. */
    public static int hash(int seed, int a, int b) {
        return mix(mix(mix(seed) ^ a * 0x9E3779B1) ^ b * 0x85EBCA6B);
    }

    /** {@link #hash} as a number from 0 (inclusive) to 1 (exclusive). */
    public static double fraction(int seed, int a, int b) {
        return (hash(seed, a, b) >>> 1) * (1.0 / 2147483648.0);
    }

    private static int mix(int value) {
        int h = value + 0x7F4A7C15;
        h = (h ^ (h >>> 16)) * 0x85EBCA6B;
        h = (h ^ (h >>> 13)) * 0xC2B2AE35;
        return h ^ (h >>> 16);
    }
}
