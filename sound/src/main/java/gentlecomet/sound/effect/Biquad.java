package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;

/**
 * A second-order section for a pair of channels, with the coefficients of R. Bristow-Johnson, "Audio EQ Cookbook" (W3C Group Note,
 * 2021). Transposed direct form II; coefficients move in a straight line over a step.
 */
final class Biquad {

    private static final int SAMPLES = EffectStep.SAMPLES;

    private final double[] present = new double[5];
    private final double[] wanted = new double[5];
    private final double[] memory = new double[4];
    private boolean fresh = true;
    private boolean flat = true;
    /** Whether the coefficients stand still. */
    private boolean atRest;
    private double frequency = -1;
    private double gain;
    private double q;
    private int kind = -1;

    static final int BELL = 0;
    static final int LOW_SHELF = 1;
    static final int HIGH_SHELF = 2;
    static final int LOW_PASS = 3;
    static final int HIGH_PASS = 4;
    static final int ALL_PASS = 5;

    void reset() {
        for (int i = 0; i < 4; i++) {
            memory[i] = 0;
        }
        fresh = true;
    }

    /** Sets what the section is to be at the end of the coming step. A bell or shelf without gain is passed over. */
    void aim(int newKind, double hz, double gainDb, double newQ, double sampleRate) {
        if (newKind == kind && hz == frequency && gainDb == gain && newQ == q) {
            return;
        }
        kind = newKind;
        frequency = hz;
        gain = gainDb;
        q = newQ;
        coefficients(wanted, newKind, hz, gainDb, newQ, sampleRate);
        atRest = fresh;
        if (fresh) {
            for (int i = 0; i < 5; i++) {
                present[i] = wanted[i];
            }
        }
        flat = false;
    }

    void process(double[] left, double[] right) {
        fresh = false;
        if (flat && gain == 0 && kind <= HIGH_SHELF) {
            return;
        }
        if (atRest) {
            steady(left, right, present, memory);
        } else {
            moving(left, right);
            for (int i = 0; i < 5; i++) {
                present[i] = wanted[i];
            }
            atRest = true;
        }
        // Once it has come to rest without gain it passes everything unchanged.
        flat = gain == 0 && kind <= HIGH_SHELF
                && Math.abs(memory[0]) + Math.abs(memory[1]) + Math.abs(memory[2]) + Math.abs(memory[3]) < 1e-9;
    }

    /** Q of section k of a Butterworth filter of order 2n: 1 / (2 cos((2k + 1) pi / 4n)). */
    static double butterworthQ(int k, int count) {
        return 1 / (2 * Polynomials.cosCycles((2 * k + 1) / (8.0 * count)));
    }

    /** A Butterworth low or high pass of so many sections in place. @param kind {@link #LOW_PASS} or {@link #HIGH_PASS} */
    static void cut(Biquad[] sections, int kind, int count, double hz, double sampleRate, double[] left, double[] right) {
        for (int k = 0; k < count; k++) {
            sections[k].aim(kind, hz, 0, butterworthQ(k, count), sampleRate);
            sections[k].process(left, right);
        }
    }

    private static void steady(double[] left, double[] right, double[] c, double[] memory) {
        double b0 = c[0];
        double a1 = c[3];
        double a2 = c[4];
        // The memories follow the input and each other, not the output: a shorter chain from sample to sample.
        double c1 = c[1] - a1 * b0;
        double c2 = c[2] - a2 * b0;
        double l1 = memory[0];
        double l2 = memory[1];
        double r1 = memory[2];
        double r2 = memory[3];
        for (int i = 0; i < SAMPLES; i++) {
            double x = left[i];
            double z = right[i];
            double y = b0 * x + l1;
            double w = b0 * z + r1;
            double l = l1;
            double r = r1;
            l1 = c1 * x + l2 - a1 * l;
            r1 = c1 * z + r2 - a1 * r;
            l2 = c2 * x - a2 * l;
            r2 = c2 * z - a2 * r;
            left[i] = y;
            right[i] = w;
        }
        memory[0] = l1 + 1e-20;
        memory[1] = l2;
        memory[2] = r1 + 1e-20;
        memory[3] = r2;
    }

