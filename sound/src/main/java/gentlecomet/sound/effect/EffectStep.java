package gentlecomet.sound.effect;

import gentlecomet.sound.maths.ControlStep;

/** The grain of effects: they work on two control steps of the voices at once, which costs less than one after the other. */
public final class EffectStep {

    /** Control steps that effects take together. */
    public static final int CONTROL_STEPS = 2;
    /** Samples of an effect step. */
    public static final int SAMPLES = CONTROL_STEPS * ControlStep.SAMPLES;
    /** 0, 1, 2 ... as numbers, for straight lines within a step. Never written to. */
    public static final double[] RAMP = ControlStep.ramp(SAMPLES);

    private EffectStep() {
    }

    /** From one place in a line to another, straight within the step, so that nothing jumps. @param from index of the first sample at the old place @param at at the new one */
    static void cross(double[] line, int from, int at, double[] to) {
        for (int i = 0; i < SAMPLES; i++) {
            to[i] = line[from + i] + (line[at + i] - line[from + i]) * (RAMP[i] + 1) / SAMPLES;
        }
    }
}
