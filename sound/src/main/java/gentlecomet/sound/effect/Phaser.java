package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.EffectParameters;

/** A row of first-order all-passes that move together, with feedback, added to the dry sound; the sides a quarter of a cycle apart. */
final class Phaser implements Effect {

    private static final int[] STAGES = {4, 6, 8, 12};
    private static final int MOST = 12;

    private final double sampleRate;
    private final double[] left = new double[MOST + 1];
    private final double[] right = new double[MOST + 1];
    private final EffectLfo sweep = new EffectLfo();

    Phaser(double sampleRate) {
        this.sampleRate = sampleRate;
    }

    @Override
    public void reset() {
        for (int k = 0; k <= MOST; k++) {
            left[k] = 0;
            right[k] = 0;
        }
        sweep.reset();
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] toLeft, double[] toRight) {
        double rate = Division.rate(block, at + EffectParameters.PHASER_DIVISION, at + EffectParameters.PHASER_RATE, tempo);
        int stages = STAGES[(int) block[at + EffectParameters.PHASER_STAGES]];
        double centre = block[at + EffectParameters.PHASER_CENTRE];
        double depth = block[at + EffectParameters.PHASER_DEPTH];
        double feedback = block[at + EffectParameters.PHASER_FEEDBACK] / 100;
        channel(left, toLeft, stages, centre, depth, 0, rate, feedback);
        channel(right, toRight, stages, centre, depth, 0.25, rate, feedback);
        sweep.advance(rate, sampleRate);
    }

    private void channel(double[] memory, double[] samples, int stages, double centre, double depth, double shift, double rate,
            double feedback) {
        double a = coefficient(centre * Polynomials.exp2(depth * sweep.at(shift)));
        double slope = (coefficient(centre * Polynomials.exp2(depth * sweep.next(shift, rate, sampleRate))) - a) / EffectStep.SAMPLES;
        for (int i = 0; i < EffectStep.SAMPLES; i++) {
            double x = samples[i] + feedback * memory[MOST];
            for (int k = 0; k < stages; k++) {
                double y = a * x + memory[k];
                memory[k] = x - a * y;
                x = y;
            }
            memory[MOST] = x + 1e-20;
            samples[i] = 0.5 * (samples[i] + x);
            a += slope;
        }
    }

    /** All-pass with its turning point at a frequency: (tan - 1) / (tan + 1), tan of pi f / rate. */
    private double coefficient(double hz) {
        double t = Polynomials.tanHalfTurns(Math.min(0.45, hz / sampleRate));
        return (t - 1) / (t + 1);
    }
}
