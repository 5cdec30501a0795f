package gentlecomet.sound.effect;

/**
 * A delay line exactly as long as its delay: the step that goes in takes the place of the one that comes out, which is still at hand in
 * the processor's nearest memory. What stands at its beginning is repeated behind its end, so that a step lies at a stretch wherever it
 * begins. When the length changes, what is in the line is stretched or squeezed along with it, so nothing jumps.
 */
final class ReverbDelayLine {

    private static final int SAMPLES = EffectStep.SAMPLES;

    /** The samples; the present step is read, and then written, from {@link #at} on. */
    final double[] samples;
    private final double[] aside;
    private int length;
    private int at;

    /** @param longest delay in samples */
    ReverbDelayLine(int longest) {
        samples = new double[longest + SAMPLES];
        aside = new double[longest];
        length = longest;
    }

    void reset() {
        double[] s = samples;
        for (int i = 0; i < s.length; i++) {
            s[i] = 0;
        }
        at = 0;
    }

    int length() {
        return length;
    }

    /** Index of the first sample of the present step. */
    int at() {
        return at;
    }

    /** The present step has been written: the next one begins. */
    void moveOn() {
        double[] s = samples;
        int end = at + SAMPLES;
        // What was written beyond the end belongs to the beginning.
        for (int i = length; i < end; i++) {
            s[i - length] = s[i];
        }
        if (at < SAMPLES || end > length) {
            repeatBeginning();
        }
        at = end < length ? end : end - length;
    }

    private void repeatBeginning() {
        double[] s = samples;
        for (int i = 0; i < SAMPLES; i++) {
            s[length + i] = s[i];
        }
    }

    /** Changes the length, more than an effect step and at most the longest. */
    void resize(int newLength) {
        if (newLength == length) {
            return;
        }
        double[] s = samples;
        double[] old = aside;
        for (int i = 0; i < length; i++) {
            int from = at + i;
            old[i] = s[from < length ? from : from - length];
        }
        double pace = (length - 1.0) / (newLength - 1.0);
        for (int i = 0; i < newLength; i++) {
            double place = i * pace;
            int k = (int) place;
            double part = place - k;
            double next = k + 1 < length ? old[k + 1] : old[k];
            s[i] = old[k] + (next - old[k]) * part;
        }
        length = newLength;
        at = 0;
        repeatBeginning();
    }
}
