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

    /** The sample put a whole number of calls ago. */
    double whole(int delay) {
        return line[write - delay & mask];
    }

    /** Longest delay that can be read. */
    double longest() {
        return mask - 70;
    }
}
