package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.EffectParameters;

/** Fewer bits and a lower sample rate: values are rounded to steps of 2 / 2^bits and held. */
final class Bitcrusher implements Effect {

    private final double sampleRate;
    private double clock = 1;
    private double heldLeft;
    private double heldRight;

    Bitcrusher(double sampleRate) {
        this.sampleRate = sampleRate;
    }

    @Override
    public void reset() {
        clock = 1;
        heldLeft = 0;
        heldRight = 0;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] left, double[] right) {
        double steps = Polynomials.exp2(block[at + EffectParameters.BITCRUSHER_BITS] - 1);
        double pace = Math.min(1, block[at + EffectParameters.BITCRUSHER_RATE] / sampleRate);
        for (int i = 0; i < EffectStep.SAMPLES; i++) {
            clock += pace;
            if (clock >= 1) {
                clock -= 1;
                heldLeft = Math.floor(left[i] * steps + 0.5) / steps;
                heldRight = Math.floor(right[i] * steps + 0.5) / steps;
            }
            left[i] = heldLeft;
            right[i] = heldRight;
        }
    }
}
