package gentlecomet.sound.effect;

/** A ring of samples of one channel, read between samples with four points of third order (Catmull and Rom, 1974). */
final class DelayLine {

    private final float[] line;
    private final int mask;
    private int write;

    /** @param samples longest delay */
    DelayLine(double samples) {
        int size = 128;
        while (size < samples + 72) {
            size *= 2;
        }
        line = new float[size];
        mask = size - 1;
    }

    void reset() {
        float[] l = line;
        for (int i = 0; i < l.length; i++) {
            l[i] = 0;
        }
        // Places are worked out from here; the same start gives the same rounding.
        write = 0;
    }

    /** Adds the next sample. */
    void put(double sample) {
        line[write & mask] = (float) sample;
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
        return b + 0.5 * t * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a)));
    }

    /**
     * Reads beside each of the samples put last the sample of a moving delay.
     *
     * @param delay of the first sample
     * @param slope change of the delay from sample to sample
     * @param gain  of what is added to {@code out}
     */
    void tap(int samples, double delay, double slope, double gain, double[] out) {
        float[] l = line;
        int m = mask;
        // One length of the ring is added, so that places are never negative and cutting off decimals rounds down.
        double place = write + m + 1 - samples - delay + 1;
        double most = longest();
        double step = 1 - slope;
        if (delay > most || delay + slope * samples > most) {
            place = write + m + 1 - samples - most + 1;
            step = 1;
        }
        for (int i = 0; i < samples; i++) {
            int k = (int) place;
            double t = place - k;
            double a = l[k - 1 & m];
            double b = l[k & m];
            double c = l[k + 1 & m];
            double d = l[k + 2 & m];
            out[i] += gain * (b + 0.5 * t * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a))));
            place += step;
        }
    }

    /** Adds a control step of samples. */
    void put(double[] samples, int count) {
        for (int i = 0; i < count; i++) {
            line[write + i & mask] = (float) samples[i];
        }
        write = write + count & mask;
    }

    /** Longest delay that can be read. */
    double longest() {
        return mask - 70;
    }
}
