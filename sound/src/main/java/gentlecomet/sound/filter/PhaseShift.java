package gentlecomet.sound.filter;

import gentlecomet.sound.maths.Polynomials;

/**
 * Six first-order all-passes in series with feedback, added to what comes in: three notches, one of them at the cutoff and one to each side, and peaks between them that the
 * feedback lifts (J. O. Smith, "An allpass approach to digital phasing and flanging", ICMC 1984). For a pair of channels.
 */
final class PhaseShift {

    private static final int STAGES = 6;
    private static final double HIGHEST = 0.49;
    private static final double MOST_FEEDBACK = 0.97;

    private final double[] left = new double[STAGES];
    private final double[] right = new double[STAGES];
    private double lastLeft;
    private double lastRight;
    private double present;
    private double feedback;
    private boolean fresh = true;

    void reset() {
        for (int s = 0; s < STAGES; s++) {
            left[s] = 0;
            right[s] = 0;
        }
        lastLeft = 0;
        lastRight = 0;
        fresh = true;
    }

    private static double feedbackOf(double resonanceDb) {
        return Math.min(MOST_FEEDBACK, 1 - Polynomials.gainOfDb(-resonanceDb));
    }

    private static double coefficient(double hz, double sampleRate) {
        double g = Polynomials.tanHalfTurns(Math.min(HIGHEST, hz / sampleRate));
        return (g - 1) / (g + 1);
    }

    /** Filters a block in place; cutoff and feedback move in a straight line over it. */
    void process(double[] toLeft, double[] toRight, int frames, double cutoffHz, double resonanceDb, double sampleRate) {
        double wanted = coefficient(cutoffHz, sampleRate);
        double wantedFeedback = feedbackOf(resonanceDb);
        if (fresh) {
            present = wanted;
            feedback = wantedFeedback;
            fresh = false;
        }
        double slope = (wanted - present) / frames;
        double feedbackSlope = (wantedFeedback - feedback) / frames;
        lastLeft = channel(toLeft, frames, left, lastLeft, slope, feedbackSlope);
        lastRight = channel(toRight, frames, right, lastRight, slope, feedbackSlope);
        present = wanted;
        feedback = wantedFeedback;
    }

    private double channel(double[] x, int frames, double[] memory, double last, double slope, double feedbackSlope) {
        double a = present;
        double back = feedback;
        double shifted = last;
        for (int i = 0; i < frames; i++) {
            a += slope;
            back += feedbackSlope;
            double v = x[i] + back * shifted;
            for (int s = 0; s < STAGES; s++) {
                double y = a * v + memory[s];
                memory[s] = v - a * y;
                v = y;
            }
            shifted = v;
            x[i] = 0.5 * (x[i] + shifted);
        }
        memory[0] += 1e-20;
        return shifted;
    }

    /** Response in dB at a frequency, for pictures; the sample by which the feedback is late is part of it. */
    static double responseDb(double hz, double cutoffHz, double resonanceDb, double sampleRate) {
        double g = Polynomials.tanHalfTurns(Math.min(HIGHEST, cutoffHz / sampleRate));
        double w = Polynomials.tanHalfTurns(Math.min(HIGHEST, hz / sampleRate)) / g;
        double turns = -STAGES * 2 * Polynomials.cyclesOf(w, 1);
        double back = feedbackOf(resonanceDb);
        double re = Polynomials.cosCycles(turns);
        double im = Polynomials.sinCycles(turns);
        double lateRe = Polynomials.cosCycles(turns - hz / sampleRate);
        double lateIm = Polynomials.sinCycles(turns - hz / sampleRate);
        // 0.5 (1 + A / (1 - back A z^-1))
        double belowRe = 1 - back * lateRe;
        double belowIm = -back * lateIm;
        double below = belowRe * belowRe + belowIm * belowIm;
        double outRe = 1 + (re * belowRe + im * belowIm) / below;
        double outIm = (im * belowRe - re * belowIm) / below;
        return Math.max(-120, Polynomials.dbOfGain(0.5 * Math.sqrt(outRe * outRe + outIm * outIm) + 1e-12));
    }
}
