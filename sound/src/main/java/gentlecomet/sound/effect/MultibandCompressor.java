package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.EffectParameters;

/**
 * Compression in three bands, downward from one level and upward below another. The bands are split by Linkwitz-Riley filters of fourth
 * order (two Butterworth sections each), whose sum is flat.
 */
final class MultibandCompressor implements Effect {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final int GRAIN = 4;
    private static final int BANDS = 3;
    private static final double BUTTERWORTH_Q = 0.7071067811865476;
    private static final double SILENCE_DB = -90;
    private static final double MOST_UP_DB = 24;

    private final double sampleRate;
    private final Biquad[] splits = new Biquad[12];
    private final double[][] left = new double[BANDS][SAMPLES];
    private final double[][] right = new double[BANDS][SAMPLES];
    private final double[] level = new double[BANDS];
    private final double[] gain = {1, 1, 1};
    private double reduction;

    MultibandCompressor(double sampleRate) {
        this.sampleRate = sampleRate;
        for (int i = 0; i < splits.length; i++) {
            splits[i] = new Biquad();
        }
        reset();
    }

    @Override
    public void reset() {
        for (Biquad split : splits) {
            split.reset();
        }
        for (int b = 0; b < BANDS; b++) {
            level[b] = SILENCE_DB;
            gain[b] = 1;
        }
        reduction = 0;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] toLeft, double[] toRight) {
        double low = block[at + EffectParameters.MULTIBAND_LOW];
        double high = Math.max(low * 1.5, block[at + EffectParameters.MULTIBAND_HIGH]);
        for (int i = 0; i < SAMPLES; i++) {
            left[0][i] = toLeft[i];
            right[0][i] = toRight[i];
            left[2][i] = toLeft[i];
            right[2][i] = toRight[i];
        }
        twice(0, Biquad.LOW_PASS, low, left[0], right[0]);
        twice(2, Biquad.HIGH_PASS, low, left[2], right[2]);
        // The low band passes both halves of the upper split, so that its phase stays with the others.
        double[] bothLeft = left[1];
        double[] bothRight = right[1];
        for (int i = 0; i < SAMPLES; i++) {
            bothLeft[i] = left[0][i];
            bothRight[i] = right[0][i];
        }
        twice(4, Biquad.LOW_PASS, high, left[0], right[0]);
        twice(6, Biquad.HIGH_PASS, high, bothLeft, bothRight);
        for (int i = 0; i < SAMPLES; i++) {
            left[0][i] += bothLeft[i];
            right[0][i] += bothRight[i];
            left[1][i] = left[2][i];
            right[1][i] = right[2][i];
        }
        twice(8, Biquad.LOW_PASS, high, left[1], right[1]);
        twice(10, Biquad.HIGH_PASS, high, left[2], right[2]);
        for (int i = 0; i < SAMPLES; i++) {
            toLeft[i] = 0;
            toRight[i] = 0;
        }
        reduction = 0;
        for (int b = 0; b < BANDS; b++) {
            press(b, block, at, toLeft, toRight);
        }
    }

    private void twice(int first, int kind, double hz, double[] l, double[] r) {
        for (int k = first; k < first + 2; k++) {
            splits[k].aim(kind, hz, 0, BUTTERWORTH_Q, sampleRate);
            splits[k].process(l, r);
        }
    }

    private void press(int b, double[] block, int at, double[] toLeft, double[] toRight) {
        double down = block[at + EffectParameters.MULTIBAND_DOWN];
        double downRatio = block[at + EffectParameters.MULTIBAND_DOWN_RATIO];
        double up = Math.min(down, block[at + EffectParameters.MULTIBAND_UP]);
        double upRatio = block[at + EffectParameters.MULTIBAND_UP_RATIO];
        double attack = Compressor.part(block[at + EffectParameters.MULTIBAND_ATTACK], sampleRate);
        double release = Compressor.part(block[at + EffectParameters.MULTIBAND_RELEASE], sampleRate);
        double own = block[at + EffectParameters.MULTIBAND_LEVEL + b];
        double[] l = left[b];
        double[] r = right[b];
        double g = gain[b];
        for (int start = 0; start < SAMPLES; start += GRAIN) {
            double peak = 0;
            for (int i = start; i < start + GRAIN; i++) {
                peak = Math.max(peak, Math.max(Math.abs(l[i]), Math.abs(r[i])));
            }
            double db = peak < 3e-5 ? SILENCE_DB : Polynomials.dbOfGain(peak);
            level[b] += (db - level[b]) * (db > level[b] ? attack : release);
            double change = level[b] > down ? (down - level[b]) * (1 - 1 / downRatio)
                    : level[b] < up && level[b] > SILENCE_DB + 6 ? Math.min(MOST_UP_DB, (up - level[b]) * (1 - 1 / upRatio)) : 0;
            reduction = Math.max(reduction, -change);
            double next = Polynomials.gainOfDb(change + own);
            double slope = (next - g) / GRAIN;
            for (int i = start; i < start + GRAIN; i++) {
                g += slope;
                toLeft[i] += l[i] * g;
                toRight[i] += r[i] * g;
            }
            g = next;
        }
        gain[b] = g;
    }

    @Override
    public double reductionDb() {
        return reduction;
    }
}
