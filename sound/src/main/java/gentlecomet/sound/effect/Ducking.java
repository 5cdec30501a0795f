package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Bend;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.EffectParameters;

/** The pump of a kick that is not there: on every division the level drops, waits and comes back along a curve. */
final class Ducking implements Effect {

    private static final double USUAL_BEATS = 1;
    /** The drop takes at least so many effect steps. */
    private static final double FALL_STEPS = 2;

    private final double sampleRate;
    private double phase;
    private double depth;
    private double gain = 1;

    Ducking(double sampleRate) {
        this.sampleRate = sampleRate;
    }

    @Override
    public void reset() {
        phase = 0;
        depth = 0;
        gain = 1;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] left, double[] right) {
        int division = (int) block[at + EffectParameters.DUCKING_RATE];
        double seconds = division == 0 ? USUAL_BEATS * 60 / tempo : Division.seconds(division, tempo);
        double hold = block[at + EffectParameters.DUCKING_HOLD] / 100;
        double rise = phase < hold ? 0 : Bend.at((phase - hold) / (1 - hold), block[at + EffectParameters.DUCKING_CURVE] / 100);
        double wanted = block[at + EffectParameters.DUCKING_DEPTH] * (1 - rise);
        double most = block[at + EffectParameters.DUCKING_DEPTH] / FALL_STEPS;
        depth = wanted > depth ? Math.min(wanted, depth + most) : wanted;
        double next = Polynomials.gainOfDb(-depth);
        double slope = (next - gain) / EffectStep.SAMPLES;
        double g = gain;
        for (int i = 0; i < EffectStep.SAMPLES; i++) {
            g += slope;
            left[i] *= g;
            right[i] *= g;
        }
        gain = next;
        phase += EffectStep.SAMPLES / sampleRate / seconds;
        phase -= Math.floor(phase);
    }

    @Override
    public double reductionDb() {
        return depth;
    }
}
