package gentlecomet.sound.picture;

/**
 * Fundamental of what sounds now, for a tuner that follows the hand: by the normalised difference of a sound and itself some time
 * later (A. de Cheveigné and H. Kawahara, 2002). It is taken at places spread over a third of a second, so that copies which beat
 * against each other are not taken for another octave, and the first valley counts that is nearly as deep as the deepest.
 */
public final class Tuner {

    /** Samples of a reading. */
    public static final int FRAMES = 16384;
    /** Lowest fundamental that is found, in Hz. */
    private static final double LOWEST_HZ = 28;
    /** Shortest period in samples. */
    private static final int SHORTEST = 12;
    /** A sound whose deepest valley is not below this has no clear pitch; valleys this close to the deepest are as good as it. */
    private static final double APERIODIC = 0.45;
    private static final double AS_GOOD = 0.1;
    /** Samples over which short periods are taken together. */
    private static final double SEVERAL = 250;
    private static final int PLACES = 1200;
    /** Multiples of it, without their whole part, lie evenly over any stretch. */
    private static final double GOLDEN = 0.6180339887498949;

    private Tuner() {
    }

    /**
     * @param left  the latest {@link #FRAMES} samples of a channel
     * @param right of the other
     * @return Hz, or 0 where there is no clear pitch
     */
    public static double hz(double[] left, double[] right, double sampleRate) {
        double[] both = new double[FRAMES];
        for (int i = 0; i < FRAMES; i++) {
            both[i] = left[i] + right[i];
        }
        int longest = (int) (sampleRate / LOWEST_HZ);
        double[] valleys = normalised(both, longest);
        double deepest = APERIODIC;
        for (int lag = SHORTEST; lag < longest - 1; lag++) {
            deepest = Math.min(deepest, valleys[lag]);
        }
        if (deepest >= APERIODIC) {
            return 0;
        }
        int lag = SHORTEST;
        while (valleys[lag] > deepest + AS_GOOD) {
            lag++;
        }
        int bottom = lag;
        while (lag < longest - 1 && valleys[lag] <= deepest + AS_GOOD) {
            bottom = valleys[lag] < valleys[bottom] ? lag : bottom;
            lag++;
        }
        // Of a short period several are taken at once, so that its part of a sample counts for more.
        double once = refined(both, bottom, FRAMES - longest);
        int periods = Math.max(1, (int) (SEVERAL / once));
        return periods * sampleRate / refined(both, (int) Math.round(periods * once), FRAMES - longest);
    }

    /** Difference at each lag against the mean of those before it. */
    private static double[] normalised(double[] x, int longest) {
        int[] places = new int[PLACES];
        double part = 0;
        for (int i = 0; i < PLACES; i++) {
            part += GOLDEN;
            part -= part >= 1 ? 1 : 0;
            places[i] = (int) (part * (FRAMES - longest));
        }
        double[] valleys = new double[longest];
        valleys[0] = 1;
        double total = 0;
        for (int lag = 1; lag < longest; lag++) {
            double sum = 0;
            for (int i = 0; i < PLACES; i++) {
                int at = places[i];
                double d = x[at] - x[at + lag];
                sum += d * d;
            }
            total += sum;
            valleys[lag] = total == 0 ? 1 : sum * lag / total;
        }
        return valleys;
    }

    /** The lag at the bottom of a valley, between samples: by the parabola through its neighbours, over all of the sound. */
    private static double refined(double[] x, int near, int window) {
        int lag = near;
        double a = difference(x, lag - 1, window);
        double b = difference(x, lag, window);
        double c = difference(x, lag + 1, window);
        while (a < b && lag > SHORTEST) {
            lag--;
            c = b;
            b = a;
            a = difference(x, lag - 1, window);
        }
        while (c < b && lag < FRAMES - window - 1) {
            lag++;
            a = b;
            b = c;
            c = difference(x, lag + 1, window);
        }
        double bend = a - 2 * b + c;
        return lag + (bend > 0 ? 0.5 * (a - c) / bend : 0);
    }

    private static double difference(double[] x, int lag, int window) {
        double sum = 0;
        for (int i = 0; i < window; i++) {
            double d = x[i] - x[i + lag];
            sum += d * d;
        }
        return sum;
    }
}
