package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.EffectParameters;

/**
 * A compressor for both channels together: feed-forward, peak level, soft knee, smoothed in dB with its own attack and release
 * (D. Giannoulis, M. Massberg, J. D. Reiss, "Digital Dynamic Range Compressor Design", JAES 60, 2012). The level is followed for
 * every fourth sample.
 */
public final class Compressor implements Effect {

    private static final int GRAIN = 4;
    private static final double LOG2_E = 1.4426950408889634;
    private static final double FLOOR_DB = -120;

    private final double sampleRate;
    private double reduction;
    private double gain = 1;

    Compressor(double sampleRate) {
        this.sampleRate = sampleRate;
    }

    @Override
    public void reset() {
        reduction = 0;
        gain = 1;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] left, double[] right) {
        double threshold = block[at + EffectParameters.COMPRESSOR_THRESHOLD];
        double ratio = block[at + EffectParameters.COMPRESSOR_RATIO];
        double knee = block[at + EffectParameters.COMPRESSOR_KNEE];
        double attack = part(block[at + EffectParameters.COMPRESSOR_ATTACK], sampleRate);
        double release = part(block[at + EffectParameters.COMPRESSOR_RELEASE], sampleRate);
        double makeUp = block[at + EffectParameters.COMPRESSOR_MAKE_UP];
        for (int start = 0; start < EffectStep.SAMPLES; start += GRAIN) {
            double peak = 0;
            for (int i = start; i < start + GRAIN; i++) {
                peak = Math.max(peak, Math.max(Math.abs(left[i]), Math.abs(right[i])));
            }
            double db = peak < 1e-6 ? FLOOR_DB : Polynomials.dbOfGain(peak);
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
