package gentlecomet.sound.filter;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.HalfBand;
import gentlecomet.sound.maths.Polynomials;

/** Soft, hard or folding distortion for a pair of channels at twice the sample rate. */
public final class VoiceDrive {

    public static final int SOFT = 1;
    public static final int HARD = 2;
    public static final int FOLD = 3;

    private static final int SAMPLES = ControlStep.SAMPLES;

    private final HalfBand leftUp = new HalfBand();
    private final HalfBand leftDown = new HalfBand();
    private final HalfBand rightUp = new HalfBand();
    private final HalfBand rightDown = new HalfBand();
    private final double[] twice = new double[2 * SAMPLES];
    private final double[] wet = new double[SAMPLES];
    private double gain;
    private double mix;
    private boolean fresh = true;

    /** Forgets everything. */
    public void reset() {
        leftUp.reset();
        leftDown.reset();
        rightUp.reset();
        rightDown.reset();
        fresh = true;
    }

    /** Distorts one control step in place. @param amountDb gain before the shape @param newMix 0 to 1 */
    public void process(double[] left, double[] right, int shape, double amountDb, double newMix) {
        double wanted = Polynomials.gainOfDb(amountDb);
        if (fresh) {
            gain = wanted;
            mix = newMix;
            fresh = false;
        }
        channel(left, leftUp, leftDown, shape, wanted, newMix);
        channel(right, rightUp, rightDown, shape, wanted, newMix);
        gain = wanted;
        mix = newMix;
    }

    private void channel(double[] samples, HalfBand up, HalfBand down, int shape, double wanted, double newMix) {
        up.doubled(samples, twice, SAMPLES);
        double g = gain;
        double slope = (wanted - gain) / (2 * SAMPLES);
        for (int i = 0; i < 2 * SAMPLES; i++) {
            g += slope;
            twice[i] = shaped(shape, twice[i] * g);
        }
        down.halved(twice, wet, SAMPLES);
        double m = mix;
        double mixSlope = (newMix - mix) / SAMPLES;
        for (int i = 0; i < SAMPLES; i++) {
            m += mixSlope;
            samples[i] += (wet[i] - samples[i]) * m;
        }
    }

    /** The curve of a shape. */
    public static double shaped(int shape, double x) {
        switch (shape) {
            case SOFT:
                return Polynomials.softClip(x);
            case HARD:
                return Math.max(-1, Math.min(1, x));
            default:
                // A triangle over the input: beyond full scale it comes back.
                double turned = x * 0.25 + 0.25 - Math.floor(x * 0.25 + 0.25);
                return 1 - 4 * Math.abs(turned - 0.5);
        }
    }
}
