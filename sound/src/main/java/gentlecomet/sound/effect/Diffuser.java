package gentlecomet.sound.effect;

/**
 * Makes a dense burst of what comes in on two channels: all-passes in series (M. R. Schroeder, "Natural Sounding Artificial Reverberation", JAES 10, 1962), and after each
 * of them the sum and the difference of the channels. Each all-pass lets all frequencies through alike and multiplies the echoes of the ones before, and so does the exchange.
 */
final class Diffuser {

    private static final int SAMPLES = EffectStep.SAMPLES;
    /** All-passes in seconds at a scale of 1: drawn, and kept when the burst grew dense soonest. */
    private static final double[] LEFT_SECONDS = {0.00179, 0.00263, 0.00448, 0.00648, 0.00972, 0.01469};
    private static final double[] RIGHT_SECONDS = {0.00178, 0.00289, 0.00415, 0.00665, 0.00896, 0.01515};
    /** Of what comes into an all-pass and goes straight on, with the other sign, and of an echo that comes back. */
    private static final double PART = 0.7;
    /** By how much the sums and differences lift the level. */
    static final double GAIN = Math.pow(2, LEFT_SECONDS.length / 2.0);

    private final double sampleRate;
    private final double longest;
    private final ReverbDelayLine[] left = new ReverbDelayLine[LEFT_SECONDS.length];
    private final ReverbDelayLine[] right = new ReverbDelayLine[LEFT_SECONDS.length];
    private double scale = -1;

    /** @param longest scale */
    Diffuser(double longest, double sampleRate) {
        this.sampleRate = sampleRate;
        this.longest = longest;
        for (int k = 0; k < left.length; k++) {
            left[k] = new ReverbDelayLine(length(LEFT_SECONDS, k, longest));
            right[k] = new ReverbDelayLine(length(RIGHT_SECONDS, k, longest));
        }
    }

    /** An odd number of samples, longer than an effect step. */
    private int length(double[] seconds, int k, double newScale) {
        return Math.max(SAMPLES + 1 + 6 * k, (int) (seconds[k] * newScale * sampleRate) | 1);
    }

    void reset() {
        for (int k = 0; k < left.length; k++) {
            left[k].reset();
            right[k].reset();
        }
    }

    /** Stretches or squeezes all of them, at most to the longest scale. */
    void resize(double newScale) {
        if (newScale == scale) {
            return;
        }
        scale = newScale;
        double allowed = Math.min(longest, newScale);
        for (int k = 0; k < left.length; k++) {
            left[k].resize(length(LEFT_SECONDS, k, allowed));
            right[k].resize(length(RIGHT_SECONDS, k, allowed));
        }
    }

    /** Works on one effect step in place; louder by {@link #GAIN}. */
    void process(double[] samplesLeft, double[] samplesRight) {
        for (int k = 0; k < left.length; k++) {
            ReverbDelayLine one = left[k];
            ReverbDelayLine two = right[k];
            pass(samplesLeft, samplesRight, one.samples, one.at(), two.samples, two.at());
            one.moveOn();
            two.moveOn();
        }
    }

    private static void pass(double[] l, double[] r, double[] one, int atOne, double[] two, int atTwo) {
        for (int i = 0; i < SAMPLES; i++) {
            double a = one[atOne + i];
            double b = two[atTwo + i];
            double c = l[i] + PART * a;
            double d = r[i] + PART * b;
            one[atOne + i] = c;
            two[atTwo + i] = d;
            double out = a - PART * c;
            double outToo = b - PART * d;
            l[i] = out + outToo;
            r[i] = out - outToo;
        }
    }
}
