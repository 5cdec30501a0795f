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

    /** The curve of third order through four points, between the second and the third. */
    private static double between(double a, double b, double c, double d, double t) {
        double rise = (c - a) * 0.5;
        double cube = (b - c) * 1.5 + (d - a) * 0.5;
        // The middle coefficient, a - b + rise - cube, stands within the sum: on its own the browser's compiler would put it there in another order.
        return ((cube * t + a - b + rise - cube) * t + rise) * t + b;
    }

    /** Longest delay that can be read. */
    double longest() {
        return mask - 70;
    }
}
