package gentlecomet.sound.effect;

/**
 * A ring of samples of one channel that is written in effect steps and read at delays that move. It keeps the curve of third order from
 * each sample to the next one through the four around them (Catmull and Rom, 1974), so that a reading, of which there may be several for
 * every sample, is left with three multiplications. What stands at its beginning is repeated behind its end, so that a reading that
 * keeps pace with time finds its curves at a stretch.
 */
final class InterpolatedDelayLine {

    private static final int SAMPLES = EffectStep.SAMPLES;
    /** Coefficients of a curve, from the constant one up. */
    private static final int ORDER = 4;
    /** Curves that are repeated behind the end. */
    private static final int REPEATED = 2 * SAMPLES;
    /** Curves kept beyond the longest delay: those that are being written, and two samples for a curve to be complete. */
    private static final int AROUND = 2 * SAMPLES + 8;
    /** Samples from the one that completes a curve back to the one at which it begins. */
    private static final int BEHIND = 2;

    private final double[] curves;
    private final int size;
    private int write;
    private double second;
    private double last;
    private double rise;

    /** @param samples longest delay */
    InterpolatedDelayLine(double samples) {
        int power = 128;
        while (power < samples + AROUND) {
            power *= 2;
        }
        size = power;
        curves = new double[ORDER * (size + REPEATED)];
    }

    void reset() {
        double[] c = curves;
        for (int i = 0; i < c.length; i++) {
            c[i] = 0;
        }
        second = 0;
        last = 0;
        rise = 0;
        // Places are worked out from here; the same start gives the same rounding.
        write = 0;
    }

    /** Longest delay that can be read. */
    double longest() {
        return size - AROUND;
    }

    /** Adds an effect step of samples, times a gain. */
    void put(double[] samples, double gain) {
        int first = ORDER * write;
        lay(samples, gain, curves, first);
        if (write < REPEATED) {
            repeat(curves, first, first + ORDER * size);
        }
        write = write + SAMPLES & size - 1;
    }

    private void lay(double[] samples, double gain, double[] to, int first) {
        double b = second;
        double c = last;
        double now = rise;
        for (int i = 0; i < SAMPLES; i++) {
            double d = samples[i] * gain;
            double next = (d - b) * 0.5;
            double way = c - b;
            double cube = now + next - way - way;
            int k = first + ORDER * i;
            to[k] = b;
            to[k + 1] = now;
            to[k + 2] = way - now - cube;
            to[k + 3] = cube;
            b = c;
            c = d;
            now = next;
        }
        second = b;
        last = c;
        rise = now;
    }

    private static void repeat(double[] c, int from, int to) {
        for (int i = 0; i < ORDER * SAMPLES; i++) {
            c[to + i] = c[from + i];
        }
    }

    /**
     * Writes beside each of the samples put last the sample of a moving delay.
     *
     * @param delay of the first sample, at least 3; 1 would be that sample itself
     * @param slope change of the delay from sample to sample
     */
    void tap(double delay, double slope, double[] out) {
        read(delay, slope, out, false);
    }

    /** Adds instead of writing; otherwise as {@link #tap}. */
    void addTap(double delay, double slope, double[] out) {
        read(delay, slope, out, true);
    }

    private void read(double delay, double slope, double[] out, boolean add) {
        boolean beyond = delay > longest() || delay + slope * SAMPLES > longest();
        // A delay that would reach beyond the longest one stands still there. One length of the ring keeps places positive.
        double place = write + size - SAMPLES + 1 + BEHIND - (beyond ? longest() : delay);
        double pace = beyond ? 1 : 1 - slope;
        int k = (int) place;
        double t = place - k;
        int whole = pace > 0.5 && pace < 1.5 ? 1 : (int) Math.floor(pace + 0.5);
        double part = pace - whole;
        double end = t + part * SAMPLES;
        if (whole == 1 && end >= 0 && end <= 1) {
            run(k, t, part, out, 0, SAMPLES, add);
        } else {
            readInRuns(k, whole, t, part, out, add);
        }
    }

    /** In runs for as long as the reading stays between its two samples, or keeps to the same distance from them. */
    private void readInRuns(int first, int whole, double start, double part, double[] out, boolean add) {
        int k = first;
        double t = start;
        int done = 0;
        while (done < SAMPLES) {
            int count = SAMPLES - done;
            double end = t + part * count;
            if (end > 1 || end < 0) {
                int between = (int) ((part > 0 ? 1 - t : -t) / part) + 1;
                count = between < count ? between : count;
            }
            if (whole == 1) {
                run(k, t, part, out, done, count, add);
            } else {
                leap(k, whole, t, part, out, done, count, add);
            }
            done += count;
            k += whole * count;
            t += part * count;
            if (t >= 1) {
                t -= 1;
                k++;
            } else if (t < 0) {
                t += 1;
                k--;
            }
        }
    }

    private void run(int k, double t, double part, double[] out, int at, int count, boolean add) {
        int first = ORDER * (k & size - 1);
        if (add) {
            addRun(curves, first, t, part, out, at, count);
        } else {
            run(curves, first, t, part, out, at, count);
        }
    }

    private static void run(double[] from, int first, double start, double part, double[] out, int at, int count) {
        double t = start;
        for (int i = 0; i < count; i++) {
            int k = first + ORDER * i;
            out[at + i] = ((from[k + 3] * t + from[k + 2]) * t + from[k + 1]) * t + from[k];
            t += part;
        }
    }

    private static void addRun(double[] from, int first, double start, double part, double[] out, int at, int count) {
        double t = start;
        for (int i = 0; i < count; i++) {
            int k = first + ORDER * i;
            out[at + i] = out[at + i] + ((from[k + 3] * t + from[k + 2]) * t + from[k + 1]) * t + from[k];
            t += part;
        }
    }

    /** Either of them at another pace than that of time. */
    private void leap(int first, int whole, double start, double part, double[] out, int at, int count, boolean add) {
        double[] from = curves;
        double t = start;
        int place = first;
        for (int i = 0; i < count; i++) {
            int k = ORDER * (place & size - 1);
            double under = add ? out[at + i] : 0;
            out[at + i] = under + ((from[k + 3] * t + from[k + 2]) * t + from[k + 1]) * t + from[k];
            t += part;
            place += whole;
        }
    }
}
