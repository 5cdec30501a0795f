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
        double[] l = line;
        // The length itself says the mask, so that no read needs a check of its bounds.
        int m = l.length - 1;
        // One length of the ring is added, so that places are never negative.
        double place = write + m + 1 - samples - delay + 1;
        double most = longest();
        double step = 1 - slope;
        if (delay > most || delay + slope * samples > most) {
            place = write + m + 1 - samples - most + 1;
            step = 1;
        }
        // Whole samples and the part between two are counted apart: turning one into the other in the loop would be dear.
        int k = (int) place;
        double t = place - k;
        double wholeStep = Math.floor(step);
        int stepWhole = (int) wholeStep;
        double stepPart = step - wholeStep;
        for (int i = 0; i < samples; i++) {
            double a = l[k - 1 & m];
            double b = l[k & m];
            double c = l[k + 1 & m];
            double d = l[k + 2 & m];
            double rise = (c - a) * 0.5;
            double cube = (b - c) * 1.5 + (d - a) * 0.5;
            double square = a - b + rise - cube;
            out[i] += (((cube * t + square) * t + rise) * t + b) * gain;
            k += stepWhole;
            t += stepPart;
            if (t >= 1) {
                t -= 1;
                k++;
            }
        }
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
