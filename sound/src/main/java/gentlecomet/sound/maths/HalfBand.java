package gentlecomet.sound.maths;

/**
 * A linear-phase filter at half of the band, for doubling and halving the sample rate of one channel: a Kaiser-windowed sinc (J. F. Kaiser, 1974). The
 * steep one is flat to 0.41 and closed (-100 dB) from 0.59 of the lower sample rate on, the gentle one, at half the cost, to 0.39 and from 0.61 (-78 dB); wide ones, for rates
 * at which there is nothing between, are flat to 0.25 and closed from 0.75 on (-100 dB, the gentle one -60). One instance for one direction of one channel.
 */
public final class HalfBand {

    private static final double[] STEEP = kernel(79, 10.06);
    private static final double[] WIDE = kernel(31, 10.06);
    private static final double[] GENTLE = kernel(47, 8);
    private static final double[] GENTLE_WIDE = kernel(15, 6);
    /** Taps that are summed in one loop; all numbers of taps are multiples of it. */
    private static final int TOGETHER = 4;
    private static final int MOST = 256;

    private final double[] past;
    private final double[] work = new double[MOST / 2];
    private final int history;
    /** Every other tap of one half of the kernel, from its end to beside its middle; it is symmetric, and zero between. */
    private final double[] taps;
    private final int delay;

    /** A steep one. */
    public HalfBand() {
        this(STEEP);
    }

    private HalfBand(double[] kernel) {
        delay = kernel.length / 2;
        history = kernel.length;
        past = new double[history + MOST];
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
        double[] sums = work;
        take(in, frames);
        for (int k = 0; k < taps.length; k += TOGETHER) {
            sum(line, history - k, history - delay + k, taps, k, sums, frames);
        }
        int middle = history - delay / 2;
        for (int i = 0; i < frames; i++) {
            out[2 * i] = 2 * sums[i];
            out[2 * i + 1] = line[middle + i];
        }
        keep(line, history, frames);
    }

    /** Writes half as many samples as it reads. @param frames written to {@code out}, at most 128 */
    public void halved(double[] in, double[] out, int frames) {
        double[] line = past;
        double[] sums = work;
        int count = 2 * frames;
        take(in, count);
        int newest = history + 1;
        for (int k = 0; k < taps.length; k += TOGETHER) {
            sumOfEverySecond(line, newest - 2 * k, newest - 2 * delay + 2 * k, taps, k, sums, frames);
        }
        int middle = newest - delay;
        for (int i = 0; i < frames; i++) {
            out[i] = 0.5 * line[middle + 2 * i] + sums[i];
        }
        keep(line, history, count);
    }

    private void take(double[] in, int count) {
        double[] line = past;
        int from = history;
        for (int i = 0; i < count; i++) {
            line[from + i] = in[i];
        }
    }

    /** Four taps and their mirror images, for every sample. The first four begin the sums. */
    private static void sum(double[] line, int newest, int oldest, double[] taps, int k, double[] sums, int frames) {
        double a = taps[k];
        double b = taps[k + 1];
        double c = taps[k + 2];
        double d = taps[k + 3];
        double before = k == 0 ? 0 : 1;
        for (int i = 0; i < frames; i++) {
            int n = newest + i;
            int o = oldest + i;
            sums[i] = a * (line[n] + line[o]) + b * (line[n - 1] + line[o + 1]) + c * (line[n - 2] + line[o + 2]) + d * (line[n - 3] + line[o + 3]) + before * sums[i];
        }
    }

    private static void sumOfEverySecond(double[] line, int newest, int oldest, double[] taps, int k, double[] sums, int frames) {
        double a = taps[k];
        double b = taps[k + 1];
        double c = taps[k + 2];
        double d = taps[k + 3];
        double before = k == 0 ? 0 : 1;
        for (int i = 0; i < frames; i++) {
            int n = newest + 2 * i;
            int o = oldest + 2 * i;
            sums[i] = a * (line[n] + line[o]) + b * (line[n - 2] + line[o + 2]) + c * (line[n - 4] + line[o + 4]) + d * (line[n - 6] + line[o + 6]) + before * sums[i];
        }
    }

    private static void keep(double[] line, int history, int frames) {
        for (int i = 0; i < history; i++) {
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
            double window = Kaiser.besselI0(beta * Math.sqrt(1 - x * x)) / Kaiser.besselI0(beta);
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
}
