package gentlecomet.sound.maths;

/** The grain of control: pitch, envelopes and coefficients are worked out once for each step of samples and ramped within it. */
public final class ControlStep {

    /** Samples of a control step. */
    public static final int SAMPLES = 32;
    /** 0, 1, 2 ... as numbers, for straight lines within a step. Never written to. */
    public static final double[] RAMP = ramp(SAMPLES);

    private ControlStep() {
    }

    /** 0, 1, 2 ... as so many numbers. */
    public static double[] ramp(int samples) {
        double[] ramp = new double[samples];
        for (int i = 0; i < samples; i++) {
            ramp[i] = i;
        }
        return ramp;
    }
}
