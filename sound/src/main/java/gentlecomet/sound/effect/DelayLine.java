package gentlecomet.sound.effect;

/** A ring of samples of one channel, read between samples with four points of third order (Catmull and Rom, 1974). */
final class DelayLine {

    private final double[] line;
    private final int mask;
    private int write;

    /** @param samples longest delay */
    DelayLine(double samples) {
        int size = 128;
        while (size < samples + 72) {
            size *= 2;
        }
        line = new double[size];
        mask = size - 1;
    }

    void reset() {
        double[] l = line;
        for (int i = 0; i < l.length; i++) {
            l[i] = 0;
        }
        // Places are worked out from here; the same start gives the same rounding.
        write = 0;
    }

    /** Adds the next sample. */
    void put(double sample) {
        line[write & mask] = sample;
        write = write + 1 & mask;
    }

    /** The sample put so many calls ago: 1 is the last one. At least 2 with a fraction. */
    double at(double delay) {
        double place = write - delay;
        double floor = Math.floor(place);
        int k = (int) floor;
        double t = place - floor;
        double a = line[k - 1 & mask];
        double b = line[k & mask];
        double c = line[k + 1 & mask];
        double d = line[k + 2 & mask];
        return between(a, b, c, d, t);
    }

    /**
     * Reads beside each of the samples put last the sample of a moving delay.
     *
     * @param delay of the first sample
     * @param slope change of the delay from sample to sample
     * @param gain  of what is added to {@code out}
     */
    void tap(int samples, double delay, double slope, double gain, double[] out) {
        double[] l = line;
        // The length itself says the mask, so that no read needs a check of its bounds.
        int m = l.length - 1;
        double step = pace(samples, delay, slope);
        double place = place(samples, delay, slope);
        // Whole samples and the part between two are counted apart: turning one into the other in the loop would be dear.
        int k = (int) place;
        double t = place - k;
        int whole = (int) Math.floor(step);
        double part = step - whole;
        for (int i = 0; i < samples; i++) {
            out[i] += between(l[k - 1 & m], l[k & m], l[k + 1 & m], l[k + 2 & m], t) * gain;
            k += whole;
            t += part;
            if (t >= 1) {
                t -= 1;
                k++;
            }
        }
    }

    /** Writes to {@code out} the sum of two moving delays; the second moves against the first. Arguments as in {@link #tap}. */
    void twoTaps(int samples, double one, double two, double slope, double gain, double[] out) {
        double[] l = line;
        int m = l.length - 1;
        double stepOne = pace(samples, one, slope);
        double stepTwo = pace(samples, two, -slope);
        double placeOne = place(samples, one, slope);
        double placeTwo = place(samples, two, -slope);
        int j = (int) placeOne;
        double s = placeOne - j;
        int wholeOne = (int) Math.floor(stepOne);
        double partOne = stepOne - wholeOne;
        int k = (int) placeTwo;
        double t = placeTwo - k;
        int wholeTwo = (int) Math.floor(stepTwo);
        double partTwo = stepTwo - wholeTwo;
        for (int i = 0; i < samples; i++) {
            double first = between(l[j - 1 & m], l[j & m], l[j + 1 & m], l[j + 2 & m], s);
            double second = between(l[k - 1 & m], l[k & m], l[k + 1 & m], l[k + 2 & m], t);
            // Each with its gain: a sum of two sums would be put together in another order in the browser.
            out[i] = first * gain + second * gain;
            j += wholeOne;
            s += partOne;
            if (s >= 1) {
                s -= 1;
                j++;
            }
            k += wholeTwo;
            t += partTwo;
            if (t >= 1) {
                t -= 1;
                k++;
            }
        }
    }

    /** How far to read on for each sample; a delay that would reach beyond the longest one stands still there. */
    private double pace(int samples, double delay, double slope) {
        return beyond(samples, delay, slope) ? 1 : 1 - slope;
    }

    /** Where to begin to read. One length of the ring is added, so that places are never negative. */
    private double place(int samples, double delay, double slope) {
        return write + line.length - samples + 1 - (beyond(samples, delay, slope) ? longest() : delay);
    }

    private boolean beyond(int samples, double delay, double slope) {
        return delay > longest() || delay + slope * samples > longest();
    }

    /** The curve of third order through four points, between the second and the third. */
    private static double between(double a, double b, double c, double d, double t) {
        double rise = (c - a) * 0.5;
        double cube = (b - c) * 1.5 + (d - a) * 0.5;
        // The middle coefficient, a - b + rise - cube, stands within the sum: on its own the browser's compiler would put it there in another order.
        return ((cube * t + a - b + rise - cube) * t + rise) * t + b;
    }

    /** Adds a control step of samples. */
    void put(double[] samples, int count) {
        double[] l = line;
        int m = l.length - 1;
        int first = write;
        for (int i = 0; i < count; i++) {
            l[first + i & m] = samples[i];
        }
        write = write + count & mask;
    }

    /** Longest delay that can be read. */
    double longest() {
        return mask - 70;
    }
}