    private void moving(double[] left, double[] right) {
        double b0 = present[0];
        double b1 = present[1];
        double b2 = present[2];
        double a1 = present[3];
        double a2 = present[4];
        double d0 = (wanted[0] - b0) / SAMPLES;
        double d1 = (wanted[1] - b1) / SAMPLES;
        double d2 = (wanted[2] - b2) / SAMPLES;
        double d3 = (wanted[3] - a1) / SAMPLES;
        double d4 = (wanted[4] - a2) / SAMPLES;
        double l1 = memory[0];
        double l2 = memory[1];
        double r1 = memory[2];
        double r2 = memory[3];
        for (int i = 0; i < SAMPLES; i++) {
            b0 += d0;
            b1 += d1;
            b2 += d2;
            a1 += d3;
            a2 += d4;
            double x = left[i];
            double y = b0 * x + l1;
            l1 = b1 * x - a1 * y + l2;
            l2 = b2 * x - a2 * y;
            left[i] = y;
            x = right[i];
            y = b0 * x + r1;
            r1 = b1 * x - a1 * y + r2;
            r2 = b2 * x - a2 * y;
            right[i] = y;
        }
        memory[0] = l1 + 1e-20;
        memory[1] = l2;
        memory[2] = r1 + 1e-20;
        memory[3] = r2;
    }

    /** Fills b0, b1, b2, a1, a2, all divided by a0. */
    static void coefficients(double[] c, int kind, double hz, double gainDb, double q, double sampleRate) {
        double turns = Math.min(0.49, hz / sampleRate);
        double cos = Polynomials.cosCycles(turns);
        double alpha = Polynomials.sinCycles(turns) / (2 * q);
        double a = gainDb == 0 ? 1 : Polynomials.gainOfDb(gainDb / 2);
        double a0;
        if (kind == BELL) {
            a0 = 1 + alpha / a;
            set(c, 1 + alpha * a, -2 * cos, 1 - alpha * a, -2 * cos, 1 - alpha / a);
        } else if (kind == LOW_SHELF || kind == HIGH_SHELF) {
            double s = kind == LOW_SHELF ? 1 : -1;
            double root = 2 * Math.sqrt(a) * alpha;
            a0 = a + 1 + s * (a - 1) * cos + root;
            set(c, a * (a + 1 - s * (a - 1) * cos + root), s * 2 * a * (a - 1 - s * (a + 1) * cos),
                    a * (a + 1 - s * (a - 1) * cos - root), -s * 2 * (a - 1 + s * (a + 1) * cos), a + 1 + s * (a - 1) * cos - root);
        } else if (kind == ALL_PASS) {
            a0 = 1 + alpha;
            set(c, 1 - alpha, -2 * cos, 1 + alpha, -2 * cos, 1 - alpha);
        } else {
            double s = kind == LOW_PASS ? 1 : -1;
            a0 = 1 + alpha;
            set(c, (1 - s * cos) / 2, s * (1 - s * cos), (1 - s * cos) / 2, -2 * cos, 1 - alpha);
        }
        for (int i = 0; i < 5; i++) {
            c[i] /= a0;
        }
    }

    private static void set(double[] c, double b0, double b1, double b2, double a1, double a2) {
        c[0] = b0;
        c[1] = b1;
        c[2] = b2;
        c[3] = a1;
        c[4] = a2;
    }

    /** Gain of a section at a frequency. */
    static double gainAt(double[] c, double hz, double sampleRate) {
        double turns = hz / sampleRate;
        double c1 = Polynomials.cosCycles(turns);
        double s1 = Polynomials.sinCycles(turns);
        double c2 = Polynomials.cosCycles(2 * turns);
        double s2 = Polynomials.sinCycles(2 * turns);
        double br = c[0] + c[1] * c1 + c[2] * c2;
        double bi = c[1] * s1 + c[2] * s2;
        double ar = 1 + c[3] * c1 + c[4] * c2;
        double ai = c[3] * s1 + c[4] * s2;
        return Math.sqrt((br * br + bi * bi) / (ar * ar + ai * ai));
    }
}
