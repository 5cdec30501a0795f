package gentlecomet.sound.maths;

/**
 * A linear-phase filter at half of the band, for doubling and halving the sample rate of one channel: a Kaiser-windowed sinc of
 * {@link #TAPS} taps (J. F. Kaiser, 1974), flat to 0.39 and closed (-78 dB) from 0.61 of the lower sample rate on. One
 * instance for one direction of one channel.
 */
public final class HalfBand {

    private static final int TAPS = 47;
    private static final double BETA = 8;
    /** Delay in samples of the doubled rate. */
    public static final int DELAY = TAPS / 2;

    private static final double[] KERNEL = kernel();
    private static final int HISTORY = 64;

    private final double[] past = new double[HISTORY + 256];

    /** Forgets everything. */
    public void reset() {
        for (int i = 0; i < past.length; i++) {
            past[i] = 0;
        }
    }

    /** Writes twice as many samples as it reads. @param frames read from {@code in}, at most 128 */
    public void doubled(double[] in, double[] out, int frames) {
        double[] line = past;
        double[] kernel = KERNEL;
        for (int i = 0; i < frames; i++) {
            line[HISTORY + i] = in[i];
        }
        int half = TAPS / 2;
        for (int i = 0; i < frames; i++) {
            // The kernel is zero at even distances from its middle, except in the middle itself (an odd one here).
            double even = 0;
            for (int k = 0, at = HISTORY + i; k < TAPS; k += 2, at--) {
                even += kernel[k] * line[at];
            }
            out[2 * i] = 2 * even;
            out[2 * i + 1] = line[HISTORY + i - half / 2];
        }
        keep(line, frames);
    }

    /** Writes half as many samples as it reads. @param frames written to {@code out}, at most 128 */
    public void halved(double[] in, double[] out, int frames) {
        double[] line = past;
        double[] kernel = KERNEL;
        int count = 2 * frames;
        for (int i = 0; i < count; i++) {
            line[HISTORY + i] = in[i];
        }
        int half = TAPS / 2;
        for (int i = 0; i < frames; i++) {
            int newest = HISTORY + 2 * i + 1;
            double sum = 0.5 * line[newest - half];
            for (int k = 0, at = newest; k < TAPS; k += 2, at -= 2) {
                sum += kernel[k] * line[at];
            }
            out[i] = sum;
        }
        keep(line, count);
    }

    private static void keep(double[] line, int frames) {
        for (int i = 0; i < HISTORY; i++) {
            line[i] = line[i + frames];
        }
    }

    private static double[] kernel() {
        double[] kernel = new double[TAPS];
        int half = TAPS / 2;
        double sum = 0;
        for (int k = 0; k < TAPS; k++) {
            int t = k - half;
            double x = (double) t / (half + 1);
            double window = besselI0(BETA * Math.sqrt(1 - x * x)) / besselI0(BETA);
            double sinc = t == 0 ? 0.5 : (t & 1) == 0 ? 0 : Polynomials.sinCycles(t / 4.0) / (Math.PI * t);
            kernel[k] = window * sinc;
            sum += t == 0 ? 0 : kernel[k];
        }
        // The taps beside the middle add up to exactly one half, as the middle does.
        for (int k = 0; k < TAPS; k++) {
            kernel[k] = k == half ? 0.5 : kernel[k] * 0.5 / sum;
        }
        return kernel;
    }

    private static double besselI0(double x) {
        double sum = 1;
        double term = 1;
        for (int k = 1; k < 60; k++) {
            term = term * x / (2 * k) * x / (2 * k);
            sum += term;
        }
        return sum;
    }
}
