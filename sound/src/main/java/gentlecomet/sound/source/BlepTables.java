package gentlecomet.sound.source;

import gentlecomet.sound.maths.Kaiser;
import gentlecomet.sound.maths.Polynomials;

/**
 * Corrections that turn a sudden step, or a sudden change of slope, into its band-limited form. A source draws its wave
 * naively and adds one correction for every step at the exact moment between two samples at which it happens. Sources that sum up
 * changes from sample to sample add a step as the changes it makes.
 *
 * <p>The band limit is a Kaiser-windowed sinc of {@link #TAPS} samples (J. F. Kaiser, 1974), integrated once for steps and
 * twice for slopes. Immutable after construction and shared by all voices of an engine.
 */
final class BlepTables {

    /** Samples that a correction spans. */
    static final int TAPS = 24;
    /** Samples by which a corrected wave lags behind the naive one. */
    static final int LAG = TAPS / 2;

    /** Changes that a correction makes. */
    private static final int CHANGES = TAPS + 1;
    private static final int PHASES = 256;
    private static final int FINE = 512;
    /** Middle of the transition band in cycles per sample: flat to 15 kHz, closed above 29 kHz at 44.1 and 48 kHz. */
    static final double WIDE = 0.45;
    /** The same for rates of 88 kHz or more, which leave room for all of it: flat to 19 kHz or more, and closed at half of the rate. */
    static final double NARROW = 0.36;
    private static final double KAISER_BETA = 9.0;

    private final double[] step = new double[(PHASES + 1) * TAPS];
    /** The same for what changes by a slope, a curvature and the change of one. */
    private final double[] slope = new double[(PHASES + 1) * TAPS];
    private final double[] curve = new double[(PHASES + 1) * TAPS];
    private final double[] twist = new double[(PHASES + 1) * TAPS];
    /** Changes from sample to sample: of a whole step, and of the correction of a change of slope. */
    private final double[] stepChanges = new double[(PHASES + 1) * CHANGES];
    private final double[] slopeChanges = new double[(PHASES + 1) * CHANGES];

    private final double bandLimit;

    /** @param bandLimit middle of the transition band in cycles per sample */
    BlepTables(double bandLimit) {
        this.bandLimit = bandLimit;
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
        double[] second = integral(bend);
        double[] third = integral(second);
        int stride = FINE / PHASES;
        for (int phase = 0; phase <= PHASES; phase++) {
            for (int tap = 0; tap < TAPS; tap++) {
                int at = tap * FINE + phase * stride;
                // A correction that ends exactly on the middle belongs to the sample before the step.
                boolean beforeStep = phase == PHASES && tap == LAG - 1;
                step[phase * TAPS + tap] = residual[at] + (beforeStep ? 1 : 0);
                slope[phase * TAPS + tap] = bend[at];
                curve[phase * TAPS + tap] = second[at];
                twist[phase * TAPS + tap] = third[at];
                double whole = step[phase * TAPS + tap] + (tap >= LAG ? 1 : 0);
                int change = phase * CHANGES + tap;
                stepChanges[change] += whole;
                stepChanges[change + 1] -= whole;
                slopeChanges[change] += bend[at];
                slopeChanges[change + 1] -= bend[at];
            }
            stepChanges[phase * CHANGES + TAPS] += 1;
        }
    }

    /** What rises from nothing, and comes back to nothing at its end: the little that the window leaves is taken off in a straight line. */
    private static double[] integral(double[] of) {
        double[] sum = new double[of.length];
        for (int i = 1; i < of.length; i++) {
            sum[i] = sum[i - 1] + 0.5 * (of[i - 1] + of[i]) / FINE;
        }
        double left = sum[of.length - 1];
        for (int i = 0; i < of.length; i++) {
            sum[i] -= left * i / (of.length - 1);
        }
        return sum;
    }

    /**
     * Adds the corrections of a sine that goes on from another place of its cycle to the two channels of an outlet: of its value and its first three derivatives, of which
     * the later two follow from the first two. Arguments as in {@link #addStep}.
     *
     * @param height  the new value less the old one
     * @param rise    the same of the slopes, in level per sample
     * @param radians per sample
     */
    void addSineStep(SourceOutput to, int first, double distance, double height, double rise, double radians, double levelLeft, double levelRight) {
        double less = -radians * radians;
        addStep(to, first, distance, height * levelLeft, height * levelRight);
        add(slope, TAPS, to.left, to.right, to.at + first, distance, rise * levelLeft, rise * levelRight);
        add(curve, TAPS, to.left, to.right, to.at + first, distance, less * height * levelLeft, less * height * levelRight);
        add(twist, TAPS, to.left, to.right, to.at + first, distance, less * rise * levelLeft, less * rise * levelRight);
    }

    /** Adds the correction of a change of slope, in level per sample, to the two channels of an outlet. Arguments as in {@link #addStep}. */
    void addSlope(SourceOutput to, int first, double distance, double changeLeft, double changeRight) {
        add(slope, TAPS, to.left, to.right, to.at + first, distance, changeLeft, changeRight);
    }

    /**
     * Adds the correction of a step of the given height to the two channels of an outlet.
     *
     * @param first    first sample at or after the step, counted from the start of the control step
     * @param distance time from the step to that sample, 0 to 1 sample
     */
    void addStep(SourceOutput to, int first, double distance, double heightLeft, double heightRight) {
        add(step, TAPS, to.left, to.right, to.at + first, distance, heightLeft, heightRight);
    }

    /** Adds a whole step, band-limited, to the changes of an outlet. Arguments as in {@link #addStep}. */
    void addStepChanges(SourceOutput to, int first, double distance, double heightLeft, double heightRight) {
        add(stepChanges, CHANGES, to.changesLeft, to.changesRight, to.at + first, distance, heightLeft, heightRight);
    }

    /** Adds the correction of a change of slope, in level per sample, to the changes of an outlet. */
    void addSlopeChanges(SourceOutput to, int first, double distance, double changeLeft, double changeRight) {
        add(slopeChanges, CHANGES, to.changesLeft, to.changesRight, to.at + first, distance, changeLeft, changeRight);
    }

    private static void add(double[] table, int taps, double[] left, double[] right, int first, double distance, double l, double r) {
        double place = distance * PHASES;
        int row = (int) place;
        if (row >= PHASES) {
            row = PHASES - 1;
        }
        double part = place - row;
        int from = row * taps;
        int to = from + taps;
        for (int tap = 0; tap < taps; tap++) {
            double v = (table[to + tap] - table[from + tap]) * part + table[from + tap];
            left[first + tap] += l * v;
            right[first + tap] += r * v;
        }
    }

    private double impulse(double t) {
        double x = t / LAG;
        double window = Kaiser.besselI0(KAISER_BETA * Math.sqrt(Math.max(0, 1 - x * x))) / Kaiser.besselI0(KAISER_BETA);
        double sinc = t == 0 ? 2 * bandLimit : Polynomials.sinCycles(bandLimit * t) / (Math.PI * t);
        return window * sinc;
    }
}
