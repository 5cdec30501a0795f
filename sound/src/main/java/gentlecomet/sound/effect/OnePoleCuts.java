package gentlecomet.sound.effect;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.Polynomials;

/**
 * A low cut and a high cut of 6 dB per octave for a pair of channels, -3 dB at their frequencies. A cut at the end of its range does
 * nothing and costs nothing.
 */
final class OnePoleCuts {

    private static final int SAMPLES = ControlStep.SAMPLES;
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

    /** Works on a control step in place. */
    void process(double[] left, double[] right, double lowCutHz, double highCutHz, double sampleRate) {
        process(left, 0, right, 0, left, right, lowCutHz, highCutHz, sampleRate);
    }

    /** Reads a control step of each channel from an index on, and writes it to two others. */
    void process(double[] fromLeft, int atLeft, double[] fromRight, int atRight, double[] left, double[] right, double lowCutHz, double highCutHz,
            double sampleRate) {
        if (lowCutHz != lowHz || highCutHz != highHz) {
            lowHz = lowCutHz;
            highHz = highCutHz;
            lowPart = part(lowCutHz, sampleRate);
            highPart = part(highCutHz, sampleRate);
        }
        // Trapezoidal one-pole low-passes: what is below the low cut is taken away, what is below the high cut is kept.
        boolean lowCut = lowHz > NO_LOW_CUT;
        boolean highCut = highHz < NO_HIGH_CUT;
        if (lowCut && highCut) {
            keepMiddle(fromLeft, atLeft, fromRight, atRight, left, right, lowPart, low, highPart, high);
        } else if (lowCut) {
            takeLows(fromLeft, atLeft, fromRight, atRight, left, right, lowPart, low);
        } else if (highCut) {
            keepLows(fromLeft, atLeft, fromRight, atRight, left, right, highPart, high);
        } else if (fromLeft != left) {
            copy(fromLeft, atLeft, left);
            copy(fromRight, atRight, right);
        }
    }

    private static void copy(double[] from, int at, double[] to) {
        for (int i = 0; i < SAMPLES; i++) {
            to[i] = from[at + i];
        }
    }

    /** Both in one loop, so that what waits from sample to sample in one need not wait for the other. */
    private static void keepMiddle(double[] fromLeft, int atLeft, double[] fromRight, int atRight, double[] left, double[] right, double lowPart,
            double[] low, double highPart, double[] high) {
        double l = low[0];
        double r = low[1];
        double m = high[0];
        double n = high[1];
        double lowTwice = lowPart + lowPart;
        double lowLess = 1 - lowTwice;
        double rest = 1 - lowPart;
        double highTwice = highPart + highPart;
        double highLess = 1 - highTwice;
        for (int i = 0; i < SAMPLES; i++) {
            double x = fromLeft[atLeft + i];
            double z = fromRight[atRight + i];
            double v = (x - l) * rest;
            double w = (z - r) * rest;
            l = x * lowTwice + l * lowLess;
            r = z * lowTwice + r * lowLess;
            left[i] = (v - m) * highPart + m;
            right[i] = (w - n) * highPart + n;
            m = v * highTwice + m * highLess;
            n = w * highTwice + n * highLess;
        }
        low[0] = l + 1e-20;
        low[1] = r + 1e-20;
        high[0] = m + 1e-20;
        high[1] = n + 1e-20;
    }

    private static void takeLows(double[] fromLeft, int atLeft, double[] fromRight, int atRight, double[] left, double[] right, double part,
            double[] memory) {
        double l = memory[0];
        double r = memory[1];
        double twice = part + part;
        double less = 1 - twice;
        double rest = 1 - part;
        for (int i = 0; i < SAMPLES; i++) {
            double x = fromLeft[atLeft + i];
            double z = fromRight[atRight + i];
            left[i] = (x - l) * rest;
            right[i] = (z - r) * rest;
            l = x * twice + l * less;
            r = z * twice + r * less;
        }
        memory[0] = l + 1e-20;
        memory[1] = r + 1e-20;
    }

    private static void keepLows(double[] fromLeft, int atLeft, double[] fromRight, int atRight, double[] left, double[] right, double part,
            double[] memory) {
        double l = memory[0];
        double r = memory[1];
        double twice = part + part;
        double less = 1 - twice;
        for (int i = 0; i < SAMPLES; i++) {
            double x = fromLeft[atLeft + i];
            double z = fromRight[atRight + i];
            left[i] = (x - l) * part + l;
            right[i] = (z - r) * part + r;
            l = x * twice + l * less;
            r = z * twice + r * less;
        }
        memory[0] = l + 1e-20;
        memory[1] = r + 1e-20;
    }

    private static double part(double hz, double sampleRate) {
        return Polynomials.trapezoidalPart(Math.min(0.49, hz / sampleRate));
    }
}
