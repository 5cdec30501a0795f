package gentlecomet.craft.measure;

import gentlecomet.sound.performance.Audio;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.jtransforms.fft.DoubleFFT_1D;

/**
 * Fundamental frequency by the cumulative mean normalised difference (A. de Cheveigné and H. Kawahara, 2002), taken at
 * several moments; the median counts. Where several detuned copies sound together the centre of their energy is the pitch.
 */
public final class PitchFinder {

    private static final int WINDOW = 2400;
    private static final double APERIODIC = 0.25;
    private static final double AS_WELL = 0.1;
    private static final int SHORTEST_LAG = 8;
    private static final int HARMONICS = 8;
    private static final int ROUNDS = 3;
    private static final double TOGETHER_CENTS = 6;
    private static final double NEAR_OCTAVE_CENTS = 100;
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

    /**
     * Mean frequency of the energy within a semitone or so of the first harmonics, brought down to the fundamental. Detuned voices are further apart in higher harmonics, so each
     * harmonic counts by its level and not by its energy, and those that agree count alone; the stretch that is looked at is centred on what was found, until it stands.
     */
    private static double centre(Audio audio, int from, double hz) {
        double[] frame = new double[CENTRE];
        for (int i = 0; i < CENTRE && from + i < audio.frames(); i++) {
            frame[i] = (audio.left()[from + i] + audio.right()[from + i]) * (0.5 - 0.5 * Math.cos(2 * Math.PI * i / CENTRE));
        }
        new DoubleFFT_1D(CENTRE).realForward(frame);
        double found = hz;
        for (int round = 0; round < ROUNDS; round++) {
            found = centreAround(frame, (double) audio.sampleRate() / CENTRE, found);
        }
        return found;
    }

    private static double centreAround(double[] frame, double bin, double hz) {
        List<double[]> centres = new ArrayList<>();
        double weights = 0;
        for (int harmonic = 1; harmonic <= HARMONICS; harmonic++) {
            double middle = hz * harmonic / bin;
            double reach = Math.max(3, middle * (Math.pow(2, REACH_CENTS / 1200) - 1));
            double moment = 0;
            double energy = 0;
            for (int k = (int) Math.max(1, Math.ceil(middle - reach)); k <= Math.min(CENTRE / 2 - 1, middle + reach); k++) {
                double power = frame[2 * k] * frame[2 * k] + frame[2 * k + 1] * frame[2 * k + 1];
                moment += power * k * bin / harmonic;
                energy += power;
            }
            if (energy > 0) {
                centres.add(new double[] {moment / energy, Math.sqrt(energy)});
                weights += Math.sqrt(energy);
            }
        }
        return middle(centres, weights, hz);
    }

    /** The mean of the harmonics around their weighted median: a partial that is no harmonic does not draw the pitch away. */
    private static double middle(List<double[]> centres, double weights, double usual) {
        centres.sort(Comparator.comparingDouble(c -> c[0]));
        double passed = 0;
        double median = usual;
        for (double[] c : centres) {
            if (passed < weights / 2) {
                median = c[0];
            }
            passed += c[1];
        }
        double sum = 0;
        double counted = 0;
        for (double[] c : centres) {
            if (Math.abs(1200 * Math.log(c[0] / median) / Math.log(2)) <= TOGETHER_CENTS) {
                sum += c[0] * c[1];
                counted += c[1];
            }
        }
        return counted == 0 ? usual : sum / counted;
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
        double best = APERIODIC;
        for (int lag = SHORTEST_LAG; lag < longest - 1; lag++) {
            best = Math.min(best, d[lag]);
        }
        // Half a period fits nearly as well where the even harmonics are strong; only the whole one fits about as well as anything does.
        double fits = Math.min(APERIODIC, best + AS_WELL);
        for (int lag = SHORTEST_LAG; lag < longest - 1; lag++) {
            if (d[lag] < fits && d[lag] <= d[lag + 1]) {
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

    /**
     * Distance in cents from a key's pitch. A sound that is whole octaves off plays the key in another octave, so its distance from that octave counts; anything else
     * is told in full: a fifth up is 700 cents, not 500 down.
     */
    public static double centsFromKey(double hz, int key) {
        double cents = cents(hz, key);
        double fromOctave = cents - 1200 * Math.rint(cents / 1200);
        return Math.abs(fromOctave) <= NEAR_OCTAVE_CENTS ? fromOctave : cents;
    }

    /** How far a pitch is above a key of equal temperament at A4 = 440 Hz, in cents. */
    public static double cents(double hz, int key) {
        return 1200 * Math.log(hz / (440 * Math.pow(2, (key - 69) / 12.0))) / Math.log(2);
    }
}
