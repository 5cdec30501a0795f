package gentlecomet.sound.maths;

/**
 * Repeatable randomness from integer arithmetic: the same seed gives the same numbers on every machine. One generator per
 * voice; not for sharing between threads.
 */
public final class Grain {

    private static final int HALF = ControlStep.SAMPLES / 2;
    private static final int[] AHEAD = ahead();

    private int state;

    /** Restarts the sequence from any seed. */
    public void seed(int seed) {
        int mixed = mix(seed);
        state = mixed == 0 ? 0x6D2B79F5 : mixed;
    }

    /** The next number, evenly spread over -1 (inclusive) to 1 (exclusive). Marsaglia's xorshift (2003). */
    public double next() {
        int s = state;
        s ^= s << 13;
        s ^= s >>> 17;
        s ^= s << 5;
        state = s;
        return s * (1.0 / 2147483648.0);
    }

    /**
     * Writes a control step of the next numbers, as {@link #next} gives them. Both halves are made side by side, because each number waits
     * for the one before: a later state is the sum, without carry, of what each bit of the state comes to by then.
     */
    public void fill(double[] to) {
        int s = state;
        int t = AHEAD[s & 255] ^ AHEAD[256 + (s >>> 8 & 255)] ^ AHEAD[512 + (s >>> 16 & 255)] ^ AHEAD[768 + (s >>> 24)];
        for (int i = 0; i < HALF; i++) {
            s ^= s << 13;
            t ^= t << 13;
            s ^= s >>> 17;
            t ^= t >>> 17;
            s ^= s << 5;
            t ^= t << 5;
            to[i] = s * (1.0 / 2147483648.0);
            to[HALF + i] = t * (1.0 / 2147483648.0);
        }
        state = t;
    }

    /** For each byte of a state and each of its values: the state half a control step later. */
    private static int[] ahead() {
        int[] table = new int[4 * 256];
        for (int place = 0; place < 4; place++) {
            for (int value = 0; value < 256; value++) {
                int s = value << 8 * place;
                for (int i = 0; i < HALF; i++) {
                    s ^= s << 13;
                    s ^= s >>> 17;
                    s ^= s << 5;
                }
                table[256 * place + value] = s;
            }
        }
        return table;
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
