package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Kaiser;
import gentlecomet.sound.maths.Polynomials;

/**
 * How high a wave goes between its samples: a windowed sinc at a quarter, a half and three quarters of the way (four times oversampled, as ITU-R BS.1770-4 annex 2 asks for).
 * The window is a Kaiser window of 16 samples (J. F. Kaiser, 1974; beta 7).
 */
final class InterSample {

    /** Samples on each side of the place between two. */
    static final int REACH = 8;

    private static final int PHASES = 3;
    private static final double BETA = 7;
    private static final double[][] TAPS = taps();

    private InterSample() {
    }

    /** Greatest absolute value between sample {@code i} and the next one; eight samples on each side are read. */
    static double peak(double[] x, int i) {
        double peak = 0;
        for (int p = 0; p < PHASES; p++) {
            double[] taps = TAPS[p];
            double sum = 0;
            for (int k = 0; k < 2 * REACH; k++) {
                sum += x[i - REACH + 1 + k] * taps[k];
            }
            double a = Math.abs(sum);
            peak = a > peak ? a : peak;
        }
        return peak;
    }

    private static double[][] taps() {
        double[][] taps = new double[PHASES][2 * REACH];
        for (int p = 0; p < PHASES; p++) {
            double part = (p + 1) / (PHASES + 1.0);
            double sum = 0;
            for (int k = 0; k < 2 * REACH; k++) {
                double distance = k - REACH + 1 - part;
                double pi = Math.PI * distance;
                double inside = 1 - distance * distance / (REACH * REACH);
                taps[p][k] = Polynomials.sinCycles(distance / 2) / pi * Kaiser.besselI0(BETA * Math.sqrt(inside));
                sum += taps[p][k];
            }
            for (int k = 0; k < 2 * REACH; k++) {
                taps[p][k] /= sum;
            }
        }
        return taps;
    }
}
