package gentlecomet.sound.filter;

import gentlecomet.sound.maths.Polynomials;

/**
 * A ladder of four first-order low-passes with feedback around all of them, 24 dB per octave, for a pair of channels: no delay in the
 * loop (bilinear transform with the loop solved; V. Zavalishin, "The Art of VA Filter Design", 2012), and a soft limit where the
 * feedback joins the input, so drive thickens it and self-oscillation keeps its level. With the limit in that one place the loop's
 * phase is untouched and the oscillation stays on the cutoff.
 *
 * <p>A stage is y = (1 - 2h) y' + h (x + x'), with a dash for the sample before and h = g / (1 + g). Every stage is kept divided by
 * its power of h, so that it needs one multiplication: Y1 = p Y1' + u' + u, Y2 = p Y2' + Y1' + Y1 and so on, where u, the input behind
 * the limit, adds to all four alike. When h moves the stages are put to the new scale.
 */
public final class Ladder {

    private static final double HIGHEST = 0.49;
    /** Feedback at which it begins to oscillate. */
    private static final double EDGE = 4;
    private static final double BEYOND = 4.4;
    private static final double SPARK = 1e-3;
    /** The loop runs at a scale at which the limit u - u^3 / 27 is x - x^3: it is level from 1 / sqrt(3) on. */
    private static final double INTO_LOOP = 0.19245008972987526;
    private static final double OUT_OF_LOOP = 5.196152422706632;
    /** A block that ends so near the limit is likely to have gone beyond it, and so are the next ones. */
    private static final double LOUD = 0.9 * CubicLimit.LEVEL;
    private static final int LOUD_FOR = 16;
    /** Samples for which coefficients stand still, where they are to be in the middle of them. */
    private static final int HELD = 8;
    private static final double MIDDLE = (HELD + 1) / 2.0;
    /** Numbers that a channel remembers: its input behind the limit and four stages. */
    private static final int CHANNEL = 5;

    private final double[] memory = new double[2 * CHANNEL];
    private double tunedFor = -1;
    private double corner = 1;
    private double present;
    private double feedback;
    /** The h by whose powers the stages are divided. */
    private double scaledBy;
    private double wanted;
    private double wantedFeedback;
    private boolean fresh = true;
    private int loudBlocks;

    /** Forgets everything. */
    public void reset() {
        for (int i = 0; i < memory.length; i++) {
            memory[i] = 0;
        }
        fresh = true;
        loudBlocks = 0;
    }

    /** Feedback for a peak of so many dB above what is let through. */
    static double feedbackOf(double resonanceDb, boolean sings) {
        return sings ? BEYOND : EDGE * (1 - Resonance.OF_LADDER.damping(resonanceDb));
    }

    /** Says where cutoff and feedback are to be at the end of the coming block. */
    public void aim(double cutoffHz, double resonanceDb, boolean sings, double sampleRate) {
        if (resonanceDb != tunedFor) {
            tunedFor = resonanceDb;
            wantedFeedback = feedbackOf(resonanceDb, sings);
            corner = sings ? 1 : Resonance.OF_LADDER.corner(resonanceDb);
        }
        double turns = cutoffHz / sampleRate;
        double atCutoff = Polynomials.trapezoidalPart(turns > HIGHEST ? HIGHEST : turns);
        // h of a g that is so many times as large.
        wanted = corner == 1 ? atCutoff : corner * atCutoff / (1 + (corner - 1) * atCutoff);
        if (fresh) {
            present = wanted;
            scaledBy = wanted;
            feedback = wantedFeedback;
            if (sings) {
                memory[0] = SPARK * INTO_LOOP;
                memory[CHANNEL] = SPARK * INTO_LOOP;
            }
            fresh = false;
        }
    }

