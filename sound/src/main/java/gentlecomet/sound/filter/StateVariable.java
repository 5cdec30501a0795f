package gentlecomet.sound.filter;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.FilterParameters;

/**
 * Low-pass, high-pass, band-pass and notch of 12 or 24 dB per octave for a pair of channels: one or two state-variable
 * sections without delay in the loop (trapezoidal integration; A. Simper, 2013, "Linear trapezoidal integrated state variable
 * filter"). Without resonance low-pass and high-pass are Butterworth filters, -3 dB at the cutoff; resonance puts a
 * peak of that many dB on the cutoff ({@link Resonance}; a notch it makes narrower). At {@link FilterParameters#SINGING_DB} and above it oscillates by itself; the damping
 * then grows with the level of the oscillation (as in B. van der Pol's oscillator, 1926), which holds the level and not the
 * pitch. Coefficients move in a straight line over each control step.
 */
public final class StateVariable {

    private static final double BAND_DAMPING = 1;
    private static final double HIGHEST = 0.49;
    /** Damping of a singing filter at silence, and how it grows with the square of the band signal. */
    private static final double SINGING_START = -0.02;
    private static final double SINGING_HOLD = 0.08;
    private static final double SPARK = 1e-3;
    /** Samples for which the coefficients of a steep low-pass stand still. */
    private static final int HELD = 4;

    private final double[] memory = new double[8];
    private final double[] present = new double[8];
    private final double[] wanted = new double[8];
    private double dampedFor = -1;
    private int dampedType;
    private double damping;
    private double corner;
    private boolean fresh = true;

    /** Forgets everything. */
    public void reset() {
        for (int i = 0; i < memory.length; i++) {
            memory[i] = 0;
        }
        fresh = true;
    }

    /**
     * Filters a block in place.
     *
     * @param type        one of the choices of {@link FilterParameters#TYPE} that this class is for
     * @param cutoffHz    wanted at the end of the block
     * @param resonanceDb lift at the cutoff
     */
    public void process(double[] left, double[] right, int frames, int type, double cutoffHz, double resonanceDb, double sampleRate) {
        boolean sings = resonanceDb >= FilterParameters.SINGING_DB;
        boolean steep = steep(type);
        if (resonanceDb != dampedFor || type != dampedType) {
            dampedFor = resonanceDb;
            dampedType = type;
            damping = damping(type, resonanceDb);
            corner = corner(type, resonanceDb);
        }
        double g = Polynomials.tanHalfTurns(Math.min(HIGHEST, cutoffHz / sampleRate)) * corner;
        if (steep) {
            one(wanted, 0, g, passes(type) ? Resonance.FIRST_DAMPING : BAND_DAMPING);
            one(wanted, 4, g, damping);
        } else {
            one(wanted, 0, g, damping);
        }
        if (fresh) {
            for (int i = 0; i < present.length; i++) {
                present[i] = wanted[i];
            }
            if (sings) {
                memory[steep ? 4 : 0] = SPARK;
                memory[steep ? 6 : 2] = SPARK;
            }
            fresh = false;
        }
        if (type == FilterParameters.LOW_PASS_24 && !sings) {
            twoLows(left, right, frames, present, wanted, memory);
            keep();
            return;
        }
        if (steep) {
            section(left, right, frames, type, 0, 0);
        }
        int last = steep ? 4 : 0;
        if (sings) {
            singing(left, right, frames, type, last, last, g);
        } else {
            section(left, right, frames, type, last, last);
        }
        keep();
    }

    private void keep() {
        for (int i = 0; i < present.length; i++) {
            present[i] = wanted[i];
        }
    }

