package gentlecomet.sound.source;

import gentlecomet.sound.maths.Polynomials;

/**
 * Corrections that turn a sudden step, or a sudden change of slope, into its band-limited form. A source draws its wave
 * naively and adds one correction for every step at the exact moment between two samples at which it happens.
 *
 * <p>The band limit is a Kaiser-windowed sinc of {@link #TAPS} samples (J. F. Kaiser, 1974), integrated once for steps and
 * twice for slopes. Immutable after construction and shared by all voices of an engine.
 */
final class StepTables {

    /** Samples that a correction spans. */
    static final int TAPS = 24;
    /** Samples by which a corrected wave lags behind the naive one. */
    static final int LAG = TAPS / 2;

    private static final int PHASES = 256;
    private static final int FINE = 512;
    /** Middle of the transition band in cycles per sample: flat to 15 kHz, closed above 29 kHz at 44.1 and 48 kHz. */
    private static final double BAND_LIMIT = 0.45;
    private static final double KAISER_BETA = 9.0;

    private final double[] step = new double[(PHASES + 1) * TAPS];
    private final double[] slope = new double[(PHASES + 1) * TAPS];

    StepTables() {
        int cells = TAPS * FINE;
        double[] rise = new double[cells + 1];
        double previous = impulse(-LAG);
        for (int i = 1; i <= cells; i++) {
            double next = impulse(-LAG + (double) i / FINE);
            rise[i] = rise[i - 1] + 0.5 * (previous + next) / FINE;
            previous = next;
        }
        double[] residual = new double[cells + 1];
        double[] bend = new double[cells + 1];
        for (int i = 0; i <= cells; i++) {
            residual[i] = rise[i] / rise[cells] - (i >= cells / 2 ? 1 : 0);
        }
        for (int i = 1; i <= cells; i++) {
            // The residual jumps by -1 in the middle; the side before it ends one higher.
            double end = i == cells / 2 ? residual[i] + 1 : residual[i];
            bend[i] = bend[i - 1] + 0.5 * (residual[i - 1] + end) / FINE;
        }
        int stride = FINE / PHASES;
        for (int phase = 0; phase <= PHASES; phase++) {
            for (int tap = 0; tap < TAPS; tap++) {
                int at = tap * FINE + phase * stride;
                // A correction that ends exactly on the middle belongs to the sample before the step.
                boolean beforeStep = phase == PHASES && tap == LAG - 1;
                step[phase * TAPS + tap] = residual[at] + (beforeStep ? 1 : 0);
                slope[phase * TAPS + tap] = bend[at];
            }
        }
    }

    /**
     * Adds the correction of a step of the given height to a pair of channels.
     *
     * @param first    first sample at or after the step, as an index into the naive wave
     * @param distance time from the step to that sample, 0 to 1 sample
     */
    void addStep(double[] left, double[] right, int first, double distance, double heightLeft, double heightRight) {
        add(step, left, right, first, distance, heightLeft, heightRight);
    }

    /** Adds the correction of a change of slope, in level per sample. */
    void addSlope(double[] left, double[] right, int first, double distance, double changeLeft, double changeRight) {
        add(slope, left, right, first, distance, changeLeft, changeRight);
    }

    private static void add(double[] table, double[] left, double[] right, int first, double distance, double l, double r) {
        double place = distance * PHASES;
        int row = (int) place;
        if (row >= PHASES) {
            row = PHASES - 1;
        }
        double part = place - row;
        int from = row * TAPS;
        int to = from + TAPS;
        for (int tap = 0; tap < TAPS; tap++) {
            double v = table[from + tap] * (1 - part) + table[to + tap] * part;
            left[first + tap] += l * v;
            right[first + tap] += r * v;
        }
    }

    private static double impulse(double t) {
        double x = t / LAG;
        double window = besselI0(KAISER_BETA * Math.sqrt(Math.max(0, 1 - x * x))) / besselI0(KAISER_BETA);
        double sinc = t == 0 ? 2 * BAND_LIMIT : Polynomials.sinCycles(BAND_LIMIT * t) / (Math.PI * t);
        return window * sinc;
    }

    private static double besselI0(double x) {
        double sum = 1;
        double term = 1;
        for (int k = 1; k < 60; k++) {
            term = term * x / (2 * k) * x / (2 * k);
            sum += term;
        }
        return sum;
    }
}