    /**
     * Filters a block of a multiple of eight frames in place; cutoff and feedback move in a straight line over the block. From one input
     * behind the limit to the next lie but five operations: the rest of a sample's work is done for the next one ahead.
     */
    public void process(double[] left, double[] right, int frames) {
        double[] m = memory;
        boolean hot = loudBlocks > 0;
        double slope = (wanted - present) / frames;
        double feedbackSlope = (wantedFeedback - feedback) / frames;
        // One division for the whole block: 1 / (1 + k h^4) moves in a straight line as well.
        double solve = solved(present, feedback);
        double solveSlope = (solved(wanted, wantedFeedback) - solve) / frames;
        double h = present + MIDDLE * slope;
        double k = feedback + MIDDLE * feedbackSlope;
        solve += MIDDLE * solveSlope;
        double last = scaledBy;
        double l = m[0];
        double l1 = m[1];
        double l2 = m[2];
        double l3 = m[3];
        double l4 = m[4];
        double r = m[5];
        double r1 = m[6];
        double r2 = m[7];
        double r3 = m[8];
        double r4 = m[9];
        for (int from = 0; from < frames; from += HELD) {
            double scale = last / h;
            double scale2 = scale * scale;
            double scale3 = scale2 * scale;
            double scale4 = scale2 * scale2;
            l1 *= scale;
            r1 *= scale;
            l2 *= scale2;
            r2 *= scale2;
            l3 *= scale3;
            r3 *= scale3;
            l4 *= scale4;
            r4 *= scale4;
            double h4 = h * h * h * h;
            double p = 1 - h - h;
            double in = (1 + 0.5 * k) * solve * INTO_LOOP;
            double out = h4 * OUT_OF_LOOP;
            double back = k * h4 * solve;
            double q = 1 + p;
            double twice = q + q;
            double thrice = twice + q;
            double fourfold = twice + twice;
            double backFourfold = back * fourfold;
            // The stages without the new input, which adds to all of them alike.
            double t1 = p * l1 + l;
            double t2 = p * l2 + l1 + t1;
            double t3 = p * l3 + l2 + t2;
            double t4 = p * l4 + l3 + t3;
            double s1 = p * r1 + r;
            double s2 = p * r2 + r1 + s1;
            double s3 = p * r3 + r2 + s2;
            double s4 = p * r4 + r3 + s3;
            double backLeft = back * t4;
            double backRight = back * s4;
            for (int i = from; ; i++) {
                double x = left[i] * in - backLeft;
                double z = right[i] * in - backRight;
                // The limit: straight for small values.
                l = hot ? CubicLimit.held(x) : CubicLimit.limited(x);
                r = hot ? CubicLimit.held(z) : CubicLimit.limited(z);
                left[i] = (t4 + l) * out;
                right[i] = (s4 + r) * out;
                if (i == from + HELD - 1) {
                    break;
                }
                // What the next sample finds, all but done before the input is known: it comes into each of them once more for every stage.
                double u1 = q * t1;
                double u2 = q * t2 + u1;
                double u4 = p * t4 + u2 + q * t3;
                double v1 = q * s1;
                double v2 = q * s2 + v1;
                double v4 = p * s4 + v2 + q * s3;
                backLeft = back * u4 + backFourfold * l;
                backRight = back * v4 + backFourfold * r;
                t4 = u4 + fourfold * l;
                s4 = v4 + fourfold * r;
                t3 = p * t3 + u2 + thrice * l;
                s3 = p * s3 + v2 + thrice * r;
                t2 = p * t2 + u1 + twice * l;
                s2 = p * s2 + v1 + twice * r;
                t1 = p * t1 + q * l;
                s1 = p * s1 + q * r;
            }
            l1 = t1 + l;
            l2 = t2 + l;
            l3 = t3 + l;
            l4 = t4 + l;
            r1 = s1 + r;
            r2 = s2 + r;
            r3 = s3 + r;
            r4 = s4 + r;
            last = h;
            h += HELD * slope;
            k += HELD * feedbackSlope;
            solve += HELD * solveSlope;
        }
        m[0] = l + 1e-20;
        m[1] = l1;
        m[2] = l2;
        m[3] = l3;
        m[4] = l4;
        m[5] = r + 1e-20;
        m[6] = r1;
        m[7] = r2;
        m[8] = r3;
        m[9] = r4;
        arrive(last);
    }

