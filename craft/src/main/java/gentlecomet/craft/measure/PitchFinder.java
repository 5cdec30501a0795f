package gentlecomet.craft.measure;

import gentlecomet.sound.performance.Audio;
import java.util.Arrays;
import org.jtransforms.fft.DoubleFFT_1D;

/**
 * Fundamental frequency by the cumulative mean normalised difference (A. de Cheveigné and H. Kawahara, 2002), taken at
 * several moments; the median counts. Where several detuned copies sound together the centre of their energy is the pitch.
 */
public final class PitchFinder {

    private static final int WINDOW = 2400;
    private static final double APERIODIC = 0.25;
    private static final int MOMENTS = 7;
    private static final int CENTRE = 32768;
    private static final double REACH_CENTS = 60;

    private PitchFinder() {
    }

    /**
     * The frequency of a held sound between two moments.
     *
     * @return Hz, or NaN where the sound has no clear pitch
     */
    public static double hz(Audio audio, double fromSeconds, double toSeconds) {
        int rate = audio.sampleRate();
        int longest = Math.min(rate / 25, 2000);
        int from = (int) (fromSeconds * rate);
        int to = Math.min(audio.frames(), (int) (toSeconds * rate)) - WINDOW - longest;
        if (to <= from) {
            return Double.NaN;
        }
        double[] found = new double[MOMENTS];
        int count = 0;
        for (int m = 0; m < MOMENTS; m++) {
            double hz = at(audio, from + (to - from) * m / (MOMENTS - 1), longest, rate);
            if (!Double.isNaN(hz)) {
                found[count++] = hz;
            }
        }
        if (count <= MOMENTS / 2) {
            return Double.NaN;
        }
        double[] kept = Arrays.copyOf(found, count);
        Arrays.sort(kept);
        return centre(audio, from, kept[count / 2]);
    }

    /** Mean frequency of the energy within a semitone or so of the first harmonics, brought down to the fundamental. */
    private static double centre(Audio audio, int from, double hz) {
        double[] frame = new double[CENTRE];
        for (int i = 0; i < CENTRE && from + i < audio.frames(); i++) {
            frame[i] = (audio.left()[from + i] + audio.right()[from + i]) * (0.5 - 0.5 * Math.cos(2 * Math.PI * i / CENTRE));
        }
        new DoubleFFT_1D(CENTRE).realForward(frame);
        double bin = (double) audio.sampleRate() / CENTRE;
        double weighted = 0;
        double energy = 0;
        for (int harmonic = 1; harmonic <= 4; harmonic++) {
            double middle = hz * harmonic / bin;
            int reach = (int) Math.max(3, middle * (Math.pow(2, REACH_CENTS / 1200) - 1));
            for (int k = Math.max(1, (int) middle - reach); k <= Math.min(CENTRE / 2 - 1, (int) Math.ceil(middle) + reach); k++) {
                double power = frame[2 * k] * frame[2 * k] + frame[2 * k + 1] * frame[2 * k + 1];
                weighted += power * k * bin / harmonic;
                energy += power;
            }
        }
        return energy == 0 ? hz : weighted / energy;
    }

    private static double at(Audio audio, int start, int longest, int rate) {
        double[] x = new double[WINDOW + longest];
        for (int i = 0; i < x.length; i++) {
            x[i] = audio.left()[start + i] + audio.right()[start + i];
        }
        double[] d = differences(x, longest);
        d[0] = 1;
        double total = 0;
        for (int lag = 1; lag < longest; lag++) {
            total += d[lag];
            d[lag] = total == 0 ? 1 : d[lag] * lag / total;
        }
        for (int lag = 8; lag < longest - 1; lag++) {
            if (d[lag] < APERIODIC && d[lag] <= d[lag + 1]) {
                double a = d[lag - 1];
                double b = d[lag];
                double c = d[lag + 1];
                double bend = a - 2 * b + c;
                return rate / (lag + (bend == 0 ? 0 : 0.5 * (a - c) / bend));
            }
        }
        return Double.NaN;
    }

    /** Sums of squared differences of the first samples and those a lag later: both energies less twice their correlation, which is made by FFT. */
    private static double[] differences(double[] x, int longest) {
        int size = 2 * Integer.highestOneBit(x.length);
        double[] all = Arrays.copyOf(x, size);
        double[] first = Arrays.copyOf(Arrays.copyOf(x, WINDOW), size);
        DoubleFFT_1D transform = new DoubleFFT_1D(size);
        transform.realForward(all);
        transform.realForward(first);
        double[] product = new double[size];
        product[0] = all[0] * first[0];
        product[1] = all[1] * first[1];
        for (int k = 2; k < size; k += 2) {
            product[k] = all[k] * first[k] + all[k + 1] * first[k + 1];
            product[k + 1] = all[k + 1] * first[k] - all[k] * first[k + 1];
        }
        transform.realInverse(product, true);
        double fixed = 0;
        for (int i = 0; i < WINDOW; i++) {
            fixed += x[i] * x[i];
        }
        double[] d = new double[longest];
        double moving = fixed;
        for (int lag = 1; lag < longest; lag++) {
            moving += x[lag + WINDOW - 1] * x[lag + WINDOW - 1] - x[lag - 1] * x[lag - 1];
            d[lag] = Math.max(0, fixed + moving - 2 * product[lag]);
        }
        return d;
    }

    /** Distance in cents from a key's pitch or its nearest octave, -600 to 600. */
    public static double centsFromKey(double hz, int key) {
        double cents = 1200 * Math.log(hz / (440 * Math.pow(2, (key - 69) / 12.0))) / Math.log(2);
        return cents - 1200 * Math.rint(cents / 1200);
    }
}
