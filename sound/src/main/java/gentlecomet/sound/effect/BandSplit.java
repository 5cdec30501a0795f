package gentlecomet.sound.effect;

/**
 * Splits a pair of channels into bands by Linkwitz-Riley filters of fourth order (S. H. Linkwitz, JAES 24, 1976: two Butterworth sections each, -6 dB at the split). The lower
 * bands pass both halves of every split above them, so that their phase stays with the others and the sum of all is flat.
 */
final class BandSplit {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final double BUTTERWORTH_Q = 0.7071067811865476;

    private final double sampleRate;
    private final double[][] left;
    private final double[][] right;
    private final double[] bothLeft = new double[SAMPLES];
    private final double[] bothRight = new double[SAMPLES];
    /** For each split and each band up to it, two sections each way. */
    private final Biquad[][][] sections;

    /** @param most bands */
    BandSplit(int most, double sampleRate) {
        this.sampleRate = sampleRate;
        left = new double[most][SAMPLES];
        right = new double[most][SAMPLES];
        sections = new Biquad[most - 1][most][4];
        for (Biquad[][] ofSplit : sections) {
            for (Biquad[] ofBand : ofSplit) {
                for (int k = 0; k < ofBand.length; k++) {
                    ofBand[k] = new Biquad();
                }
            }
        }
    }

    void reset() {
        for (Biquad[][] ofSplit : sections) {
            for (Biquad[] ofBand : ofSplit) {
                for (Biquad section : ofBand) {
                    section.reset();
                }
            }
        }
    }

    double[] left(int band) {
        return left[band];
    }

    double[] right(int band) {
        return right[band];
    }

    /** Splits one effect step. @param hz of the splits, rising */
    void process(double[] fromLeft, double[] fromRight, int count, double[] hz) {
        System.arraycopy(fromLeft, 0, left[0], 0, SAMPLES);
        System.arraycopy(fromRight, 0, right[0], 0, SAMPLES);
        for (int s = 0; s < count - 1; s++) {
            // What is above the splits before goes apart; the bands below it pass both halves.
            copy(s, s + 1);
            twice(sections[s][s], 0, Biquad.LOW_PASS, hz[s], left[s], right[s]);
            twice(sections[s][s], 2, Biquad.HIGH_PASS, hz[s], left[s + 1], right[s + 1]);
            for (int b = 0; b < s; b++) {
                System.arraycopy(left[b], 0, bothLeft, 0, SAMPLES);
                System.arraycopy(right[b], 0, bothRight, 0, SAMPLES);
                twice(sections[s][b], 0, Biquad.LOW_PASS, hz[s], left[b], right[b]);
                twice(sections[s][b], 2, Biquad.HIGH_PASS, hz[s], bothLeft, bothRight);
                for (int i = 0; i < SAMPLES; i++) {
                    left[b][i] += bothLeft[i];
                    right[b][i] += bothRight[i];
                }
            }
        }
    }

    private void copy(int from, int to) {
        System.arraycopy(left[from], 0, left[to], 0, SAMPLES);
        System.arraycopy(right[from], 0, right[to], 0, SAMPLES);
    }

    private void twice(Biquad[] of, int first, int kind, double hz, double[] l, double[] r) {
        for (int k = first; k < first + 2; k++) {
            of[k].aim(kind, hz, 0, BUTTERWORTH_Q, sampleRate);
            of[k].process(l, r);
        }
    }
}