    /**
     * Filters blocks of two voices at once. Here the chains of two voices overlap, so the stages need not be prepared ahead: fewer operations
     * than in {@link #process}, and the same samples but for rounding.
     */
    public static void processBoth(Ladder one, double[] oneLeft, double[] oneRight, Ladder two, double[] twoLeft, double[] twoRight, int frames) {
        double[] m = one.memory;
        double[] n = two.memory;
        boolean hot = one.loudBlocks + two.loudBlocks > 0;
        double slopeA = (one.wanted - one.present) / frames;
        double feedbackSlopeA = (one.wantedFeedback - one.feedback) / frames;
        double solveA = solved(one.present, one.feedback);
        double solveSlopeA = (solved(one.wanted, one.wantedFeedback) - solveA) / frames;
        double hA = one.present + MIDDLE * slopeA;
        double kA = one.feedback + MIDDLE * feedbackSlopeA;
        solveA += MIDDLE * solveSlopeA;
        double lastA = one.scaledBy;
        double slopeB = (two.wanted - two.present) / frames;
        double feedbackSlopeB = (two.wantedFeedback - two.feedback) / frames;
        double solveB = solved(two.present, two.feedback);
        double solveSlopeB = (solved(two.wanted, two.wantedFeedback) - solveB) / frames;
        double hB = two.present + MIDDLE * slopeB;
        double kB = two.feedback + MIDDLE * feedbackSlopeB;
        solveB += MIDDLE * solveSlopeB;
        double lastB = two.scaledBy;
        double lA = m[0];
        double l1A = m[1];
        double l2A = m[2];
        double l3A = m[3];
        double l4A = m[4];
        double rA = m[5];
        double r1A = m[6];
        double r2A = m[7];
        double r3A = m[8];
        double r4A = m[9];
        double lB = n[0];
        double l1B = n[1];
        double l2B = n[2];
        double l3B = n[3];
        double l4B = n[4];
        double rB = n[5];
        double r1B = n[6];
        double r2B = n[7];
        double r3B = n[8];
        double r4B = n[9];
        for (int from = 0; from < frames; from += HELD) {
            double scaleA = lastA / hA;
            double scale2A = scaleA * scaleA;
            double scale3A = scale2A * scaleA;
            double scale4A = scale2A * scale2A;
            l1A *= scaleA;
            r1A *= scaleA;
            l2A *= scale2A;
            r2A *= scale2A;
            l3A *= scale3A;
            r3A *= scale3A;
            l4A *= scale4A;
            r4A *= scale4A;
            double h4A = hA * hA * hA * hA;
            double pA = 1 - hA - hA;
            double inA = (1 + 0.5 * kA) * solveA * INTO_LOOP;
            double outA = h4A * OUT_OF_LOOP;
            double backA = kA * h4A * solveA;
            double scaleB = lastB / hB;
            double scale2B = scaleB * scaleB;
            double scale3B = scale2B * scaleB;
            double scale4B = scale2B * scale2B;
            l1B *= scaleB;
            r1B *= scaleB;
            l2B *= scale2B;
            r2B *= scale2B;
            l3B *= scale3B;
            r3B *= scale3B;
            l4B *= scale4B;
            r4B *= scale4B;
            double h4B = hB * hB * hB * hB;
            double pB = 1 - hB - hB;
            double inB = (1 + 0.5 * kB) * solveB * INTO_LOOP;
            double outB = h4B * OUT_OF_LOOP;
            double backB = kB * h4B * solveB;
            for (int i = from; i < from + HELD; i++) {
                double u3A = pA * l3A + l2A;
                double u4A = pA * l4A + l3A + u3A;
                double t1A = pA * l1A + lA;
                double t2A = pA * l2A + l1A + t1A;
                double t3A = u3A + t2A;
                double t4A = u4A + t2A;
                double v3A = pA * r3A + r2A;
                double v4A = pA * r4A + r3A + v3A;
                double s1A = pA * r1A + rA;
                double s2A = pA * r2A + r1A + s1A;
                double s3A = v3A + s2A;
                double s4A = v4A + s2A;
                double u3B = pB * l3B + l2B;
                double u4B = pB * l4B + l3B + u3B;
                double t1B = pB * l1B + lB;
                double t2B = pB * l2B + l1B + t1B;
                double t3B = u3B + t2B;
                double t4B = u4B + t2B;
                double v3B = pB * r3B + r2B;
                double v4B = pB * r4B + r3B + v3B;
                double s1B = pB * r1B + rB;
                double s2B = pB * r2B + r1B + s1B;
                double s3B = v3B + s2B;
                double s4B = v4B + s2B;
                double xA = oneLeft[i] * inA - backA * t4A;
                lA = hot ? CubicLimit.held(xA) : CubicLimit.limited(xA);
                double zA = oneRight[i] * inA - backA * s4A;
                rA = hot ? CubicLimit.held(zA) : CubicLimit.limited(zA);
                double xB = twoLeft[i] * inB - backB * t4B;
                lB = hot ? CubicLimit.held(xB) : CubicLimit.limited(xB);
                double zB = twoRight[i] * inB - backB * s4B;
                rB = hot ? CubicLimit.held(zB) : CubicLimit.limited(zB);
                l1A = t1A + lA;
                l2A = t2A + lA;
                l3A = t3A + lA;
                l4A = t4A + lA;
                oneLeft[i] = outA * l4A;
                r1A = s1A + rA;
                r2A = s2A + rA;
                r3A = s3A + rA;
                r4A = s4A + rA;
                oneRight[i] = outA * r4A;
                l1B = t1B + lB;
                l2B = t2B + lB;
                l3B = t3B + lB;
                l4B = t4B + lB;
                twoLeft[i] = outB * l4B;
                r1B = s1B + rB;
                r2B = s2B + rB;
                r3B = s3B + rB;
                r4B = s4B + rB;
                twoRight[i] = outB * r4B;
            }
            lastA = hA;
            hA += HELD * slopeA;
            kA += HELD * feedbackSlopeA;
            solveA += HELD * solveSlopeA;
            lastB = hB;
            hB += HELD * slopeB;
            kB += HELD * feedbackSlopeB;
            solveB += HELD * solveSlopeB;
        }
        m[0] = lA + 1e-20;
        m[1] = l1A;
        m[2] = l2A;
        m[3] = l3A;
        m[4] = l4A;
        m[5] = rA + 1e-20;
        m[6] = r1A;
        m[7] = r2A;
        m[8] = r3A;
        m[9] = r4A;
        n[0] = lB + 1e-20;
        n[1] = l1B;
        n[2] = l2B;
        n[3] = l3B;
        n[4] = l4B;
        n[5] = rB + 1e-20;
        n[6] = r1B;
        n[7] = r2B;
        n[8] = r3B;
        n[9] = r4B;
        one.arrive(lastA);
        two.arrive(lastB);
    }

