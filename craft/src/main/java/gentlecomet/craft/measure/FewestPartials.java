package gentlecomet.craft.measure;

import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import org.jtransforms.fft.DoubleFFT_1D;

/**
 * How few partials of a source sound the same as all of them: the least number with which no third of an octave that can be heard
 * changes by more than 1 dB at any time. One decibel is about the smallest change of level that is noticed, and what
 * lies 40 dB below the strongest band of its moment is taken to be masked (both common practice).
 */
public final class FewestPartials {

    private static final double NOTICED_DB = 1;
    private static final double MASKED_DB = 40;
    private static final int FRAME = 4096;
    private static final int HOP = 4800;
    private static final int MOMENTS = 12;
    private static final int BANDS = 28;
    private static final double LOWEST_HZ = 31.5;

    private final Rendering rendering;

    public FewestPartials(Recordings recordings) {
        rendering = new Rendering(Measuring.RATE, recordings);
    }

    /** What was found. */
    public record Result(int before, int fewest, double largestChangeDb) {
    }

    /**
     * @param layer  counted from 0
     * @param source counted from 0; its wave has partials (partials or a struck body)
     * @throws IllegalArgumentException when it has not
     */
    public Result of(Patch patch, int layer, int source) {
        int at = Parameters.ofSource(layer, source, 0);
        int wave = (int) patch.value(at + SourceParameters.WAVE);
        if (wave != SourceParameters.WAVE_BODY && wave != SourceParameters.WAVE_PARTIALS) {
            throw new IllegalArgumentException("only partials and struck bodies have partials to count");
        }
        int count = at + (wave == SourceParameters.WAVE_BODY ? SourceParameters.BODY_PARTIALS : SourceParameters.PARTIAL_COUNT);
        int before = (int) patch.value(count);
        double[][] all = bands(patch, count, before);
        int low = 1;
        int high = before;
        while (low < high) {
            int middle = (low + high) / 2;
            if (change(all, bands(patch, count, middle)) <= NOTICED_DB) {
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return new Result(before, high, change(all, bands(patch, count, high)));
    }

    private double[][] bands(Patch patch, int parameter, int partials) {
        double[] image = PatchImage.of(patch.withValue(Parameters.at(parameter), partials));
        int key = Measuring.probeKey(patch);
        Audio audio = rendering.render(image, Phrase.single(key, 100, 1), 1, Rendering.ControllerState.AT_REST).audio();
        double[][] bands = new double[MOMENTS][];
        for (int m = 0; m < MOMENTS; m++) {
            bands[m] = thirds(audio, m * HOP);
        }
        return bands;
    }

    private static double[] thirds(Audio audio, int start) {
        double[] x = new double[FRAME];
        for (int i = 0; i < FRAME && start + i < audio.frames(); i++) {
            x[i] = (audio.left()[start + i] + audio.right()[start + i]) * (0.5 - 0.5 * Math.cos(2 * Math.PI * i / FRAME));
        }
        new DoubleFFT_1D(FRAME).realForward(x);
        double[] bands = new double[BANDS];
        for (int k = 1; k < FRAME / 2; k++) {
            int band = (int) Math.rint(3 * Math.log((double) k * Measuring.RATE / FRAME / LOWEST_HZ) / Math.log(2));
            if (band >= 0 && band < BANDS) {
                bands[band] += x[2 * k] * x[2 * k] + x[2 * k + 1] * x[2 * k + 1];
            }
        }
        for (int b = 0; b < BANDS; b++) {
            bands[b] = 10 * Math.log10(bands[b] + 1e-12);
        }
        return bands;
    }

    private static double change(double[][] all, double[][] fewer) {
        double most = 0;
        double loudest = -120;
        for (double[] moment : all) {
            for (double db : moment) {
                loudest = Math.max(loudest, db);
            }
        }
        for (int m = 0; m < all.length; m++) {
            double strongest = -120;
            for (double db : all[m]) {
                strongest = Math.max(strongest, db);
            }
            for (int b = 0; b < all[m].length; b++) {
                // What is far below the strongest of its moment, or the whole moment below 60 dB, is not noticed.
                if (Math.max(all[m][b], fewer[m][b]) > strongest - MASKED_DB && strongest > loudest - 60) {
                    most = Math.max(most, Math.abs(all[m][b] - fewer[m][b]));
                }
            }
        }
        return most;
    }
}
