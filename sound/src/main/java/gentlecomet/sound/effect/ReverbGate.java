package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;

/**
 * Ends a reverb: by level it is open while what comes in is above a threshold, and for a time after; by time it opens with an onset (the threshold passed from below) and
 * closes after its time, whatever goes on. It closes over 30 ms, so that nothing clicks.
 */
final class ReverbGate {

    static final int OFF = 0;
    private static final int BY_LEVEL = 1;
    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final double OPENS_SECONDS = 0.002;
    private static final double CLOSES_SECONDS = 0.03;
    /** What comes in falls this far below the threshold before the next onset counts. */
    private static final double BELOW = 0.25;
    /** In which the level that is followed halves. */
    private static final double FALL_SECONDS = 0.008;

    private final double sampleRate;
    private final double opens;
    private final double closes;
    private final double falls;
    private double follower;
    private boolean above;
    private double left;
    private double present;

    ReverbGate(double sampleRate) {
        this.sampleRate = sampleRate;
        opens = SAMPLES / (OPENS_SECONDS * sampleRate);
        closes = SAMPLES / (CLOSES_SECONDS * sampleRate);
        falls = Polynomials.exp2(-SAMPLES / (FALL_SECONDS * sampleRate));
    }

    void reset() {
        follower = 0;
        above = false;
        left = 0;
        present = 0;
    }

    /** Follows what comes in. @param holdSeconds for which it stays open */
    void listen(double[] inLeft, double[] inRight, int kind, double thresholdDb, double holdSeconds) {
        double peak = follower * falls;
        for (int i = 0; i < SAMPLES; i++) {
            peak = Math.max(peak, Math.max(Math.abs(inLeft[i]), Math.abs(inRight[i])));
        }
        follower = peak;
        double threshold = Polynomials.gainOfDb(thresholdDb);
        boolean onset = !above && peak > threshold;
        above = peak > (above ? threshold * BELOW : threshold);
        left -= SAMPLES / sampleRate;
        if (onset || kind == BY_LEVEL && above) {
            left = holdSeconds;
        }
    }

    /** Opens or closes the step that goes out. */
    void close(double[] toLeft, double[] toRight) {
        double end = left > 0 ? Math.min(1, present + opens) : Math.max(0, present - closes);
        double slope = (end - present) / SAMPLES;
        double[] ramp = EffectStep.RAMP;
        for (int i = 0; i < SAMPLES; i++) {
            double g = present + slope * (ramp[i] + 1);
            toLeft[i] = toLeft[i] * g;
            toRight[i] = toRight[i] * g;
        }
        present = end;
    }
}
