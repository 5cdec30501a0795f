package gentlecomet.sound.effect;

import gentlecomet.sound.parameter.EffectParameters;

/** Three delays a third of a cycle apart, each moved by a slow and a fast sine, spread over both sides. */
final class Ensemble implements Effect {

    private static final double BASE_SECONDS = 0.009;
    private static final double SLOW_SECONDS = 0.0045;
    private static final double FAST_SECONDS = 0.0006;
    private static final double FAST_RATIO = 9.2;

    private final double sampleRate;
    private final InterpolatedDelayLine left;
    private final InterpolatedDelayLine right;
    private final EffectLfo slow = new EffectLfo();
    private final EffectLfo fast = new EffectLfo();
    private final double[] outLeft = new double[EffectStep.SAMPLES];
    private final double[] outRight = new double[EffectStep.SAMPLES];
    private final double[] lateLeft = new double[EffectStep.SAMPLES];
    private final double[] lateRight = new double[EffectStep.SAMPLES];

    Ensemble(double sampleRate) {
        this.sampleRate = sampleRate;
        left = new InterpolatedDelayLine(0.025 * sampleRate);
        right = new InterpolatedDelayLine(0.025 * sampleRate);
    }

    @Override
    public void reset() {
        left.reset();
        right.reset();
        slow.reset();
        fast.reset();
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] toLeft, double[] toRight) {
        double rate = block[at + EffectParameters.ENSEMBLE_RATE];
        double depth = block[at + EffectParameters.ENSEMBLE_DEPTH] / 100;
        for (int i = 0; i < EffectStep.SAMPLES; i++) {
            outLeft[i] = 0;
            outRight[i] = 0;
        }
        left.put(toLeft, 1);
        right.put(toRight, 1);
        tap(0, depth, rate, 0.62, 0.2);
        tap(1.0 / 3, depth, rate, 0.45, 0.45);
        tap(2.0 / 3, depth, rate, 0.2, 0.62);
        for (int i = 0; i < EffectStep.SAMPLES; i++) {
            toLeft[i] = outLeft[i];
            toRight[i] = outRight[i];
        }
        slow.advance(rate, sampleRate);
        fast.advance(rate * FAST_RATIO, sampleRate);
    }

    private void tap(double shift, double depth, double rate, double toLeft, double toRight) {
        double start = length(depth, slow.at(shift), fast.at(shift));
        double end = length(depth, slow.next(shift, rate, sampleRate), fast.next(shift, rate * FAST_RATIO, sampleRate));
        double slope = (end - start) / EffectStep.SAMPLES;
        left.tap(start, slope, lateLeft);
        right.tap(start, slope, lateRight);
        double acrossLeft = toLeft > toRight ? 0.15 : 0.05;
        double acrossRight = toRight > toLeft ? 0.15 : 0.05;
        for (int i = 0; i < EffectStep.SAMPLES; i++) {
            outLeft[i] = outLeft[i] + lateLeft[i] * toLeft + lateRight[i] * acrossLeft;
            outRight[i] = outRight[i] + lateRight[i] * toRight + lateLeft[i] * acrossRight;
        }
    }

    private double length(double depth, double slowValue, double fastValue) {
        return sampleRate * (BASE_SECONDS + depth * (SLOW_SECONDS * slowValue + FAST_SECONDS * fastValue)) + 4;
    }
}
