package gentlecomet.sound.engine;

import org.jtransforms.fft.DoubleFFT_1D;

/** Amplitudes of the sine waves in a stretch of sound, by a windowed transform of the reference library JTransforms. */
public final class Spectrum {

    private static final double BETA = 14;

    private final double[] power;
    private final double binHz;

    public Spectrum(double[] samples, int from, int length, double sampleRate) {
        double[] data = new double[length];
        double sum = 0;
        for (int i = 0; i < length; i++) {
            // A Kaiser window: side lobes at -135 dB, a main lobe of five bins to each side (J. F. Kaiser and R. W. Schafer, 1980).
            double place = 2.0 * i / length - 1;
            double w = besselI0(BETA * Math.sqrt(1 - place * place));
            data[i] = samples[from + i] * w;
            sum += w * w;
        }
        new DoubleFFT_1D(length).realForward(data);
        power = new double[length / 2];
        for (int k = 1; k < power.length; k++) {
            power[k] = 4 * (data[2 * k] * data[2 * k] + data[2 * k + 1] * data[2 * k + 1]) / (sum * length);
        }
        binHz = sampleRate / length;
    }

    private static double besselI0(double x) {
        double sum = 1;
        double term = 1;
        for (int k = 1; k < 50; k++) {
            term *= x / (2 * k) * x / (2 * k);
            sum += term;
        }
        return sum;
    }

    /** Powers of all bins of a stretch, without a window. */
    public static double[] powers(double[] samples, int from, int length) {
        double[] data = java.util.Arrays.copyOfRange(samples, from, from + length);
        new DoubleFFT_1D(length).realForward(data);
        double[] power = new double[length / 2];
        for (int k = 1; k < power.length; k++) {
            power[k] = data[2 * k] * data[2 * k] + data[2 * k + 1] * data[2 * k + 1];
        }
        return power;
    }

    /** What of a sound lies between two frequencies, cut out of its spectrum; the sides fall over a tenth of their frequency, as a raised cosine. */
    public static double[] band(double[] samples, double fromHz, double toHz, double sampleRate) {
        int length = Integer.highestOneBit(2 * samples.length - 1) * 2;
        double[] data = java.util.Arrays.copyOf(samples, length);
        DoubleFFT_1D fourier = new DoubleFFT_1D(length);
        fourier.realForward(data);
        data[0] = 0;
        data[1] = 0;
        for (int k = 1; k < length / 2; k++) {
            double hz = k * sampleRate / length;
            double part = side(hz / fromHz) * side(toHz / hz);
            data[2 * k] *= part;
            data[2 * k + 1] *= part;
        }
        fourier.realInverse(data, true);
        return java.util.Arrays.copyOf(data, samples.length);
    }

    private static double side(double ratio) {
        double place = Math.max(0, Math.min(1, (ratio - 0.95) / 0.1));
        return 0.5 - 0.5 * Math.cos(Math.PI * place);
    }

    /** Amplitude of the sine near a frequency: the energy of the main lobe around it. */
    public double amplitude(double hz) {
        int middle = (int) Math.round(hz / binHz);
        double sum = 0;
        for (int k = Math.max(1, middle - 5); k <= Math.min(power.length - 1, middle + 5); k++) {
            sum += power[k];
        }
        return Math.sqrt(sum);
    }

    /** Mean power of the bins between two frequencies. */
    public double density(double fromHz, double toHz) {
        int from = (int) Math.round(fromHz / binHz);
        int to = (int) Math.round(toHz / binHz);
        double sum = 0;
        for (int k = from; k < to; k++) {
            sum += power[k];
        }
        return sum / (to - from);
    }

    /** The strongest amplitude below a limit that is further than eight bins from every harmonic of a fundamental. */
    public double strongestBetweenHarmonics(double fundamentalHz, double limitHz) {
        double strongest = 0;
        for (int k = 9; k < Math.min(power.length - 1, (int) (limitHz / binHz)); k++) {
            double harmonic = k * binHz / fundamentalHz;
            double distance = Math.abs(harmonic - Math.rint(harmonic)) * fundamentalHz / binHz;
            if (distance > 8) {
                strongest = Math.max(strongest, Math.sqrt(power[k] + power[k - 1] + power[k + 1]));
            }
        }
        return strongest;
    }

    public static double db(double ratio) {
        return 20 * Math.log10(ratio);
    }
}
