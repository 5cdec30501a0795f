package gentlecomet.sound.maths;

/**
 * A linear-phase filter at half of the band, for doubling and halving the sample rate of one channel: a Kaiser-windowed sinc (J. F. Kaiser, 1974). The
 * steep one is flat to 0.41 and closed (-100 dB) from 0.59 of the lower sample rate on, the gentle one, at half the cost, to 0.39 and from 0.61 (-78 dB); wide ones, for rates
 * at which there is nothing between, are flat to 0.25 and closed from 0.75 on. One instance for one direction of one channel.
 */
public final class HalfBand {

    private static final double[] STEEP = kernel(79, 10.06);
    private static final double[] WIDE = kernel(27, 10.06);
    private static final double[] GENTLE = kernel(47, 8);
    private static final double[] GENTLE_WIDE = kernel(23, 8);
    private static final int HISTORY = 96;

    private final double[] past = new double[HISTORY + 256];
    /** Every other tap of one half of the kernel, from its end to beside its middle; it is symmetric, and zero between. */
    private final double[] taps;
    private final int delay;

    /** A steep one. */
    public HalfBand() {
        this(STEEP);
    }

    private HalfBand(double[] kernel) {
        delay = kernel.length / 2;
        taps = new double[(delay + 1) / 2];
        for (int k = 0; k < taps.length; k++) {
            taps[k] = kernel[2 * k];
        }
    }

    /** For rates at which nothing lies between a quarter and three quarters of the lower one. */
    public static HalfBand wide() {
        return new HalfBand(WIDE);
    }

    public static HalfBand gentle() {
        return new HalfBand(GENTLE);
    }

    public static HalfBand gentleWide() {
        return new HalfBand(GENTLE_WIDE);
    }

    /** Delay in samples of the doubled rate. */
    public int delay() {
        return delay;
    }

    /** Forgets everything. */
    public void reset() {
        for (int i = 0; i < past.length; i++) {
            past[i] = 0;
        }
    }

    /** Writes twice as many samples as it reads. @param frames read from {@code in}, at most 128 */
    public void doubled(double[] in, double[] out, int frames) {
        double[] line = past;
        double[] half = taps;
        for (int i = 0; i < frames; i++) {
            line[HISTORY + i] = in[i];
        }
        int middle = delay / 2;
        int span = 2 * half.length - 1;
        for (int i = 0; i < frames; i++) {
            int newest = HISTORY + i;
            int oldest = newest - span;
            double even = 0;
            for (int k = 0; k < half.length; k++) {
                even += half[k] * (line[newest - k] + line[oldest + k]);
            }
            out[2 * i] = 2 * even;
            out[2 * i + 1] = line[newest - middle];
        }
        keep(line, frames);
    }

    /** Writes half as many samples as it reads. @param frames written to {@code out}, at most 128 */
    public void halved(double[] in, double[] out, int frames) {
        double[] line = past;
        double[] half = taps;
        int count = 2 * frames;
        for (int i = 0; i < count; i++) {
            line[HISTORY + i] = in[i];
        }
        int span = 2 * delay;
        for (int i = 0; i < frames; i++) {
            int newest = HISTORY + 2 * i + 1;
            int oldest = newest - span;
            double sum = 0.5 * line[newest - delay];
            for (int k = 0; k < half.length; k++) {
                sum += half[k] * (line[newest - 2 * k] + line[oldest + 2 * k]);
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

    private static double[] kernel(int length, double beta) {
        double[] kernel = new double[length];
        int half = length / 2;
        double sum = 0;
        for (int k = 0; k < length; k++) {
            int t = k - half;
            double x = (double) t / (half + 1);
            double window = besselI0(beta * Math.sqrt(1 - x * x)) / besselI0(beta);
            double sinc = t == 0 ? 0.5 : (t & 1) == 0 ? 0 : Polynomials.sinCycles(t / 4.0) / (Math.PI * t);
            kernel[k] = window * sinc;
            sum += t == 0 ? 0 : kernel[k];
        }
        // The taps beside the middle add up to exactly one half, as the middle does.
        for (int k = 0; k < length; k++) {
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
