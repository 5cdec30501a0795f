package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;

/**
 * A low cut and a high cut of 6 dB per octave for a pair of channels, -3 dB at their frequencies. A cut at the end of its range does
 * nothing and costs nothing.
 */
final class OnePoleCuts {

    static final double NO_LOW_CUT = 20.001;
    static final double NO_HIGH_CUT = 19999;

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

    /** Sets the frequencies in Hz, from the next sample on. */
    void aim(double lowCutHz, double highCutHz, double sampleRate) {
        if (lowCutHz != lowHz || highCutHz != highHz) {
            lowHz = lowCutHz;
            highHz = highCutHz;
            lowPart = part(lowCutHz, sampleRate);
            highPart = part(highCutHz, sampleRate);
        }
    }

    /** Reads samples of each channel from an index on, and writes them to two others from an index that both share on. */
    void process(double[] fromLeft, int atLeft, double[] fromRight, int atRight, double[] left, double[] right, int to, int count) {
        // Trapezoidal one-pole low-passes: what is below the low cut is taken away, what is below the high cut is kept.
        boolean lowCut = lowHz > NO_LOW_CUT;
        boolean highCut = highHz < NO_HIGH_CUT;
        if (lowCut && highCut) {
            keepMiddle(fromLeft, atLeft, fromRight, atRight, left, right, to, count);
        } else if (lowCut) {
            takeLows(fromLeft, atLeft, fromRight, atRight, left, right, to, count);
        } else if (highCut) {
            keepLows(fromLeft, atLeft, fromRight, atRight, left, right, to, count);
        } else if (fromLeft != left) {
            copy(fromLeft, atLeft, left, to, count);
            copy(fromRight, atRight, right, to, count);
        }
    }

    private static void copy(double[] from, int at, double[] into, int to, int count) {
        for (int i = 0; i < count; i++) {
            into[to + i] = from[at + i];
        }
    }

    /** Both in one loop, so that what waits from sample to sample in one need not wait for the other. */
    private void keepMiddle(double[] fromLeft, int atLeft, double[] fromRight, int atRight, double[] left, double[] right, int to, int count) {
        double l = low[0];
        double r = low[1];
        double m = high[0];
        double n = high[1];
        double lowTwice = lowPart + lowPart;
        double lowLess = 1 - lowTwice;
        double rest = 1 - lowPart;
        double part = highPart;
        double highTwice = part + part;
        double highLess = 1 - highTwice;
        for (int i = 0; i < count; i++) {
            double x = fromLeft[atLeft + i];
            double z = fromRight[atRight + i];
            double v = (x - l) * rest;
            double w = (z - r) * rest;
            l = x * lowTwice + l * lowLess;
            r = z * lowTwice + r * lowLess;
            left[to + i] = (v - m) * part + m;
            right[to + i] = (w - n) * part + n;
            m = v * highTwice + m * highLess;
            n = w * highTwice + n * highLess;
        }
        low[0] = l + 1e-20;
        low[1] = r + 1e-20;
        high[0] = m + 1e-20;
        high[1] = n + 1e-20;
    }

    private void takeLows(double[] fromLeft, int atLeft, double[] fromRight, int atRight, double[] left, double[] right, int to, int count) {
        double part = lowPart;
        double l = low[0];
        double r = low[1];
        double twice = part + part;
        double less = 1 - twice;
        double rest = 1 - part;
        for (int i = 0; i < count; i++) {
            double x = fromLeft[atLeft + i];
            double z = fromRight[atRight + i];
            left[to + i] = (x - l) * rest;
            right[to + i] = (z - r) * rest;
            l = x * twice + l * less;
            r = z * twice + r * less;
        }
        low[0] = l + 1e-20;
        low[1] = r + 1e-20;
    }

    private void keepLows(double[] fromLeft, int atLeft, double[] fromRight, int atRight, double[] left, double[] right, int to, int count) {
        double part = highPart;
        double l = high[0];
        double r = high[1];
        double twice = part + part;
        double less = 1 - twice;
        for (int i = 0; i < count; i++) {
            double x = fromLeft[atLeft + i];
            double z = fromRight[atRight + i];
            left[to + i] = (x - l) * part + l;
            right[to + i] = (z - r) * part + r;
            l = x * twice + l * less;
            r = z * twice + r * less;
        }
        high[0] = l + 1e-20;
        high[1] = r + 1e-20;
    }

    private static double part(double hz, double sampleRate) {
        return Polynomials.trapezoidalPart(Math.min(0.49, hz / sampleRate));
    }
}
