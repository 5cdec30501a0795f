package gentlecomet.sound.effect;

import gentlecomet.sound.maths.CachedGain;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.EffectParameters;

/**
 * A limiter that looks 72 samples ahead: the gain that a peak needs is reached in a straight line before the peak comes out, and let
 * go again over the release time. Neither a sample nor, as ITU-R BS.1770-4 reads it, the wave between two leaves it above the ceiling.
 */
final class Limiter implements Effect {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final int REACH = InterSample.REACH;
    /** What comes in stands here in the line; a whole step and the reach of the interpolation before it is what goes out now. */
    private static final int NEWEST = SAMPLES + 2 * REACH;
    private static final int LENGTH = NEWEST + SAMPLES;
    private static final int LEAVING = REACH;
    private static final int COMING = LEAVING + SAMPLES;
    private static final double LOG2_E = 1.4426950408889634;
    /** A wave goes at most this much higher between two samples than at both of them, in what is worth a closer look. */
    private static final double WORTH_A_LOOK = 0.7;
    /** For what the interpolation does not see, and for gain that moves between samples: 0.03 dB. */
    private static final double CARE = 0.99655;

    private final double sampleRate;
    private final double[] lineLeft = new double[LENGTH];
    private final double[] lineRight = new double[LENGTH];
    private final CachedGain gainOf = new CachedGain();
    private final CachedGain ceilingOf = new CachedGain();
    private final CachedGain heldOf = new CachedGain();
    /** Greatest gain that the step which goes out next allows. */
    private double allowed = 1;
    /** Gain at the end of the step that went out last, which is no more than the next one allows. */
    private double present = 1;

    Limiter(double sampleRate) {
        this.sampleRate = sampleRate;
    }

    @Override
    public void reset() {
        for (int i = 0; i < LENGTH; i++) {
            lineLeft[i] = 0;
            lineRight[i] = 0;
        }
        allowed = 1;
        present = 1;
    }

    @Override
    public int latency() {
        return NEWEST - LEAVING;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] toLeft, double[] toRight) {
        double gain = gainOf.gainOfDb(block[at + EffectParameters.LIMITER_GAIN]);
        double ceiling = ceilingOf.gainOfDb(block[at + EffectParameters.LIMITER_CEILING]);
        double letGo = 1 - heldOf.exp2(-SAMPLES / (block[at + EffectParameters.LIMITER_RELEASE] * sampleRate) * LOG2_E);
        take(toLeft, lineLeft, gain);
        take(toRight, lineRight, gain);
        double look = ceiling * WORTH_A_LOOK;
        double peak = exceeds(look) ? Math.max(peak(lineLeft, look), peak(lineRight, look)) : 0;
        double coming = peak > ceiling * CARE ? ceiling * CARE / peak : 1;
        double end = Math.min(Math.min(allowed, coming), present + (1 - present) * letGo);
        if (present == 1 && end == 1) {
            System.arraycopy(lineLeft, LEAVING, toLeft, 0, SAMPLES);
            System.arraycopy(lineRight, LEAVING, toRight, 0, SAMPLES);
        } else {
            double slope = (end - present) / SAMPLES;
            double g = present;
            for (int i = 0; i < SAMPLES; i++) {
                g += slope;
                toLeft[i] = lineLeft[LEAVING + i] * g;
                toRight[i] = lineRight[LEAVING + i] * g;
            }
        }
        present = end;
        allowed = coming;
    }

    private static void take(double[] samples, double[] line, double gain) {
        System.arraycopy(line, SAMPLES, line, 0, LENGTH - SAMPLES);
        for (int i = 0; i < SAMPLES; i++) {
            line[NEWEST + i] = samples[i] * gain;
        }
    }

    /** Whether any sample of the coming step is beyond a level: a question that is sooner answered than how loud the loudest one is. */
    private boolean exceeds(double level) {
        double floor = -level;
        for (int i = COMING; i <= COMING + SAMPLES; i++) {
            double l = lineLeft[i];
            double r = lineRight[i];
            if (l > level || l < floor || r > level || r < floor) {
                return true;
            }
        }
        return false;
    }

    /** Greatest value of the coming step, at its samples and between them. */
    private static double peak(double[] line, double look) {
        double peak = 0;
        for (int i = COMING; i < COMING + SAMPLES; i++) {
            double a = Math.abs(line[i]);
            double b = Math.abs(line[i + 1]);
            peak = a > peak ? a : peak;
            if (a > look || b > look) {
                double between = InterSample.peak(line, i);
                peak = between > peak ? between : peak;
            }
        }
        return peak;
    }

    @Override
    public double reductionDb() {
        return Math.max(0, -Polynomials.dbOfGain(present));
    }
}
