package gentlecomet.sound.engine;

import org.jtransforms.fft.DoubleFFT_1D;

/** Amplitudes of the sine waves in a stretch of sound, by a windowed transform of the reference library JTransforms. */
public final class Spectrum {

    private final double[] power;
    private final double binHz;

    public Spectrum(double[] samples, int from, int length, double sampleRate) {
        double[] data = new double[length];
        double sum = 0;
        for (int i = 0; i < length; i++) {
            // Blackman-Harris, four terms: side lobes at -92 dB (F. J. Harris, 1978).
            double a = 2 * Math.PI * i / length;
            double w = 0.35875 - 0.48829 * Math.cos(a) + 0.14128 * Math.cos(2 * a) - 0.01168 * Math.cos(3 * a);
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
