package gentlecomet.sound.filter;

import gentlecomet.sound.maths.Polynomials;

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

    private final double[] memory = new double[8];
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

    /** Filters a block in place; cutoff and feedback move in a straight line over the block. */
    public void process(double[] left, double[] right, int frames, double cutoffHz, double resonanceDb, boolean sings, double sampleRate) {
        double g = Polynomials.tanHalfTurns(Math.min(HIGHEST, cutoffHz / sampleRate));
        double wanted = g / (1 + g);
        double k = feedbackOf(resonanceDb, sings);
        if (fresh) {
            present = wanted;
            feedback = k;
            if (sings) {
                memory[0] = SPARK;
                memory[4] = SPARK;
            }
            fresh = false;
        }
        run(left, right, frames, present, (wanted - present) / frames, feedback, (k - feedback) / frames, memory);
        present = wanted;
        feedback = k;
    }

    private static void run(double[] left, double[] right, int frames, double start, double slope, double startFeedback, double feedbackSlope,
            double[] memory) {
        double h = start;
        double k = startFeedback;
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
        double hEnd = start + slope * frames;
        double hEnd2 = hEnd * hEnd;
        double solveSlope = (1 / (1 + (startFeedback + feedbackSlope * frames) * hEnd2 * hEnd2) - solve) / frames;
        for (int i = 0; i < frames; i++) {
            h += slope;
            k += feedbackSlope;
            solve += solveSlope;
            double hold = 1 - h;
            // What the four memories alone would bring to the output.
            double sl = hold * (l4 + h * (l3 + h * (l2 + h * l1)));
            double ul = limit((left[i] * (1 + 0.5 * k) - k * sl) * solve);
            double v = (ul - l1) * h;
            double y = v + l1;
            l1 = y + v;
            v = (y - l2) * h;
            y = v + l2;
            l2 = y + v;
            v = (y - l3) * h;
            y = v + l3;
            l3 = y + v;
            v = (y - l4) * h;
            y = v + l4;
            l4 = y + v;
            left[i] = y;
            double sr = hold * (r4 + h * (r3 + h * (r2 + h * r1)));
            double ur = limit((right[i] * (1 + 0.5 * k) - k * sr) * solve);
            v = (ur - r1) * h;
            y = v + r1;
            r1 = y + v;
            v = (y - r2) * h;
            y = v + r2;
            r2 = y + v;
            v = (y - r3) * h;
            y = v + r3;
            r3 = y + v;
            v = (y - r4) * h;
            y = v + r4;
            r4 = y + v;
            right[i] = y;
        }
        memory[0] = l1 + 1e-20;
        memory[1] = l2;
        memory[2] = l3;
        memory[3] = l4;
        memory[4] = r1 + 1e-20;
        memory[5] = r2;
        memory[6] = r3;
        memory[7] = r4;
    }

    /** Straight for small values, held at 4/3 of full scale: 2 x {@link Polynomials#softClip} of half. */
    private static double limit(double x) {
        double u = Math.max(-1, Math.min(1, x * (1.0 / 3)));
        return u * (3 - u * u);
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
