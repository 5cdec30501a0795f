package gentlecomet.sound.maths;

/** The grain of control: pitch, envelopes and coefficients are worked out once for each step of samples and ramped within it. */
public final class ControlStep {

    /** Samples of a control step. */
    public static final int SAMPLES = 32;
    /** 0, 1, 2 ... as numbers, for straight lines within a step. Never written to. */
    public static final double[] RAMP = ramp();

    private ControlStep() {
    }

    private static double[] ramp() {
        double[] ramp = new double[SAMPLES];
        for (int i = 0; i < SAMPLES; i++) {
            ramp[i] = i;
        }
        return ramp;
    }
}
