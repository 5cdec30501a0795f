package gentlecomet.craft.sample;

import gentlecomet.craft.sample.SampledNote.Loop;
import gentlecomet.sound.performance.Audio;
import java.util.Arrays;
import org.jtransforms.fft.DoubleFFT_1D;

/**
 * Finds where a held sound can go round: the stretch before the end is looked for earlier on (normalised cross-correlation, by the discrete Fourier transform),
 * and what is left of the difference is faded over with even power (Fink, Holters and Zoelzer, Signal-matched power-complementary cross-fading, DAFx 2016).
 * Behind the fade the end goes on exactly where the start does.
 */
final class LoopFinder {

    private static final double WINDOW_SECONDS = 0.05;
    /** The attack is left out. */
    private static final double EARLIEST_SECONDS = 0.4;
    private static final double SHORTEST_SECONDS = 0.25;
    /** A sound whose level has moved by more over the loop does not stand still. */
    private static final double STEADY_DB = 3;
    private static final double SILENT = 1e-5;

    private LoopFinder() {
    }

    /** A sound with its loop. @param audio cut at the loop's end, with the fade in it */
    record Looped(Audio audio, Loop loop) {
    }

    /** @param held frames for which the key was held @return null where the sound does not stand still, or is too short */
    static Looped find(Audio audio, int held) {
        int rate = audio.sampleRate();
        int window = (int) (WINDOW_SECONDS * rate);
        int end = Math.min(held, audio.frames()) - 1;
        int first = Math.max(window, (int) (EARLIEST_SECONDS * rate));
        int last = end - (int) (SHORTEST_SECONDS * rate);
        if (last <= first) {
            return null;
        }
        double[] sum = new double[end];
        for (int i = 0; i < end; i++) {
            sum[i] = audio.left()[i] + audio.right()[i];
        }
        double before = power(sum, first - window, first + window);
        double after = power(sum, end - 2 * window, end);
        if (after < SILENT * SILENT || Math.abs(10 * Math.log10(after / before)) > STEADY_DB) {
            return null;
        }
        int start = best(sum, end, window, first, last);
        return new Looped(faded(audio, start, end, window), new Loop(start, end));
    }

    /** Where the stretch before the end is found again best, as the frame behind it. */
    private static int best(double[] sum, int end, int window, int first, int last) {
        int size = Integer.highestOneBit(2 * end - 1) * 2;
        double[] signal = Arrays.copyOf(sum, 2 * size);
        double[] wanted = new double[2 * size];
        for (int i = 0; i < window; i++) {
            wanted[i] = sum[end - window + i];
        }
        DoubleFFT_1D fft = new DoubleFFT_1D(size);
        fft.realForwardFull(signal);
        fft.realForwardFull(wanted);
        for (int i = 0; i < 2 * size; i += 2) {
            double re = signal[i] * wanted[i] + signal[i + 1] * wanted[i + 1];
            signal[i + 1] = signal[i + 1] * wanted[i] - signal[i] * wanted[i + 1];
            signal[i] = re;
        }
        fft.complexInverse(signal, true);
        double energy = 0;
        for (int i = first - window; i < first; i++) {
            energy += sum[i] * sum[i];
        }
        int best = first;
        double most = -2;
        for (int at = first; at <= last; at++) {
            double likeness = signal[2 * (at - window)] / Math.sqrt(Math.max(energy, 1e-20));
            if (likeness > most) {
                most = likeness;
                best = at;
            }
            energy += sum[at] * sum[at] - sum[at - window] * sum[at - window];
        }
        return best;
    }

    private static Audio faded(Audio audio, int start, int end, int window) {
        float[] left = Arrays.copyOf(audio.left(), end);
        float[] right = Arrays.copyOf(audio.right(), end);
        double own = 0;
        double others = 0;
        double shared = 0;
        for (int i = 0; i < window; i++) {
            for (float[] c : new float[][] {audio.left(), audio.right()}) {
                own += (double) c[end - window + i] * c[end - window + i];
                others += (double) c[start - window + i] * c[start - window + i];
                shared += (double) c[end - window + i] * c[start - window + i];
            }
        }
        double likeness = own > 0 && others > 0 ? Math.max(0, Math.min(1, shared / Math.sqrt(own * others))) : 0;
        for (int i = 0; i < window; i++) {
            double w = (i + 1.0) / window;
            double scale = 1 / Math.sqrt((1 - w) * (1 - w) + w * w + 2 * likeness * w * (1 - w));
            left[end - window + i] = (float) (scale * ((1 - w) * audio.left()[end - window + i] + w * audio.left()[start - window + i]));
            right[end - window + i] = (float) (scale * ((1 - w) * audio.right()[end - window + i] + w * audio.right()[start - window + i]));
        }
        return new Audio(left, audio.oneChannel() ? left : right, audio.sampleRate());
    }

    private static double power(double[] x, int from, int to) {
        double sum = 0;
        for (int i = from; i < to; i++) {
            sum += x[i] * x[i];
        }
        return sum / (to - from);
    }
}
