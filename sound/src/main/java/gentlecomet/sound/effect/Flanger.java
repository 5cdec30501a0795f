package gentlecomet.sound.effect;

import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.EffectParameters;

/** A short moving delay with feedback, added to the dry sound; the sides a quarter of a cycle apart. */
final class Flanger implements Effect {

    private static final double LONGEST = 0.03;
    /** Samples that reading between samples needs; shorter delays come up at sample rates below 15 kHz only. */
    private static final double SHORTEST = 3;

    private final double sampleRate;
    private final DelayLine left;
    private final DelayLine right;
    private final EffectLfo sweep = new EffectLfo();
    /** Where the last step ended, in samples; nothing before the first. */
    private double delayBefore;
    private double depthBefore;

    Flanger(double sampleRate) {
        this.sampleRate = sampleRate;
        left = new DelayLine(LONGEST * sampleRate);
        right = new DelayLine(LONGEST * sampleRate);
    }

    @Override
    public void reset() {
        left.reset();
        right.reset();
        sweep.reset();
        delayBefore = 0;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] toLeft, double[] toRight) {
        double rate = Division.rate(block, at + EffectParameters.FLANGER_DIVISION, at + EffectParameters.FLANGER_RATE, tempo);
        double depth = block[at + EffectParameters.FLANGER_DEPTH] * sampleRate;
        double delay = Math.max(SHORTEST, block[at + EffectParameters.FLANGER_DELAY] * sampleRate);
        double feedback = block[at + EffectParameters.FLANGER_FEEDBACK] / 100;
        if (delayBefore == 0) {
            delayBefore = delay;
            depthBefore = depth;
        }
        voice(left, toLeft, delay, depth, 0, rate, feedback);
        voice(right, toRight, delay, depth, 0.25, rate, feedback);
        sweep.advance(rate, sampleRate);
        delayBefore = delay;
        depthBefore = depth;
    }

    private void voice(DelayLine line, double[] samples, double delay, double depth, double shift, double rate, double feedback) {
        double length = delayBefore + depthBefore * (1 + sweep.at(shift));
        double slope = (delay + depth * (1 + sweep.next(shift, rate, sampleRate)) - length) / EffectStep.SAMPLES;
        double most = line.longest();
        for (int i = 0; i < EffectStep.SAMPLES; i++) {
            double late = line.at(Math.min(most, length));
            line.put(samples[i] + feedback * late + 1e-20);
            samples[i] = 0.5 * (samples[i] + late);
            length += slope;
        }
    }
}