    private static double solved(double h, double k) {
        double h2 = h * h;
        return 1 / (1 + k * h2 * h2);
    }

    private void arrive(double newScaledBy) {
        boolean loud = Math.abs(memory[0]) > LOUD || Math.abs(memory[CHANNEL]) > LOUD;
        loudBlocks = loud ? LOUD_FOR : Math.max(0, loudBlocks - 1);
        scaledBy = newScaledBy;
        present = wanted;
        feedback = wantedFeedback;
    }

    /** Response in dB at a frequency for small signals, for pictures. */
    public static double responseDb(double frequencyHz, double cutoffHz, double resonanceDb, boolean sings, double sampleRate) {
        double corner = sings ? 1 : Resonance.OF_LADDER.corner(resonanceDb);
        double g = corner * Polynomials.tanHalfTurns(Math.min(HIGHEST, cutoffHz / sampleRate));
        double w = Polynomials.tanHalfTurns(Math.min(HIGHEST, frequencyHz / sampleRate)) / g;
        double k = Math.min(3.995, feedbackOf(resonanceDb, sings));
        // (1 + i w)^4 + k
        double re = 1 - 6 * w * w + w * w * w * w + k;
        double im = 4 * w - 4 * w * w * w;
        return Math.max(-120, Polynomials.dbOfGain((1 + 0.5 * k) / Math.sqrt(re * re + im * im)));
    }
}
