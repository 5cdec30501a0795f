package gentlecomet.craft.measure;

import gentlecomet.sound.performance.Audio;

/**
 * True peak after ITU-R BS.1770-4 annex 2: the greatest absolute value of the sound oversampled four times. The
 * interpolation is a Kaiser-windowed sinc of 32 samples, longer than the standard's example filter.
 */
public final class TruePeak {

    private static final int OVERSAMPLING = 4;
    private static final int HALF = 16;
    private static final double BETA = 8;
    private static final double[][] PHASES = phases();

    private TruePeak() {
    }

    /** True peak in dBTP; {@link Loudness#SILENT} for silence. */
    public static double db(Audio audio) {
        double peak = Math.max(peak(audio.left()), peak(audio.right()));
        return peak <= 1e-6 ? Loudness.SILENT : 20 * Math.log10(peak);
    }

    private static double peak(float[] x) {
        double peak = 0;
        for (float v : x) {
            peak = Math.max(peak, Math.abs(v));
        }
        // Between samples the wave can pass its neighbours by 12 dB at the very most; quieter places need no closer look.
        double worthALook = peak * 0.25;
        for (int i = 0; i < x.length; i++) {
            boolean near = Math.abs(x[i]) >= worthALook || i + 1 < x.length && Math.abs(x[i + 1]) >= worthALook;
            if (!near) {
                continue;
            }
            for (double[] phase : PHASES) {
                double sum = 0;
                int from = Math.max(0, i - HALF + 1);
                int to = Math.min(x.length, i + HALF + 1);
                for (int k = from; k < to; k++) {
                    sum += x[k] * phase[k - i + HALF - 1];
                }
                peak = Math.max(peak, Math.abs(sum));
            }
        }
        return peak;
    }

    private static double[][] phases() {
        double[][] phases = new double[OVERSAMPLING - 1][2 * HALF];
        for (int p = 1; p < OVERSAMPLING; p++) {
            for (int k = 0; k < 2 * HALF; k++) {
                double t = k - HALF + 1 - (double) p / OVERSAMPLING;
                double w = t / HALF;
                phases[p - 1][k] = Math.sin(Math.PI * t) / (Math.PI * t)
                        * besselI0(BETA * Math.sqrt(Math.max(0, 1 - w * w))) / besselI0(BETA);
            }
        }
        return phases;
    }

    private static double besselI0(double x) {
        double sum = 1;
        double term = 1;
        for (int k = 1; k < 40; k++) {
            term *= x / (2 * k) * (x / (2 * k));
            sum += term;
        }
        return sum;
    }
}
