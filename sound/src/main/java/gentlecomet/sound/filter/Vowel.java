package gentlecomet.sound.filter;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.FilterParameters;

/**
 * Three resonant peaks that speak the vowels u, o, a, e, i. Frequencies: mean formants of men after G. E. Peterson and H. L. Barney (1952),
 * with o and e from common phonetic tables.
 */
public final class Vowel {

    /** Formants in Hz, three for each vowel. */
    private static final double[] FORMANTS = {300, 870, 2240, 450, 800, 2600, 730, 1090, 2440, 530, 1840, 2480, 270, 2290, 3010};
    private static final double[] LEVELS = {1, 0.45, 0.1, 1, 0.5, 0.1, 1, 0.6, 0.25, 1, 0.5, 0.3, 1, 0.35, 0.3};
    private static final int PEAKS = 3;
    private static final int VOWELS = 5;
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
     * @param vowel 0 (u) to 1 (i)
     * @param scale by which all peaks are moved, 1 for a grown voice
     */
    public void process(double[] left, double[] right, int frames, double vowel, double scale, double sampleRate) {
        double place = Math.max(0, Math.min(1, vowel)) * (VOWELS - 1);
        int first = Math.min(VOWELS - 2, (int) place);
        double part = place - first;
        for (int i = 0; i < frames; i++) {
            sumLeft[i] = 0;
            sumRight[i] = 0;
        }
        for (int p = 0; p < PEAKS; p++) {
            double low = Polynomials.log2(FORMANTS[PEAKS * first + p]);
            double high = Polynomials.log2(FORMANTS[PEAKS * (first + 1) + p]);
            double hz = scale * Polynomials.exp2(low + (high - low) * part);
            double level = MAKE_UP * (LEVELS[PEAKS * first + p] + (LEVELS[PEAKS * (first + 1) + p] - LEVELS[PEAKS * first + p]) * part);
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

    /** Response in dB at a frequency, for pictures. */
    public static double responseDb(double frequencyHz, double vowel, double scale, double sampleRate) {
        double place = Math.max(0, Math.min(1, vowel)) * (VOWELS - 1);
        int first = Math.min(VOWELS - 2, (int) place);
        double part = place - first;
        double damping = Polynomials.gainOfDb(-Q_DB);
        double re = 0;
        double im = 0;
        for (int p = 0; p < PEAKS; p++) {
            double low = Polynomials.log2(FORMANTS[PEAKS * first + p]);
            double high = Polynomials.log2(FORMANTS[PEAKS * (first + 1) + p]);
            double hz = Math.min(20000, scale * Polynomials.exp2(low + (high - low) * part));
            double level = MAKE_UP * (LEVELS[PEAKS * first + p] + (LEVELS[PEAKS * (first + 1) + p] - LEVELS[PEAKS * first + p]) * part);
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
