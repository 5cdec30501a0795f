package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.maths.Remembered;
import gentlecomet.sound.parameter.EffectParameters;

/**
 * A limiter that looks an effect step ahead: the gain that a peak needs is reached in a straight line before the peak comes out, and let
 * go again over the release time. No sample leaves it above the ceiling.
 */
final class Limiter implements Effect {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final double LOG2_E = 1.4426950408889634;

    private final double sampleRate;
    private final double[] heldLeft = new double[SAMPLES];
    private final double[] heldRight = new double[SAMPLES];
    private final Remembered gainOf = new Remembered();
    private final Remembered ceilingOf = new Remembered();
    private final Remembered heldOf = new Remembered();
    /** Greatest gain that the step held back allows. */
    private double allowed = 1;
    /** Gain at the end of the step that went out last, which is no more than the step held back allows. */
    private double present = 1;

    Limiter(double sampleRate) {
        this.sampleRate = sampleRate;
    }

    @Override
    public void reset() {
        for (int i = 0; i < SAMPLES; i++) {
            heldLeft[i] = 0;
            heldRight[i] = 0;
        }
        allowed = 1;
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
        double coming = exceeds(toLeft, toRight, ceiling) ? ceiling / peak(toLeft, toRight) : 1;
        exchange(toLeft, heldLeft);
        exchange(toRight, heldRight);
        double end = Math.min(Math.min(allowed, coming), present + (1 - present) * letGo);
        if (present != 1 || end != 1) {
            double slope = (end - present) / SAMPLES;
            double g = present;
            for (int i = 0; i < SAMPLES; i++) {
                g += slope;
                toLeft[i] *= g;
                toRight[i] *= g;
            }
        }
        present = end;
        allowed = coming;
    }

    private static void scale(double[] left, double[] right, double gain) {
        for (int i = 0; i < SAMPLES; i++) {
            left[i] *= gain;
            right[i] *= gain;
        }
    }

    /** Whether any sample is beyond the ceiling: a question that is sooner answered than how loud the loudest one is. */
    private static boolean exceeds(double[] left, double[] right, double ceiling) {
        double floor = -ceiling;
        for (int i = 0; i < SAMPLES; i++) {
            if (left[i] > ceiling || left[i] < floor || right[i] > ceiling || right[i] < floor) {
                return true;
            }
        }
        return false;
    }

    private static double peak(double[] left, double[] right) {
        double peak = 0;
        for (int i = 0; i < SAMPLES; i++) {
            double a = Math.abs(left[i]);
            double b = Math.abs(right[i]);
            peak = a > peak ? a : peak;
            peak = b > peak ? b : peak;
        }
        return peak;
    }

    /** Puts what comes in in the place of what was held back, and the other way round. */
    private static void exchange(double[] samples, double[] held) {
        for (int i = 0; i < SAMPLES; i++) {
            double s = samples[i];
            samples[i] = held[i];
            held[i] = s;
        }
    }

    @Override
    public double reductionDb() {
        return Math.max(0, -Polynomials.dbOfGain(present));
    }
}
