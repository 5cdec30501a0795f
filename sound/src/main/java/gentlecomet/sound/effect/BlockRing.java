package gentlecomet.sound.effect;

/**
 * A ring of samples of one channel, written and read in whole effect steps. What stands at its beginning is repeated behind its end,
 * so that a step that begins anywhere lies at a stretch: who reads it needs no look at the end for each sample.
 */
final class BlockRing {

    private static final int SAMPLES = EffectStep.SAMPLES;

    /** The samples; {@link #before} and {@link #at} say where a step begins in them. */
    final double[] samples;
    private final int length;
    /** Where the present step is written. The length is a multiple of a step, so no step is written across the end. */
    private int at;

    /** @param longest delay in samples that can be read */
    BlockRing(double longest) {
        int power = SAMPLES;
        while (power < longest + 2 * SAMPLES) {
            power *= 2;
        }
        length = power;
        samples = new double[length + SAMPLES];
    }

    void reset() {
        double[] s = samples;
        for (int i = 0; i < s.length; i++) {
            s[i] = 0;
        }
        at = 0;
    }

    /** Index of the first sample of the present step. Whoever writes there calls {@link #moveOn} afterwards. */
    int at() {
        return at;
    }

    /** Index of the first sample of the step that lies so many samples before the present one. */
    int before(int delay) {
        return at - delay & length - 1;
    }

    /** Index of a sample counted from the first one of the present step; negative ones lie before it. */
    int index(int sample) {
        return at + sample & length - 1;
    }

    /** Writes the present step; it can be read at once. */
    void write(double[] step) {
        double[] to = samples;
        int first = at;
        for (int i = 0; i < SAMPLES; i++) {
            to[first + i] = step[i];
        }
        repeatBeginning();
    }

    /** To be called when the present step has been written to {@link #samples} by others, before it is read. */
    void repeatBeginning() {
        if (at == 0) {
            double[] s = samples;
            for (int i = 0; i < SAMPLES; i++) {
                s[length + i] = s[i];
            }
        }
    }

    /** The present step is over. */
    void moveOn() {
        at = at + SAMPLES & length - 1;
    }
}
