package gentlecomet.sound.source;

import gentlecomet.sound.maths.ControlStep;

/**
 * Waves of straight lines (saw, pulse, triangle), for all copies of a source together. The sum of straight lines is a
 * straight line: a copy adds its value and slope at the start of the control step and an event for each of its edges, so it
 * costs next to nothing between them. What is drawn is a running sum of changes from sample to sample: the slope, and around every
 * event the changes of its band-limited form ({@link BlepTables}), {@link BlepTables#LAG} samples late. At every step the sum is put to
 * where the copies say that the line should be, so it cannot drift.
 */
final class BlepOscillator {

    private static final int SAMPLES = ControlStep.SAMPLES;
    private static final int LAG = BlepTables.LAG;

    private BlepTables steps;
    private final SourceOutput outlet;
    private final double[] bendsLeft = new double[SAMPLES + LAG + 1];
    private final double[] bendsRight = new double[SAMPLES + LAG + 1];
    /** Where the line of the present step begins and how it rises. */
    private double valueLeft;
    private double valueRight;
    private double slopeLeft;
    private double slopeRight;
    /** What the events of the step add to it. */
    private double eventsLeft;
    private double eventsRight;
    /** Where the line of the step before ended, all events counted. */
    private double endLeft;
    private double endRight;
    /** What has been drawn, and how it rises. */
    private double sumLeft;
    private double sumRight;
    private double riseLeft;
    private double riseRight;
    /** Steps for which there are bends to draw. */
    private int bent;
    private boolean drawing;
    /** Whether anything has been added for the present step. */
    private boolean fed;

    /** @param outlet where the wave is added */
    BlepOscillator(SourceOutput outlet) {
        this.outlet = outlet;
    }

    /** Takes the corrections of a note's sample rate. To be called before anything is added. */
    void use(BlepTables corrections) {
        steps = corrections;
    }

    /**
     * Adds rising ramps from -1 to 1 of all copies of a source over one control step.
     *
     * @param phases    of the copies, 0 to 1; moved to where they stand after the step
     * @param increment cycles in a sample, before a copy's own ratio; at most half a cycle with the highest one
     * @param level     of the source
     */
    void ramps(double[] phases, double increment, UnisonSpread spread, int copies, double level) {
        fed = true;
        double[] ratios = spread.ratios();
        double[] lefts = spread.lefts();
        double[] rights = spread.rights();
        double vl = 0;
        double vr = 0;
        double turned = increment * SAMPLES;
        for (int copy = 0; copy < copies; copy++) {
            double start = phases[copy];
            double left = lefts[copy];
            double right = rights[copy];
            vl += left * (start - 0.5);
            vr += right * (start - 0.5);
            double phase = start + turned * ratios[copy];
            phases[copy] = phase < 1 ? phase : wraps(start, increment * ratios[copy], 0, SAMPLES, 2 * level * left, 2 * level * right);
        }
        valueLeft += 2 * level * vl;
        valueRight += 2 * level * vr;
        slopeLeft += 2 * level * increment * spread.riseLeft();
        slopeRight += 2 * level * increment * spread.riseRight();
    }

