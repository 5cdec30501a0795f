package gentlecomet.sound.effect;

/**
 * Splits a pair of channels into up to sixteen bands whose sum is flat: Linkwitz-Riley filters of fourth order (S. H. Linkwitz, JAES 24, 1976), first in the middle, then in the
 * middle of each half and so on. The low and the high half of such a split add up to an all-pass of second order at the split, so each half is sent through those of the splits
 * inside the other, and every band has passed every split once. It costs a third of splits one after the other.
 */
final class BandTree {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final double BUTTERWORTH_Q = 0.7071067811865476;

    private final double sampleRate;
    private final double[][] left;
    private final double[][] right;
    private final Biquad[] sections;
    private double[] splits;
    private int next;

    /** @param most bands */
    BandTree(int most, double sampleRate) {
        this.sampleRate = sampleRate;
        left = new double[most][SAMPLES];
        right = new double[most][SAMPLES];
        int count = 0;
        for (int bands = 2; bands <= most; bands++) {
            count = Math.max(count, sections(bands));
        }
        sections = new Biquad[count];
        for (int i = 0; i < count; i++) {
            sections[i] = new Biquad();
        }
    }

    private static int sections(int bands) {
        if (bands < 2) {
            return 0;
        }
        int low = (bands + 1) / 2;
        return 3 + bands - 2 + sections(low) + sections(bands - low);
    }

    /** Forgets everything; also to be called before another number of bands. */
    void reset() {
        for (Biquad section : sections) {
            section.reset();
        }
    }

    double[] left(int band) {
        return left[band];
    }

    double[] right(int band) {
        return right[band];
    }

    /** Splits one effect step. @param hz of the splits, rising, one less than bands */
    void process(double[] fromLeft, double[] fromRight, int bands, double[] hz) {
        copy(fromLeft, left[0]);
        copy(fromRight, right[0]);
        splits = hz;
        next = 0;
        split(0, bands);
    }

    /** Splits what stands in the first of some bands. */
    private void split(int first, int end) {
        if (end - first < 2) {
            return;
        }
        int middle = (first + end + 1) / 2;
        double hz = splits[middle - 1];
        copy(left[first], left[middle]);
        copy(right[first], right[middle]);
        pass(Biquad.LOW_PASS, hz, first);
        pass(Biquad.LOW_PASS, hz, first);
        pass(Biquad.ALL_PASS, hz, middle);
        // What is left of the all-pass without the low half is the high half.
        for (int i = 0; i < SAMPLES; i++) {
            left[middle][i] -= left[first][i];
            right[middle][i] -= right[first][i];
        }
        for (int s = middle; s < end - 1; s++) {
            pass(Biquad.ALL_PASS, splits[s], first);
        }
        for (int s = first; s < middle - 1; s++) {
            pass(Biquad.ALL_PASS, splits[s], middle);
        }
        split(first, middle);
        split(middle, end);
    }

    private void pass(int kind, double hz, int band) {
        Biquad section = sections[next++];
        section.aim(kind, hz, 0, BUTTERWORTH_Q, sampleRate);
        section.process(left[band], right[band]);
    }

    private static void copy(double[] from, double[] to) {
        System.arraycopy(from, 0, to, 0, SAMPLES);
    }
}
