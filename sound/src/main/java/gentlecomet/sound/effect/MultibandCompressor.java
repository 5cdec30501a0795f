package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.EffectParameters;

/**
 * Compression in three bands, downward from one level and upward below another. The sum of the bands is flat
 * ({@link BandSplit}).
 */
final class MultibandCompressor implements Effect {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final int GRAIN = 4;
    private static final int BANDS = 3;
    private static final double SILENCE_DB = -90;
    private static final double MOST_UP_DB = 24;

    private final double sampleRate;
    private final BandSplit split;
    private final double[][] dry = new double[2][SAMPLES];
    private final double[] hz = new double[BANDS - 1];
    private final double[] level = new double[BANDS];
    private final double[] gain = {1, 1, 1};
    private double reduction;

    MultibandCompressor(double sampleRate) {
        this.sampleRate = sampleRate;
        split = new BandSplit(BANDS, sampleRate);
        reset();
    }

    @Override
    public void reset() {
        split.reset();
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
        hz[0] = low;
        hz[1] = high;
        split.process(toLeft, toRight, BANDS, hz);
        for (int i = 0; i < SAMPLES; i++) {
            dry[0][i] = split.left(0)[i] + split.left(1)[i] + split.left(2)[i];
            dry[1][i] = split.right(0)[i] + split.right(1)[i] + split.right(2)[i];
        }
        for (int i = 0; i < SAMPLES; i++) {
            toLeft[i] = 0;
            toRight[i] = 0;
        }
        reduction = 0;
        for (int b = 0; b < BANDS; b++) {
            press(b, block, at, toLeft, toRight);
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
        double[] l = split.left(b);
        double[] r = split.right(b);
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
    public double[][] dry() {
        return dry;
    }

    @Override
    public double reductionDb() {
        return reduction;
    }
}
