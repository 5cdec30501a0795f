package gentlecomet.sound.filter;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.FilterParameters;

/**
 * Three resonant peaks that speak vowels along a path of five. Frequencies: mean formants of men after G. E. Peterson and H. L. Barney, "Control methods used in a study of the
 * vowels", JASA 24, 1952, in the order of {@link FilterParameters#vowel}, with the o of "hoe" from common phonetic tables; levels of our own, as high as keeps each peak audible.
 */
public final class Vowel {

    /** Formants in Hz, three for each vowel: who, hoe, hod, head, heed, hid, had, hawed, hud, heard, hood. */
    private static final double[] FORMANTS = {300, 870, 2240, 450, 800, 2600, 730, 1090, 2440, 530, 1840, 2480, 270, 2290, 3010,
        390, 1990, 2550, 660, 1720, 2410, 570, 840, 2410, 640, 1190, 2390, 490, 1350, 1690, 440, 1020, 2240};
    private static final double[] LEVELS = {1, 0.45, 0.1, 1, 0.5, 0.1, 1, 0.6, 0.25, 1, 0.5, 0.3, 1, 0.35, 0.3,
        1, 0.4, 0.3, 1, 0.55, 0.3, 1, 0.55, 0.12, 1, 0.6, 0.2, 1, 0.55, 0.4, 1, 0.45, 0.12};
    private static final int PEAKS = 3;
    private static final int STOPS = FilterParameters.VOWEL_STOPS;
    private static final double Q_DB = 18;
    private static final double MAKE_UP = 2;

    private final StateVariable[] peaks = {new StateVariable(), new StateVariable(), new StateVariable()};
    private final double[] peakLeft;
    private final double[] peakRight;
    private final double[] sumLeft;
    private final double[] sumRight;

    public Vowel(int frames) {
        peakLeft = new double[frames];
        peakRight = new double[frames];
        sumLeft = new double[frames];
        sumRight = new double[frames];
    }

    /** Forgets everything. */
    public void reset() {
        for (StateVariable peak : peaks) {
            peak.reset();
        }
    }

    /**
     * Filters a block in place.
     *
     * @param place 0 at the first vowel of the path to 1 at the last
     * @param path  block of parameters in which the path stands, from pathAt on
     * @param scale by which all peaks are moved, 1 for a grown voice
     */
    public void process(double[] left, double[] right, int frames, double place, double[] path, int pathAt, double scale, double sampleRate) {
        double stop = Math.max(0, Math.min(1, place)) * (STOPS - 1);
        int first = Math.min(STOPS - 2, (int) stop);
        double part = stop - first;
        int one = PEAKS * vowel(path, pathAt, first);
        int other = PEAKS * vowel(path, pathAt, first + 1);
        for (int i = 0; i < frames; i++) {
            sumLeft[i] = 0;
            sumRight[i] = 0;
        }
        for (int p = 0; p < PEAKS; p++) {
            double hz = scale * hz(one + p, other + p, part);
            double level = level(one + p, other + p, part);
            for (int i = 0; i < frames; i++) {
                peakLeft[i] = left[i];
                peakRight[i] = right[i];
            }
            peaks[p].process(peakLeft, peakRight, frames, FilterParameters.BAND_PASS_12, Math.min(20000, hz), Q_DB, sampleRate);
            double gain = level * Polynomials.gainOfDb(-Q_DB);
            for (int i = 0; i < frames; i++) {
                sumLeft[i] += gain * peakLeft[i];
                sumRight[i] += gain * peakRight[i];
            }
        }
        for (int i = 0; i < frames; i++) {
            left[i] = sumLeft[i];
            right[i] = sumRight[i];
        }
    }

    private static int vowel(double[] path, int at, int stop) {
        return FilterParameters.vowel(stop, (int) path[at + stop]);
    }

    /** Frequency of a peak between two vowels, even in octaves. */
    private static double hz(int one, int other, double part) {
        double low = Polynomials.log2(FORMANTS[one]);
        return Polynomials.exp2(low + (Polynomials.log2(FORMANTS[other]) - low) * part);
    }

    private static double level(int one, int other, double part) {
        return MAKE_UP * (LEVELS[one] + (LEVELS[other] - LEVELS[one]) * part);
    }

    /** Response in dB at a frequency, for pictures. */
    public static double responseDb(double frequencyHz, double place, double[] path, int pathAt, double scale, double sampleRate) {
        double stop = Math.max(0, Math.min(1, place)) * (STOPS - 1);
        int first = Math.min(STOPS - 2, (int) stop);
        double part = stop - first;
        int one = PEAKS * vowel(path, pathAt, first);
        int other = PEAKS * vowel(path, pathAt, first + 1);
        double damping = Polynomials.gainOfDb(-Q_DB);
        double re = 0;
        double im = 0;
        for (int p = 0; p < PEAKS; p++) {
            double hz = Math.min(20000, scale * hz(one + p, other + p, part));
            double level = level(one + p, other + p, part);
            double w = Polynomials.tanHalfTurns(Math.min(0.49, frequencyHz / sampleRate)) / Polynomials.tanHalfTurns(Math.min(0.49, hz / sampleRate));
            // level x i w d / (1 - w^2 + i w d)
            double a = 1 - w * w;
            double b = w * damping;
            double power = a * a + b * b;
            re += level * b * b / power;
            im += level * b * a / power;
        }
        return Math.max(-120, Polynomials.dbOfGain(Math.sqrt(re * re + im * im)));
    }
}
