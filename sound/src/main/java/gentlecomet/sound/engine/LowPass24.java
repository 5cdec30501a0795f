package gentlecomet.sound.engine;

import gentlecomet.sound.maths.Polynomials;

/**
 * A low-pass of 24 dB per octave for a pair of channels: two state-variable sections without delay in the loop
 * (trapezoidal integration; A. Simper, 2013, "Linear trapezoidal integrated state variable filter"). Without resonance it is
 * a Butterworth filter of the fourth order, -3 dB at the cutoff; resonance lifts the second section's peak by that many dB.
 * Coefficients move in a straight line over each control step, so cutoff sweeps do not click.
 */
public final class LowPass24 {

    /** 1/Q of the two sections of a fourth-order Butterworth filter: 2 cos(pi/8) and 2 sin(pi/8). */
    private static final double FIRST_DAMPING = 1.8477590650225735;
    private static final double SECOND_DAMPING = 0.7653668647301796;
    private static final double HIGHEST = 0.49;

    private final double[] memory = new double[8];
    private final double[] present = new double[6];
    private final double[] wanted = new double[6];
    private boolean fresh = true;

    /** Forgets everything. */
    void reset() {
        for (int i = 0; i < memory.length; i++) {
            memory[i] = 0;
        }
        fresh = true;
    }

    /**
     * Filters a block in place.
     *
     * @param cutoffHz    wanted at the end of the block
     * @param resonanceDb lift of the peak
     */
    void process(double[] left, double[] right, int frames, double cutoffHz, double resonanceDb, double sampleRate) {
        coefficients(wanted, cutoffHz, resonanceDb, sampleRate);
        if (fresh) {
            System.arraycopy(wanted, 0, present, 0, 6);
            fresh = false;
        }
        section(left, right, frames, 0, 0);
        section(left, right, frames, 3, 4);
        System.arraycopy(wanted, 0, present, 0, 6);
    }

    private void section(double[] left, double[] right, int frames, int c, int m) {
        double a1 = present[c];
        double a2 = present[c + 1];
        double a3 = present[c + 2];
        double d1 = (wanted[c] - a1) / frames;
        double d2 = (wanted[c + 1] - a2) / frames;
        double d3 = (wanted[c + 2] - a3) / frames;
        double leftOne = memory[m];
        double leftTwo = memory[m + 1];
        double rightOne = memory[m + 2];
        double rightTwo = memory[m + 3];
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
        memory[m] = leftOne + 1e-20;
        memory[m + 1] = leftTwo;
        memory[m + 2] = rightOne + 1e-20;
        memory[m + 3] = rightTwo;
    }

    private static void coefficients(double[] into, double cutoffHz, double resonanceDb, double sampleRate) {
        double g = Polynomials.tanHalfTurns(Math.min(HIGHEST, cutoffHz / sampleRate));
        one(into, 0, g, FIRST_DAMPING);
        one(into, 3, g, SECOND_DAMPING * Polynomials.gainOfDb(-resonanceDb));
    }

    private static void one(double[] into, int c, double g, double damping) {
        double a1 = 1 / (1 + g * (g + damping));
        into[c] = a1;
        into[c + 1] = g * a1;
        into[c + 2] = g * g * a1;
    }

    /** Response in dB at a frequency, from the same coefficients' transfer function, for pictures. */
    public static double responseDb(double frequencyHz, double cutoffHz, double resonanceDb, double sampleRate) {
        double g = Polynomials.tanHalfTurns(Math.min(HIGHEST, cutoffHz / sampleRate));
        double w = Polynomials.tanHalfTurns(Math.min(HIGHEST, frequencyHz / sampleRate)) / g;
        double second = SECOND_DAMPING * Polynomials.gainOfDb(-resonanceDb);
        return -Polynomials.dbOfGain(Math.sqrt(sectionPower(w, FIRST_DAMPING) * sectionPower(w, second)));
    }

    private static double sectionPower(double w, double damping) {
        double real = 1 - w * w;
        double imaginary = damping * w;
        return real * real + imaginary * imaginary;
    }
}
