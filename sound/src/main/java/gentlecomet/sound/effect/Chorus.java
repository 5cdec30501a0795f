package gentlecomet.sound.effect;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.EffectParameters;

/** Two moving delays a channel, in quadrature and with the sides apart by the spread. */
final class Chorus implements Effect {

    private static final double LONGEST = 0.065;
    private static final double SHARE = 0.7071067811865476;

    private final double sampleRate;
    private final DelayLine left;
    private final DelayLine right;
    private final Sweep sweep = new Sweep();

    Chorus(double sampleRate) {
        this.sampleRate = sampleRate;
        left = new DelayLine(LONGEST * sampleRate);
        right = new DelayLine(LONGEST * sampleRate);
    }

    @Override
    public void reset() {
        left.reset();
        right.reset();
        sweep.reset();
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] toLeft, double[] toRight) {
        double rate = Division.rate(block, at + EffectParameters.CHORUS_DIVISION, at + EffectParameters.CHORUS_RATE, tempo);
        double depth = block[at + EffectParameters.CHORUS_DEPTH] * sampleRate;
        double delay = block[at + EffectParameters.CHORUS_DELAY] * sampleRate + 2;
        double spread = block[at + EffectParameters.CHORUS_SPREAD] / 100 * 0.25;
        voice(left, toLeft, delay, depth, 0, rate);
        voice(right, toRight, delay, depth, spread, rate);
        sweep.advance(rate, sampleRate);
    }

    private void voice(DelayLine line, double[] samples, double delay, double depth, double shift, double rate) {
        double now = sweep.at(shift);
        // The second delay is half a cycle away, so it moves against the first.
        double slope = depth * (sweep.next(shift, rate, sampleRate) - now) / ControlStep.SAMPLES;
        double one = delay + depth * (1 + now);
        double two = delay * 1.31 + depth * (1 - now);
        line.put(samples, ControlStep.SAMPLES);
        line.twoTaps(ControlStep.SAMPLES, one + 2, two + 2, slope, SHARE, samples);
    }
}