    /** Both sections of a steep low-pass in one loop, so that the chains of all four overlap. */
    private static void twoLows(double[] left, double[] right, int frames, double[] from, double[] to, double[] memory) {
        double a1 = from[0];
        double a2 = from[1];
        double a3 = from[2];
        double b1 = from[4];
        double b2 = from[5];
        double b3 = from[6];
        double d1 = (to[0] - a1) / frames;
        double d2 = (to[1] - a2) / frames;
        double d3 = (to[2] - a3) / frames;
        double e1 = (to[4] - b1) / frames;
        double e2 = (to[5] - b2) / frames;
        double e3 = (to[6] - b3) / frames;
        double l1 = memory[0];
        double l2 = memory[1];
        double r1 = memory[2];
        double r2 = memory[3];
        double m1 = memory[4];
        double m2 = memory[5];
        double s1 = memory[6];
        double s2 = memory[7];
        for (int start = 0; start < frames; start += HELD) {
            a1 += HELD * d1;
            a2 += HELD * d2;
            a3 += HELD * d3;
            b1 += HELD * e1;
            b2 += HELD * e2;
            b3 += HELD * e3;
            for (int i = start; i < start + HELD; i++) {
                double x = left[i] - l2;
                double z = right[i] - r2;
                double band = a1 * l1 + a2 * x;
                double bandRight = a1 * r1 + a2 * z;
                double low = l2 + a2 * l1 + a3 * x;
                double lowRight = r2 + a2 * r1 + a3 * z;
                l1 = band + band - l1;
                r1 = bandRight + bandRight - r1;
                l2 = low + low - l2;
                r2 = lowRight + lowRight - r2;
                x = low - m2;
                z = lowRight - s2;
                band = b1 * m1 + b2 * x;
                bandRight = b1 * s1 + b2 * z;
                low = m2 + b2 * m1 + b3 * x;
                lowRight = s2 + b2 * s1 + b3 * z;
                m1 = band + band - m1;
                s1 = bandRight + bandRight - s1;
                m2 = low + low - m2;
                s2 = lowRight + lowRight - s2;
                left[i] = low;
                right[i] = lowRight;
            }
        }
        memory[0] = l1 + 1e-20;
        memory[1] = l2;
        memory[2] = r1 + 1e-20;
        memory[3] = r2;
        memory[4] = m1 + 1e-20;
        memory[5] = m2;
        memory[6] = s1 + 1e-20;
        memory[7] = s2;
    }

    private static boolean steep(int type) {
        return type == FilterParameters.LOW_PASS_24 || type == FilterParameters.HIGH_PASS_24 || type == FilterParameters.BAND_PASS_24
                || type == FilterParameters.NOTCH_24;
    }

    private static boolean passes(int type) {
        return type == FilterParameters.LOW_PASS_24 || type == FilterParameters.HIGH_PASS_24 || type == FilterParameters.LOW_PASS_12
                || type == FilterParameters.HIGH_PASS_12;
    }

    /** Damping of a single section, or of the second of two. */
    private static double damping(int type, double resonanceDb) {
        return passes(type) ? of(type).damping(resonanceDb) : BAND_DAMPING * Polynomials.gainOfDb(-Math.min(resonanceDb, FilterParameters.SINGING_DB));
    }

    /** Corner over cutoff. */
    private static double corner(int type, double resonanceDb) {
        if (!passes(type) || resonanceDb >= FilterParameters.SINGING_DB) {
            return 1;
        }
        double above = of(type).corner(resonanceDb);
        return highPass(type) ? 1 / above : above;
    }

    private static Resonance of(int type) {
        return steep(type) ? Resonance.OF_24 : Resonance.OF_12;
    }

    private static boolean highPass(int type) {
        return type == FilterParameters.HIGH_PASS_12 || type == FilterParameters.HIGH_PASS_24;
    }

    private void section(double[] left, double[] right, int frames, int type, int c, int m) {
        double a1 = present[c];
        double a2 = present[c + 1];
        double a3 = present[c + 2];
        double k = wanted[c + 3];
        double d1 = (wanted[c] - a1) / frames;
        double d2 = (wanted[c + 1] - a2) / frames;
        double d3 = (wanted[c + 2] - a3) / frames;
        double leftOne = memory[m];
        double leftTwo = memory[m + 1];
        double rightOne = memory[m + 2];
        double rightTwo = memory[m + 3];
        if (type == FilterParameters.LOW_PASS_24 || type == FilterParameters.LOW_PASS_12) {
            for (int i = 0; i < frames; i++) {
                a1 += d1;
                a2 += d2;
                a3 += d3;
                double lx = left[i] - leftTwo;
                double l1 = a1 * leftOne + a2 * lx;
                double l2 = leftTwo + a2 * leftOne + a3 * lx;
                leftOne = 2 * l1 - leftOne;
                leftTwo = 2 * l2 - leftTwo;
                left[i] = l2;
                double rx = right[i] - rightTwo;
                double r1 = a1 * rightOne + a2 * rx;
                double r2 = rightTwo + a2 * rightOne + a3 * rx;
                rightOne = 2 * r1 - rightOne;
                rightTwo = 2 * r2 - rightTwo;
                right[i] = r2;
            }
        } else {
            // Output is m0 input + m1 band + m2 low.
            boolean high = highPass(type);
            boolean notch = type == FilterParameters.NOTCH_12 || type == FilterParameters.NOTCH_24;
            double m0 = high || notch ? 1 : 0;
            double m1 = high || notch ? -k : BAND_DAMPING;
            double m2 = high ? -1 : 0;
            for (int i = 0; i < frames; i++) {
                a1 += d1;
                a2 += d2;
                a3 += d3;
                double lx = left[i] - leftTwo;
                double l1 = a1 * leftOne + a2 * lx;
                double l2 = leftTwo + a2 * leftOne + a3 * lx;
                leftOne = 2 * l1 - leftOne;
                leftTwo = 2 * l2 - leftTwo;
                left[i] = m0 * left[i] + m1 * l1 + m2 * l2;
                double rx = right[i] - rightTwo;
                double r1 = a1 * rightOne + a2 * rx;
                double r2 = rightTwo + a2 * rightOne + a3 * rx;
                rightOne = 2 * r1 - rightOne;
                rightTwo = 2 * r2 - rightTwo;
                right[i] = m0 * right[i] + m1 * r1 + m2 * r2;
            }
        }
        memory[m] = leftOne + 1e-20;
        memory[m + 1] = leftTwo;
        memory[m + 2] = rightOne + 1e-20;
        memory[m + 3] = rightTwo;
    }