    /**
     * Adds a rising ramp from -1/2 to 1/2, times a height, over one control step.
     *
     * @param start   phase at the first sample, 0 to 1
     * @param restart phase to which a reset puts it
     * @return the phase after the step
     */
    double ramp(double start, double increment, double heightLeft, double heightRight, SyncTimes resets, double restart) {
        fed = true;
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
        fed = true;
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
    private void step(double when, double heightLeft, double heightRight) {
        int first = firstAfter(when);
        eventsLeft += heightLeft;
        eventsRight += heightRight;
        steps.addStepChanges(outlet, first, first - when, heightLeft, heightRight);
    }

    private void bend(double when, double changeLeft, double changeRight) {
        int first = firstAfter(when);
        // Two steps: the bends after the middle are drawn with the next one.
        bent = 2;
        eventsLeft += changeLeft * (SAMPLES - when);
        eventsRight += changeRight * (SAMPLES - when);
        int place = outlet.at + LAG + first;
        outlet.changesLeft[place] += changeLeft * (first - when);
        outlet.changesRight[place] += changeRight * (first - when);
        // At the very end of the step the next one begins with the new slope.
        if (first < SAMPLES) {
            bendsLeft[LAG + first] += changeLeft;
            bendsRight[LAG + first] += changeRight;
        }
        steps.addSlopeChanges(outlet, first, first - when, changeLeft, changeRight);
    }

    private static int firstAfter(double when) {
        int first = (int) when;
        return first < when && first < SAMPLES ? first + 1 : first;
    }

    /** Whether there is something to draw: what has been added for this step, or what still waits from those before. */
    boolean drawing() {
        return drawing || fed;
    }

    /** Adds the outlet's step of the line to two channels, with a gain that moves in a straight line, and goes on to the next step. */
    void drawInto(double[] toLeft, double[] toRight, double gain, double gainSlope) {
        run(toLeft, toRight, 0, gain, gainSlope);
        outlet.moveOn();
    }

    /** Adds the step of the line to the outlet's own samples. */
    void draw() {
        run(outlet.left, outlet.right, outlet.at, 1, 0);
    }

    private void run(double[] toLeft, double[] toRight, int offset, double gain, double gainSlope) {
        int first = outlet.at + LAG;
        outlet.changesLeft[first] = valueLeft - endLeft + outlet.changesLeft[first];
        outlet.changesRight[first] = valueRight - endRight + outlet.changesRight[first];
        if (bent > 0) {
            drawBent(toLeft, toRight, offset, gain, gainSlope);
        } else {
            drawStraight(toLeft, toRight, offset, gain, gainSlope);
        }
        if (fed) {
            drawing = true;
            endLeft = valueLeft + slopeLeft * SAMPLES + eventsLeft;
            endRight = valueRight + slopeRight * SAMPLES + eventsRight;
            forget();
        } else {
            // Nothing has been added: the line has gone to zero, and no correction reaches further than a step.
            stop();
        }
    }

    private void drawStraight(double[] toLeft, double[] toRight, int offset, double gain, double gainSlope) {
        double[] ramp = ControlStep.RAMP;
        double[] left = outlet.changesLeft;
        double[] right = outlet.changesRight;
        int at = outlet.at;
        double vl = sumLeft;
        double vr = sumRight;
        double rl = riseLeft;
        double rr = riseRight;
        int i = 0;
        // The slope of the step before still leads to the first sample of this one.
        int end = LAG + 1;
        while (i < SAMPLES) {
            if (gainSlope == 0) {
                for (; i < end; i++) {
                    vl = left[at + i] + rl + vl;
                    vr = right[at + i] + rr + vr;
                    left[at + i] = 0;
                    right[at + i] = 0;
                    toLeft[offset + i] += vl * gain;
                    toRight[offset + i] += vr * gain;
                }
            } else {
                for (; i < end; i++) {
                    double g = gain + gainSlope * ramp[i];
                    vl = left[at + i] + rl + vl;
                    vr = right[at + i] + rr + vr;
                    left[at + i] = 0;
                    right[at + i] = 0;
                    toLeft[offset + i] += vl * g;
                    toRight[offset + i] += vr * g;
                }
            }
            rl = slopeLeft;
            rr = slopeRight;
            end = SAMPLES;
        }
        sumLeft = vl;
        sumRight = vr;
        riseLeft = rl;
        riseRight = rr;
    }

    private void drawBent(double[] toLeft, double[] toRight, int offset, double gain, double gainSlope) {
        for (int i = 0; i < SAMPLES; i++) {
            double g = gain + gainSlope * ControlStep.RAMP[i];
            advance(i);
            toLeft[offset + i] += sumLeft * g;
            toRight[offset + i] += sumRight * g;
            if (i == LAG) {
                riseLeft = slopeLeft;
                riseRight = slopeRight;
            }
        }
        bent--;
        moveOn(bendsLeft);
        moveOn(bendsRight);
    }

    private void advance(int i) {
        sumLeft = outlet.changesLeft[outlet.at + i] + riseLeft + sumLeft;
        sumRight = outlet.changesRight[outlet.at + i] + riseRight + sumRight;
        outlet.changesLeft[outlet.at + i] = 0;
        outlet.changesRight[outlet.at + i] = 0;
        riseLeft += bendsLeft[i];
        riseRight += bendsRight[i];
    }

    private static void moveOn(double[] bends) {
        for (int i = 0; i < LAG; i++) {
            bends[i] = bends[i + SAMPLES];
        }
        for (int i = LAG; i < bends.length; i++) {
            bends[i] = 0;
        }
    }

    /** The source goes on with another wave: what still waits of the line, and the rest of its corrections, go to the outlet's samples. */
    void settle() {
        if (!drawing) {
            return;
        }
        int at = outlet.at;
        for (int i = 0; i < SourceOutput.AHEAD; i++) {
            if (i > LAG) {
                riseLeft = 0;
                riseRight = 0;
            }
            advance(i);
            outlet.left[at + i] = (i < LAG ? sumLeft : sumLeft - endLeft) + outlet.left[at + i];
            outlet.right[at + i] = (i < LAG ? sumRight : sumRight - endRight) + outlet.right[at + i];
        }
        stop();
    }

    /** Forgets everything that waits. */
    void stop() {
        drawing = false;
        bent = 0;
        sumLeft = 0;
        sumRight = 0;
        riseLeft = 0;
        riseRight = 0;
        endLeft = 0;
        endRight = 0;
        for (int i = 0; i < bendsLeft.length; i++) {
            bendsLeft[i] = 0;
            bendsRight[i] = 0;
        }
        forget();
    }

    private void forget() {
        fed = false;
        valueLeft = 0;
        valueRight = 0;
        slopeLeft = 0;
        slopeRight = 0;
        eventsLeft = 0;
        eventsRight = 0;
    }
}
