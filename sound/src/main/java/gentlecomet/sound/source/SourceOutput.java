package gentlecomet.sound.source;

import gentlecomet.sound.maths.ControlStep;

/**
 * Where a source draws its two channels: a stretch of samples along which it moves on by a control step at a time, so that corrections
 * can reach beyond the step, and what lies ahead has to be carried back but once in several steps. Beside the samples lie the
 * changes from sample to sample of what straight lines draw. Whoever takes a step's samples or changes leaves zeros in their place.
 */
final class SourceOutput {

    private static final int SAMPLES = ControlStep.SAMPLES;
    private static final int STEPS = 8;
    /** How far beyond the step something may be drawn. */
    static final int AHEAD = BlepTables.TAPS + 1;

    final double[] left = new double[STEPS * SAMPLES + AHEAD];
    final double[] right = new double[STEPS * SAMPLES + AHEAD];
    final double[] changesLeft = new double[STEPS * SAMPLES + AHEAD];
    final double[] changesRight = new double[STEPS * SAMPLES + AHEAD];
    /** Index of the present step's first sample. */
    int at;
    /** Whether samples have been drawn since it was cleared, and not only changes. */
    private boolean drawn;

    void clear() {
        at = 0;
        drawn = false;
        for (int i = 0; i < left.length; i++) {
            left[i] = 0;
            right[i] = 0;
            changesLeft[i] = 0;
            changesRight[i] = 0;
        }
    }

    /** Adds the step's samples to two channels with a gain that moves in a straight line, and goes on to the next step. */
    void mixInto(double[] toLeft, double[] toRight, double gain, double slope) {
        drawn = true;
        mix(left, right, at, toLeft, toRight, gain, slope, ControlStep.RAMP);
        moveOn();
    }

    private static void mix(double[] left, double[] right, int at, double[] toLeft, double[] toRight, double gain, double slope, double[] ramp) {
        for (int i = 0; i < SAMPLES; i++) {
            double g = gain + slope * ramp[i];
            toLeft[i] += left[at + i] * g;
            toRight[i] += right[at + i] * g;
            left[at + i] = 0;
            right[at + i] = 0;
        }
    }

    /** The step has been taken: the next one begins. */
    void moveOn() {
        at += SAMPLES;
        if (at == STEPS * SAMPLES) {
            at = 0;
            if (drawn) {
                carryBack(left, right);
            }
            carryBack(changesLeft, changesRight);
        }
    }

    private static void carryBack(double[] one, double[] other) {
        for (int i = 0; i < AHEAD; i++) {
            one[i] = one[STEPS * SAMPLES + i];
            other[i] = other[STEPS * SAMPLES + i];
            one[STEPS * SAMPLES + i] = 0;
            other[STEPS * SAMPLES + i] = 0;
        }
    }
}
