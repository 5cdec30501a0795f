package gentlecomet.sound.performance;

import java.util.Arrays;

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

    /** Whether it came as one channel, which stands on both sides then. */
    public boolean oneChannel() {
        return left == right;
    }

    public double seconds() {
        return (double) frames() / sampleRate;
    }

    /** A stretch of it, copied. @param from first frame @param to frame after the last; both are brought into the sound */
    public Audio part(int from, int to) {
        int end = Math.min(to, frames());
        int start = Math.min(from, end);
        return new Audio(Arrays.copyOfRange(left, start, end), Arrays.copyOfRange(right, start, end), sampleRate);
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
