package gentlecomet.sound.filter;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.maths.Remembered;

/**
 * A ladder of four first-order low-passes with feedback around all of them, 24 dB per octave, for a pair of channels: no delay in the
 * loop (topology-preserving transform; V. Zavalishin, "The Art of VA Filter Design", 2012), and a soft limit where the
 * feedback joins the input, so drive thickens it and self-oscillation keeps its level. With the limit in that one place the loop's
 * phase is untouched and the oscillation stays on the cutoff.
 */
public final class Ladder {

    private static final double HIGHEST = 0.49;
    /** Feedback at which it begins to oscillate. */
    private static final double EDGE = 4;
    private static final double BEYOND = 4.4;
    private static final double SPARK = 1e-3;
    /** Samples for which coefficients stand still. */
    private static final int HELD = 4;

    private final double[] memory = new double[8];
    private final Remembered lift = new Remembered();
    private double present;
    private double feedback;
    private boolean fresh = true;

    /** Forgets everything. */
    public void reset() {
        for (int i = 0; i < memory.length; i++) {
            memory[i] = 0;
        }
        fresh = true;
    }

    /** Feedback for a lift at the cutoff in dB: 1 / (1 - k/4). */
    static double feedbackOf(double resonanceDb, boolean sings) {
        return sings ? BEYOND : EDGE * (1 - Polynomials.gainOfDb(-resonanceDb));
    }

    /** Filters a block of a multiple of four frames in place; cutoff and feedback move in a straight line over the block. */
    public void process(double[] left, double[] right, int frames, double cutoffHz, double resonanceDb, boolean sings, double sampleRate) {
        double g = Polynomials.tanHalfTurns(Math.min(HIGHEST, cutoffHz / sampleRate));
        double wanted = g / (1 + g);
        double k = sings ? BEYOND : EDGE * (1 - lift.gainOfDb(-resonanceDb));
        if (fresh) {
            present = wanted;
            feedback = k;
            if (sings) {
                memory[0] = SPARK;
                memory[4] = SPARK;
            }
            fresh = false;
        }
        run(left, right, frames, wanted, k);
    }

    /** @param hEnd,kEnd coefficient and feedback at the end of the block */
    private void run(double[] left, double[] right, int frames, double hEnd, double kEnd) {
        double[] memory = this.memory;
        double h = present;
        double k = feedback;
        double slope = (hEnd - h) / frames;
        double feedbackSlope = (kEnd - k) / frames;
        double l1 = memory[0];
        double l2 = memory[1];
        double l3 = memory[2];
        double l4 = memory[3];
        double r1 = memory[4];
        double r2 = memory[5];
        double r3 = memory[6];
        double r4 = memory[7];
        // One division for the whole block: 1 / (1 + k h^4) moves in a straight line as well.
        double h2 = h * h;
        double solve = 1 / (1 + k * h2 * h2);
        double hEnd2 = hEnd * hEnd;
        double solveSlope = (1 / (1 + kEnd * hEnd2 * hEnd2) - solve) / frames;
        for (int from = 0; from < frames; from += HELD) {
            // Coefficients are worked out for four samples at a time.
            h += HELD * slope;
            k += HELD * feedbackSlope;
            solve += HELD * solveSlope;
            h2 = h * h;
            double h3 = h2 * h;
            double h4 = h2 * h2;
            double hold = 1 - h;
            double twice = hold + hold;
            double less = twice - 1;
            double g1 = h + h;
            double g2 = h2 + h2;
            double g3 = h3 + h3;
            double input = (1 + 0.5 * k) * solve;
            double back = k * hold * solve;
            for (int i = from; i < from + HELD; i++) {
                // What the memories alone bring to the four stages, before "hold"; short chains, so that both sides overlap.
                double a2 = h * l1 + l2;
                double a3 = h * a2 + l3;
                double a4 = h * l3 + l4 + h2 * a2;
                double b2 = h * r1 + r2;
                double b3 = h * b2 + r3;
                double b4 = h * r3 + r4 + h2 * b2;
                double x = left[i] * input - back * a4;
                double z = right[i] * input - back * b4;
                // Straight for small values, held at 2: u - u^3 / 27, level from 3 on.
                double x2 = x * x;
                double z2 = z * z;
                double u = x2 < 9 ? x * (1 - x2 * (1.0 / 27)) : x > 0 ? 2 : -2;
                double w = z2 < 9 ? z * (1 - z2 * (1.0 / 27)) : z > 0 ? 2 : -2;
                double y = hold * a4 + h4 * u;
                left[i] = y;
                l1 = less * l1 + g1 * u;
                l2 = twice * a2 - l2 + g2 * u;
                l3 = twice * a3 - l3 + g3 * u;
                l4 = y + y - l4;
                y = hold * b4 + h4 * w;
                right[i] = y;
                r1 = less * r1 + g1 * w;
                r2 = twice * b2 - r2 + g2 * w;
                r3 = twice * b3 - r3 + g3 * w;
                r4 = y + y - r4;
            }
        }
        present = hEnd;
        feedback = kEnd;
        memory[0] = l1 + 1e-20;
        memory[1] = l2;
        memory[2] = l3;
        memory[3] = l4;
        memory[4] = r1 + 1e-20;
        memory[5] = r2;
        memory[6] = r3;
        memory[7] = r4;
    }

    /** Response in dB at a frequency for small signals, for pictures. */
    public static double responseDb(double frequencyHz, double cutoffHz, double resonanceDb, boolean sings, double sampleRate) {
        double g = Polynomials.tanHalfTurns(Math.min(HIGHEST, cutoffHz / sampleRate));
        double w = Polynomials.tanHalfTurns(Math.min(HIGHEST, frequencyHz / sampleRate)) / g;
        double k = Math.min(3.995, feedbackOf(resonanceDb, sings));
        // (1 + i w)^4 + k
        double re = 1 - 6 * w * w + w * w * w * w + k;
        double im = 4 * w - 4 * w * w * w;
        return Math.max(-120, Polynomials.dbOfGain((1 + 0.5 * k) / Math.sqrt(re * re + im * im)));
    }
}
