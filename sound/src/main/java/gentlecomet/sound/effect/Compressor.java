package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.EffectParameters;

/**
 * A compressor for both channels together: feed-forward, peak or mean square level, which may be cut at the lows, soft knee, smoothed in dB with its own attack and release
 * (D. Giannoulis, M. Massberg, J. D. Reiss, "Digital Dynamic Range Compressor Design", JAES 60, 2012). The level is followed for
 * every fourth sample.
 */
public final class Compressor implements Effect {

    private static final int GRAIN = 4;
    private static final double LOG2_E = 1.4426950408889634;
    private static final double FLOOR_DB = -120;
    /** Time constant of the mean square. */
    private static final double MEAN_SECONDS = 0.01;

    private final double sampleRate;
    private final double meanPart;
    private final double[] cutLeft = new double[EffectStep.SAMPLES];
    private final double[] cutRight = new double[EffectStep.SAMPLES];
    private final Biquad[] lowCut = {new Biquad()};
    private double squareLeft;
    private double squareRight;
    private double reduction;
    private double gain = 1;

    Compressor(double sampleRate) {
        this.sampleRate = sampleRate;
        meanPart = part(MEAN_SECONDS, sampleRate);
    }

    @Override
    public void reset() {
        reduction = 0;
        gain = 1;
        squareLeft = 0;
        squareRight = 0;
        lowCut[0].reset();
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] left, double[] right) {
        double threshold = block[at + EffectParameters.COMPRESSOR_THRESHOLD];
        double ratio = block[at + EffectParameters.COMPRESSOR_RATIO];
        double knee = block[at + EffectParameters.COMPRESSOR_KNEE];
        double attack = part(block[at + EffectParameters.COMPRESSOR_ATTACK], sampleRate);
        double release = part(block[at + EffectParameters.COMPRESSOR_RELEASE], sampleRate);
        double makeUp = block[at + EffectParameters.COMPRESSOR_MAKE_UP];
        boolean mean = block[at + EffectParameters.COMPRESSOR_DETECTOR] == 1;
        double[] heardLeft = left;
        double[] heardRight = right;
        double cutHz = block[at + EffectParameters.COMPRESSOR_LOW_CUT];
        if (cutHz > OnePoleCuts.NO_LOW_CUT) {
            heardLeft = cutLeft;
            heardRight = cutRight;
            System.arraycopy(left, 0, cutLeft, 0, EffectStep.SAMPLES);
            System.arraycopy(right, 0, cutRight, 0, EffectStep.SAMPLES);
            Biquad.cut(lowCut, Biquad.HIGH_PASS, 1, cutHz, sampleRate, cutLeft, cutRight);
        }
        for (int start = 0; start < EffectStep.SAMPLES; start += GRAIN) {
            double level = mean ? meanOf(heardLeft, heardRight, start) : peakOf(heardLeft, heardRight, start);
            double db = level < 1e-6 ? FLOOR_DB : Polynomials.dbOfGain(level);
            double wanted = db - curve(db, threshold, ratio, knee);
            reduction += (wanted - reduction) * (wanted > reduction ? attack : release);
            double next = Polynomials.gainOfDb(makeUp - reduction);
            double slope = (next - gain) / GRAIN;
            for (int i = start; i < start + GRAIN; i++) {
                gain += slope;
                left[i] *= gain;
                right[i] *= gain;
            }
            gain = next;
        }
    }

    private static double peakOf(double[] left, double[] right, int start) {
        double peak = 0;
        for (int i = start; i < start + GRAIN; i++) {
            peak = Math.max(peak, Math.max(Math.abs(left[i]), Math.abs(right[i])));
        }
        return peak;
    }

    /** Root of the mean square of the louder channel, followed with a time constant. */
    private double meanOf(double[] left, double[] right, int start) {
        double l = 0;
        double r = 0;
        for (int i = start; i < start + GRAIN; i++) {
            l += left[i] * left[i];
            r += right[i] * right[i];
        }
        squareLeft += (l / GRAIN - squareLeft) * meanPart;
        squareRight += (r / GRAIN - squareRight) * meanPart;
        return Math.sqrt(Math.max(squareLeft, squareRight));
    }

    /** Part of the way that is gone in one grain, for a time in which 63 % are gone. */
    static double part(double seconds, double sampleRate) {
        return 1 - Polynomials.exp2(-GRAIN / (seconds * sampleRate) * LOG2_E);
    }

    /** Level out for a level in, both in dB, at rest: the static curve with a soft knee. */
    public static double curve(double db, double threshold, double ratio, double knee) {
        double over = db - threshold;
        if (2 * over < -knee) {
            return db;
        }
        if (2 * over > knee || knee == 0) {
            return threshold + over / ratio;
        }
        double into = over + knee / 2;
        return db + (1 / ratio - 1) * into * into / (2 * knee);
    }

    @Override
    public double reductionDb() {
        return reduction;
    }
}
