package gentlecomet.sound.performance;

/**
 * Stereo sound as single-precision samples, full scale at 1. The arrays belong to the record and are not copied.
 *
 * @param left       channel of {@code frames()} samples
 * @param right      channel of the same length
 * @param sampleRate in Hz
 */
public record Audio(float[] left, float[] right, int sampleRate) {

    public int frames() {
        return left.length;
    }

    public double seconds() {
        return (double) frames() / sampleRate;
    }

    /** The first frames of two double-precision channels, cast once. */
    static Audio of(double[] left, double[] right, int frames, int sampleRate) {
        float[] l = new float[frames];
        float[] r = new float[frames];
        for (int i = 0; i < frames; i++) {
            l[i] = (float) left[i];
            r[i] = (float) right[i];
        }
        return new Audio(l, r, sampleRate);
    }
}
