package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.EffectParameters;

/** Attacks and the sound after them, louder or softer, whatever the level: by the difference of a fast and a slow follower in dB. */
final class TransientShaper implements Effect {

    private static final int GRAIN = 4;
    private static final double FULL_DB = 12;

    private final double sampleRate;
    private double fast;
    private double slow;
    private double gain = 1;

    TransientShaper(double sampleRate) {
        this.sampleRate = sampleRate;
    }

    @Override
    public void reset() {
        fast = 0;
        slow = 0;
        gain = 1;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] left, double[] right) {
        double attack = block[at + EffectParameters.TRANSIENT_ATTACK];
        double sustain = block[at + EffectParameters.TRANSIENT_SUSTAIN];
        double quick = Compressor.part(0.001, sampleRate);
        double slowRise = Compressor.part(0.03, sampleRate);
        double fastFall = Compressor.part(0.06, sampleRate);
        double slowFall = Compressor.part(0.4, sampleRate);
        for (int start = 0; start < EffectStep.SAMPLES; start += GRAIN) {
            double peak = 1e-6;
            for (int i = start; i < start + GRAIN; i++) {
                peak = Math.max(peak, Math.max(Math.abs(left[i]), Math.abs(right[i])));
            }
            fast += (peak - fast) * (peak > fast ? quick : fastFall);
            slow += (peak - slow) * (peak > slow ? slowRise : slowFall);
            double lead = Polynomials.dbOfGain((fast + 1e-5) / (slow + 1e-5));
            double rising = Math.max(0, Math.min(1, lead / FULL_DB));
            double falling = Math.max(0, Math.min(1, -lead / FULL_DB));
            double next = Polynomials.gainOfDb(attack * rising + sustain * falling);
            double slope = (next - gain) / GRAIN;
            for (int i = start; i < start + GRAIN; i++) {
                gain += slope;
                left[i] *= gain;
                right[i] *= gain;
            }
            gain = next;
        }
    }
}
