package gentlecomet.sound.effect;

import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.EffectParameters;

/** Two moving delays a channel, in quadrature and with the sides apart by the spread. */
final class Chorus implements Effect {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final double LONGEST = 0.065;
    private static final double SHARE = 0.7071067811865476;
    /** How much longer the second delay is, so that the two never fall together. */
    private static final double SECOND = 1.31;
    /** Samples that reading between samples needs, twice over. */
    private static final double LAG = 2;

    private final double sampleRate;
    private final Side left;
    private final Side right;
    private final EffectLfo sweep = new EffectLfo();

    Chorus(double sampleRate) {
        this.sampleRate = sampleRate;
        left = new Side(LONGEST * sampleRate);
        right = new Side(LONGEST * sampleRate);
    }

    @Override
    public void reset() {
        left.reset();
        right.reset();
        sweep.reset();
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] left, double[] right) {
        process(block, at, tempo, left, right, left, right);
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] inLeft, double[] inRight, double[] toLeft, double[] toRight) {
        double rate = Division.rate(block, at + EffectParameters.CHORUS_DIVISION, at + EffectParameters.CHORUS_RATE, tempo);
        double depth = block[at + EffectParameters.CHORUS_DEPTH] * sampleRate;
        double delay = block[at + EffectParameters.CHORUS_DELAY] * sampleRate;
        double spread = block[at + EffectParameters.CHORUS_SPREAD] / 100 * 0.25;
        if (left.fresh) {
            left.begin(delay, depth, sweep.at(0));
            right.begin(delay, depth, sweep.at(spread));
        }
        sweep.advance(rate, sampleRate);
        left.process(inLeft, delay, depth, sweep.at(0), toLeft);
        right.process(inRight, delay, depth, sweep.at(spread), toRight);
    }

    /** One channel. Its delays go from where they stood to where the sweep stands at the end of the step. */
    private static final class Side {

        private final InterpolatedDelayLine line;
        private boolean fresh = true;
        private double one;
        private double two;

        Side(double longest) {
            line = new InterpolatedDelayLine(longest);
        }

        void reset() {
            line.reset();
            fresh = true;
        }

        void begin(double delay, double depth, double swing) {
            fresh = false;
            one = first(delay, depth, swing);
            two = second(delay, depth, swing);
        }

        void process(double[] samples, double delay, double depth, double swing, double[] to) {
            double endOne = first(delay, depth, swing);
            double endTwo = second(delay, depth, swing);
            line.put(samples, SHARE);
            line.tap(one, (endOne - one) / SAMPLES, to);
            line.addTap(two, (endTwo - two) / SAMPLES, to);
            one = endOne;
            two = endTwo;
        }

        private static double first(double delay, double depth, double swing) {
            return delay + depth * (1 + swing) + 2 * LAG;
        }

        /** Half a cycle away, so it moves against the first. */
        private static double second(double delay, double depth, double swing) {
            return (delay + LAG) * SECOND + depth * (1 - swing) + LAG;
        }
    }
}
