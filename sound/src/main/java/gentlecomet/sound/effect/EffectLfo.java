package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;

/** The slow sine that moves an effect: a phase that runs on, read at the ends of each step. */
final class EffectLfo {

    private double phase;

    void reset() {
        phase = 0;
    }

    /** Value at the start of the control step, shifted by a part of a cycle. */
    double at(double shift) {
        return Polynomials.sinCycles(phase + shift);
    }

    /** Value at the end of the step. */
    double next(double shift, double rateHz, double sampleRate) {
        return Polynomials.sinCycles(phase + shift + rateHz * EffectStep.SAMPLES / sampleRate);
    }

    void advance(double rateHz, double sampleRate) {
        phase += rateHz * EffectStep.SAMPLES / sampleRate;
        phase -= Math.floor(phase);
    }
}