    /** A section whose damping starts below zero and grows with its own level. */
    private void singing(double[] left, double[] right, int frames, int type, int c, int m, double gWanted) {
        double low = type == FilterParameters.LOW_PASS_24 || type == FilterParameters.LOW_PASS_12 ? 1 : 0;
        boolean highs = highPass(type);
        boolean notch = type == FilterParameters.NOTCH_12 || type == FilterParameters.NOTCH_24;
        double through = highs || notch ? 1 : 0;
        double lowTaken = highs ? -1 : low;
        double bandTaken = low == 0 && !highs && !notch ? 1 : 0;
        double g = gOf(present, c);
        double slope = (gWanted - g) / frames;
        for (int i = 0; i < frames; i++) {
            g += slope;
            for (int side = 0; side < 2; side++) {
                double[] samples = side == 0 ? left : right;
                int at = m + 2 * side;
                double one = memory[at];
                double two = memory[at + 1];
                double k = SINGING_START + SINGING_HOLD * Math.min(25, one * one + two * two);
                double a1 = 1 / (1 + g * (g + k));
                double x = Math.max(-4, Math.min(4, samples[i]));
                double v = x - two;
                double band = a1 * (one + g * v);
                double lowOut = two + g * band;
                memory[at] = 2 * band - one;
                memory[at + 1] = 2 * lowOut - two;
                samples[i] = through * (x - (highs || notch ? k * band : 0)) + lowTaken * lowOut + bandTaken * band;
            }
        }
    }

    private static double gOf(double[] coefficients, int c) {
        return coefficients[c + 1] / coefficients[c];
    }

    private static void one(double[] into, int c, double g, double damping) {
        double a1 = 1 / (1 + g * (g + damping));
        into[c] = a1;
        into[c + 1] = g * a1;
        into[c + 2] = g * g * a1;
        into[c + 3] = damping;
    }

    /** Response in dB at a frequency, from the same coefficients' transfer function, for pictures. */
    public static double responseDb(int type, double frequencyHz, double cutoffHz, double resonanceDb, double sampleRate) {
        double g = Polynomials.tanHalfTurns(Math.min(HIGHEST, cutoffHz / sampleRate)) * corner(type, resonanceDb);
        double w = Polynomials.tanHalfTurns(Math.min(HIGHEST, frequencyHz / sampleRate)) / g;
        double second = sectionPower(type, w, damping(type, resonanceDb));
        double power = steep(type) ? sectionPower(type, w, passes(type) ? Resonance.FIRST_DAMPING : BAND_DAMPING) * second : second;
        return Math.max(-120, Polynomials.dbOfGain(Math.sqrt(power)));
    }

    private static double sectionPower(int type, double w, double damping) {
        double real = 1 - w * w;
        double below = real * real + damping * w * damping * w;
        if (type == FilterParameters.LOW_PASS_24 || type == FilterParameters.LOW_PASS_12) {
            return 1 / below;
        }
        if (type == FilterParameters.HIGH_PASS_24 || type == FilterParameters.HIGH_PASS_12) {
            return w * w * w * w / below;
        }
        if (type == FilterParameters.NOTCH_24 || type == FilterParameters.NOTCH_12) {
            return real * real / below;
        }
        return w * w / below;
    }
}
