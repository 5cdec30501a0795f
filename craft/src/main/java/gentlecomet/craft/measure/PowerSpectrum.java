package gentlecomet.craft.measure;

import gentlecomet.sound.performance.Audio;
import org.jtransforms.fft.DoubleFFT_1D;

/** Mean power of a stretch of sound over frequency (Hann windows that overlap by half; P. D. Welch, 1967). Two channels, their sum and their difference are kept apart. */
public final class PowerSpectrum {

    private static final int SIZE = 8192;
    private static final double SIXTH = Math.pow(2, 1 / 6.0);

    private final double[] sides = new double[SIZE / 2];
    private final double[] middle = new double[SIZE / 2];
    private final double[] difference = new double[SIZE / 2];
    private final double binHz;

    private PowerSpectrum(int sampleRate) {
        binHz = (double) sampleRate / SIZE;
    }

    /** @param from first frame @param to frame after the last; a stretch that is shorter than a window is followed by silence */
    public static PowerSpectrum of(Audio audio, int from, int to) {
        PowerSpectrum spectrum = new PowerSpectrum(audio.sampleRate());
        DoubleFFT_1D transform = new DoubleFFT_1D(SIZE);
        double[] left = new double[SIZE];
        double[] right = new double[SIZE];
        int windows = 0;
        for (int start = from; start == from || start + SIZE <= to; start += SIZE / 2) {
            for (int i = 0; i < SIZE; i++) {
                boolean within = start + i < Math.min(to, audio.frames());
                double window = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / SIZE);
                left[i] = within ? audio.left()[start + i] * window : 0;
                right[i] = within ? audio.right()[start + i] * window : 0;
            }
            transform.realForward(left);
            transform.realForward(right);
            spectrum.add(left, right);
            windows++;
        }
        // Half of all, as one side of the spectrum stands for both; the window's mean square is 3/8.
        spectrum.scale(2 / (windows * 0.375 * SIZE * SIZE));
        return spectrum;
    }

    private void add(double[] left, double[] right) {
        for (int k = 1; k < SIZE / 2; k++) {
            double lr = left[2 * k];
            double li = left[2 * k + 1];
            double rr = right[2 * k];
            double ri = right[2 * k + 1];
            sides[k] += 0.5 * (lr * lr + li * li + rr * rr + ri * ri);
            middle[k] += 0.25 * ((lr + rr) * (lr + rr) + (li + ri) * (li + ri));
            difference[k] += 0.25 * ((lr - rr) * (lr - rr) + (li - ri) * (li - ri));
        }
    }

    private void scale(double by) {
        for (int k = 0; k < SIZE / 2; k++) {
            sides[k] *= by;
            middle[k] *= by;
            difference[k] *= by;
        }
    }

    /** Mean square of a channel between two frequencies in Hz: 0.5 for a sine at full scale on both sides. */
    public double power(double low, double high) {
        return sum(sides, low, high);
    }

    /** The same of half the sum of the channels. */
    public double middle(double low, double high) {
        return sum(middle, low, high);
    }

    /** The same of half their difference. */
    public double side(double low, double high) {
        return sum(difference, low, high);
    }

    /**
     * What this has more than another one, against all of it, in dB: summed over sixths of an octave in which it has more than twice as much. Noise, which differs from time to time, does
     * not count that way; partials in places where the other has none do.
     */
    public double risesAbove(PowerSpectrum other, double low, double high) {
        double added = 0;
        for (double from = low; from < high; from *= SIXTH) {
            double own = power(from, Math.min(high, from * SIXTH));
            double there = other.power(from, Math.min(high, from * SIXTH));
            added += own > 2 * there ? own - there : 0;
        }
        return 10 * Math.log10(added / (power(20, 22000) + 1e-30) + 1e-12);
    }

    /** The part of the power above a frequency that lies in its strongest third of an octave, 0 to 1. @param low in Hz */
    public double strongestThird(double low) {
        double strongest = 0;
        for (double centre = low * 1.12; centre < 16000; centre *= 1.12) {
            strongest = Math.max(strongest, power(centre / 1.1225, centre * 1.1225));
        }
        return strongest / Math.max(1e-30, power(20, 20000));
    }

    private double sum(double[] powers, double low, double high) {
        double sum = 0;
        for (int k = Math.max(1, (int) Math.ceil(low / binHz)); k < powers.length && k * binHz < high; k++) {
            sum += powers[k];
        }
        return sum;
    }
}
