package gentlecomet.sound.effect;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.Polynomials;

/**
 * A low cut and a high cut of 6 dB per octave for a pair of channels, -3 dB at their frequencies. A cut at the end of its range does
 * nothing and costs nothing.
 */
final class OnePoleCuts {

    private static final double NO_LOW_CUT = 20.001;
    private static final double NO_HIGH_CUT = 19999;

    private final double[] low = new double[2];
    private final double[] high = new double[2];
    private double lowHz = -1;
    private double highHz = -1;
    private double lowPart;
    private double highPart;

    void reset() {
        for (int side = 0; side < 2; side++) {
            low[side] = 0;
            high[side] = 0;
        }
    }

    void process(double[] left, double[] right, double lowCutHz, double highCutHz, double sampleRate) {
        if (lowCutHz != lowHz || highCutHz != highHz) {
            lowHz = lowCutHz;
            highHz = highCutHz;
            lowPart = part(lowCutHz, sampleRate);
            highPart = part(highCutHz, sampleRate);
        }
        // Trapezoidal one-pole low-passes: what is below the low cut is taken away, what is below the high cut is kept.
        if (lowHz > NO_LOW_CUT) {
            takeLows(left, right, lowPart, low);
        }
        if (highHz < NO_HIGH_CUT) {
            keepLows(left, right, highPart, high);
        }
    }

    private static void takeLows(double[] left, double[] right, double part, double[] memory) {
        double l = memory[0];
        double r = memory[1];
        double twice = part + part;
        double less = 1 - twice;
        double rest = 1 - part;
        for (int i = 0; i < ControlStep.SAMPLES; i++) {
            double x = left[i];
            double z = right[i];
            left[i] = (x - l) * rest;
            right[i] = (z - r) * rest;
            l = x * twice + l * less;
            r = z * twice + r * less;
        }
        memory[0] = l + 1e-20;
        memory[1] = r + 1e-20;
    }

    private static void keepLows(double[] left, double[] right, double part, double[] memory) {
        double l = memory[0];
        double r = memory[1];
        double twice = part + part;
        double less = 1 - twice;
        for (int i = 0; i < ControlStep.SAMPLES; i++) {
            double x = left[i];
            double z = right[i];
            left[i] = (x - l) * part + l;
            right[i] = (z - r) * part + r;
            l = x * twice + l * less;
            r = z * twice + r * less;
        }
        memory[0] = l + 1e-20;
        memory[1] = r + 1e-20;
    }

    private static double part(double hz, double sampleRate) {
        double g = Polynomials.tanHalfTurns(Math.min(0.49, hz / sampleRate));
        return g / (1 + g);
    }
}
