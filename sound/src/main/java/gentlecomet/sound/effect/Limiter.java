package gentlecomet.sound.effect;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.maths.Remembered;
import gentlecomet.sound.parameter.EffectParameters;

/**
 * A limiter that looks two control steps ahead: the gain that a peak needs is reached in a straight line before the peak
 * comes out, and let go again over the release time. No sample leaves it above the ceiling.
 */
final class Limiter implements Effect {

    private static final int SAMPLES = ControlStep.SAMPLES;
    private static final double LOG2_E = 1.4426950408889634;

    private final double sampleRate;
    private final double[][] left = new double[2][SAMPLES];
    private final double[][] right = new double[2][SAMPLES];
    /** Greatest gain that the steps held back and the new one allow. */
    private final double[] allowed = {1, 1, 1};
    private final Remembered gainOf = new Remembered();
    private final Remembered ceilingOf = new Remembered();
    private final Remembered heldOf = new Remembered();
    private double present = 1;
    private int oldest;

    Limiter(double sampleRate) {
        this.sampleRate = sampleRate;
    }

    @Override
    public void reset() {
        for (int s = 0; s < 2; s++) {
            for (int i = 0; i < SAMPLES; i++) {
                left[s][i] = 0;
                right[s][i] = 0;
            }
        }
        oldest = 0;
        allowed[0] = 1;
        allowed[1] = 1;
        allowed[2] = 1;
        present = 1;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] toLeft, double[] toRight) {
        double gain = gainOf.gainOfDb(block[at + EffectParameters.LIMITER_GAIN]);
        double ceiling = ceilingOf.gainOfDb(block[at + EffectParameters.LIMITER_CEILING]);
        double letGo = 1 - heldOf.exp2(-SAMPLES / (block[at + EffectParameters.LIMITER_RELEASE] * sampleRate) * LOG2_E);
        if (gain != 1) {
            scale(toLeft, toRight, gain);
        }
        double peak = exchange(toLeft, toRight, left[oldest], right[oldest]);
        oldest = 1 - oldest;
        allowed[0] = allowed[1];
        allowed[1] = allowed[2];
        allowed[2] = peak > ceiling ? ceiling / peak : 1;
        // At the end of the step that goes out now the gain may be what this and the next step allow.
        double most = Math.min(allowed[0], allowed[1]);
        double wanted = Math.min(most, present + (1 - present) * letGo);
        double soon = Math.min(most, allowed[2]);
        wanted = Math.min(wanted, Math.max(soon, present + (soon - present) * 0.5));
        double from = Math.min(present, allowed[0]);
        if (from != 1 || wanted != 1) {
            double slope = (wanted - from) / SAMPLES;
            double g = from;
            for (int i = 0; i < SAMPLES; i++) {
                g += slope;
                toLeft[i] *= g;
                toRight[i] *= g;
            }
        }
        present = wanted;
    }

    private static void scale(double[] left, double[] right, double gain) {
        for (int i = 0; i < SAMPLES; i++) {
            left[i] *= gain;
            right[i] *= gain;
        }
    }

    /** Puts what comes in in the place of what was held back, and the other way round; answers the greatest level of what comes in. */
    private static double exchange(double[] left, double[] right, double[] heldLeft, double[] heldRight) {
        double peak = 0;
        for (int i = 0; i < SAMPLES; i++) {
            double l = left[i];
            double r = right[i];
            double a = Math.abs(l);
            double b = Math.abs(r);
            peak = a > peak ? a : peak;
            peak = b > peak ? b : peak;
            left[i] = heldLeft[i];
            right[i] = heldRight[i];
            heldLeft[i] = l;
            heldRight[i] = r;
        }
        return peak;
    }

    @Override
    public double reductionDb() {
        return Math.max(0, -Polynomials.dbOfGain(present));
    }
}
