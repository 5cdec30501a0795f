package gentlecomet.sound.source;

import gentlecomet.sound.maths.ControlStep;

/**
 * Waves of straight lines (saw, pulse, triangle), for all copies of a source together. The sum of straight lines is a
 * straight line: a copy adds its value and slope at the start of the control step and an event for each of its edges, so it
 * costs next to nothing between them. Every event also adds its band-limited correction ({@link StepTables}).
 */
final class Edges {

    private static final int SAMPLES = ControlStep.SAMPLES;

    private final StepTables steps;
    private final double[] left;
    private final double[] right;
    private final double[] jumpsLeft = new double[SAMPLES + 1];
    private final double[] jumpsRight = new double[SAMPLES + 1];
    private final double[] bendsLeft = new double[SAMPLES + 1];
    private final double[] bendsRight = new double[SAMPLES + 1];
    private double valueLeft;
    private double valueRight;
    private double slopeLeft;
    private double slopeRight;
    private boolean bent;

    /** @param left,right where the wave is added, {@link StepTables#LAG} samples late */
    Edges(StepTables steps, double[] left, double[] right) {
        this.steps = steps;
        this.left = left;
        this.right = right;
    }

    /**
     * Adds a rising ramp from -1/2 to 1/2, times a height, over one control step.
     *
     * @param start   phase at the first sample, 0 to 1
     * @param restart phase to which a reset puts it
     * @return the phase after the step
     */
    double ramp(double start, double increment, double heightLeft, double heightRight, SyncTimes resets, double restart) {
        valueLeft += heightLeft * (start - 0.5);
        valueRight += heightRight * (start - 0.5);
        slopeLeft += heightLeft * increment;
        slopeRight += heightRight * increment;
        double phase = start;
        double from = 0;
        int count = resets == null ? 0 : resets.count();
        for (int r = 0; r < count; r++) {
            double when = resets.at(r);
            phase = wraps(phase, increment, from, when, heightLeft, heightRight);
            double height = restart - phase;
            step(when, height * heightLeft, height * heightRight);
            phase = restart;
            from = when;
        }
        return wraps(phase, increment, from, SAMPLES, heightLeft, heightRight);
    }

    private double wraps(double start, double increment, double from, double to, double heightLeft, double heightRight) {
        double phase = start + increment * (to - from);
        if (phase < 1) {
            return phase;
        }
        double period = 1 / increment;
        double when = from + (1 - start) * period;
        while (phase >= 1) {
            step(when, -heightLeft, -heightRight);
            when += period;
            phase -= 1;
        }
        return phase;
    }

    /** Adds a triangle between -1 and 1, times a level, that rises through zero at phase 0; as {@link #ramp}. */
    double triangle(double start, double increment, double levelLeft, double levelRight, SyncTimes resets, double restart) {
        double value = triangleAt(start);
        double slope = slopeAt(start) * increment;
        valueLeft += levelLeft * value;
        valueRight += levelRight * value;
        slopeLeft += levelLeft * slope;
        slopeRight += levelRight * slope;
        double phase = start;
        double from = 0;
        int count = resets == null ? 0 : resets.count();
        for (int r = 0; r < count; r++) {
            double when = resets.at(r);
            phase = corners(phase, increment, from, when, levelLeft, levelRight);
            double height = triangleAt(restart) - triangleAt(phase);
            step(when, height * levelLeft, height * levelRight);
            double change = (slopeAt(restart) - slopeAt(phase)) * increment;
            if (change != 0) {
                bend(when, change * levelLeft, change * levelRight);
            }
            phase = restart;
            from = when;
        }
        return corners(phase, increment, from, SAMPLES, levelLeft, levelRight);
    }

    private double corners(double start, double increment, double from, double to, double levelLeft, double levelRight) {
        double end = start + increment * (to - from);
        double change = 8 * increment;
        // Corners stand at 1/4 (from up to down) and 3/4 of every cycle: counted in half cycles from 1/4 on.
        double corner = Math.floor(2 * (start - 0.25)) + 1;
        while (0.25 + 0.5 * corner <= end) {
            double when = from + (0.25 + 0.5 * corner - start) / increment;
            double sign = ((int) corner & 1) == 0 ? -change : change;
            bend(when, sign * levelLeft, sign * levelRight);
            corner++;
        }
        return end - Math.floor(end);
    }

    private static double triangleAt(double phase) {
        double p = phase + 0.25 - Math.floor(phase + 0.25);
        return 1 - 4 * Math.abs(p - 0.5);
    }

    private static double slopeAt(double phase) {
        double p = phase + 0.25 - Math.floor(phase + 0.25);
        return p < 0.5 ? 4 : -4;
    }

    /** A step of the wave at a time within the control step, above 0 and up to its end. */
    void step(double when, double heightLeft, double heightRight) {
        int first = firstAfter(when);
        jumpsLeft[first] += heightLeft;
        jumpsRight[first] += heightRight;
        steps.addStep(left, right, first, first - when, heightLeft, heightRight);
    }

    private void bend(double when, double changeLeft, double changeRight) {
        int first = firstAfter(when);
        bent = true;
        bendsLeft[first] += changeLeft;
        bendsRight[first] += changeRight;
        jumpsLeft[first] += changeLeft * (first - when);
        jumpsRight[first] += changeRight * (first - when);
        steps.addSlope(left, right, first, first - when, changeLeft, changeRight);
    }

    private static int firstAfter(double when) {
        int first = (int) when;
        return first < when && first < SAMPLES ? first + 1 : first;
    }

    /** Draws the sum of everything added since the last call. */
    void draw() {
        if (bent) {
            drawBent();
            bent = false;
        } else {
            drawStraight();
        }
        valueLeft = 0;
        valueRight = 0;
        slopeLeft = 0;
        slopeRight = 0;
    }

    private void drawStraight() {
        double[] toLeft = left;
        double[] toRight = right;
        double[] jl = jumpsLeft;
        double[] jr = jumpsRight;
        double[] ramp = ControlStep.RAMP;
        double vl = valueLeft;
        double vr = valueRight;
        double sl = slopeLeft;
        double sr = slopeRight;
        for (int i = 0; i < SAMPLES; i++) {
            vl += jl[i];
            vr += jr[i];
            toLeft[i + StepTables.LAG] = toLeft[i + StepTables.LAG] + vl + sl * ramp[i];
            toRight[i + StepTables.LAG] = toRight[i + StepTables.LAG] + vr + sr * ramp[i];
            jl[i] = 0;
            jr[i] = 0;
        }
        jl[SAMPLES] = 0;
        jr[SAMPLES] = 0;
    }

    private void drawBent() {
        double[] toLeft = left;
        double[] toRight = right;
        double[] jl = jumpsLeft;
        double[] jr = jumpsRight;
        double[] bl = bendsLeft;
        double[] br = bendsRight;
        double vl = valueLeft;
        double vr = valueRight;
        double sl = slopeLeft;
        double sr = slopeRight;
        for (int i = 0; i < SAMPLES; i++) {
            vl += jl[i];
            vr += jr[i];
            toLeft[i + StepTables.LAG] += vl;
            toRight[i + StepTables.LAG] += vr;
            sl += bl[i];
            sr += br[i];
            vl += sl;
            vr += sr;
            jl[i] = 0;
            jr[i] = 0;
            bl[i] = 0;
            br[i] = 0;
        }
        jl[SAMPLES] = 0;
        jr[SAMPLES] = 0;
        bl[SAMPLES] = 0;
        br[SAMPLES] = 0;
    }
}
