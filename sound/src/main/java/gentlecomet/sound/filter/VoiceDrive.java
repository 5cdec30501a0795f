package gentlecomet.sound.filter;

import gentlecomet.sound.distortion.Oversampling;
import gentlecomet.sound.distortion.Shaper;
import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.Polynomials;

/** Soft, hard or folding distortion for a pair of channels of a voice at four times the usual sample rates. What stays dry is as late as what is distorted. */
public final class VoiceDrive {

    private static final int SAMPLES = ControlStep.SAMPLES;
    private static final int DRY = 64;

    /** One channel. */
    private static final class Channel {
        private final Oversampling rate;
        private final Shaper shaper = new Shaper();
        private final double[] wet = new double[SAMPLES];
        /** The last samples that came in, before those of this step. */
        private final double[] dry = new double[DRY + SAMPLES];

        Channel(double sampleRate) {
            rate = new Oversampling(sampleRate, SAMPLES);
        }

        void reset() {
            rate.reset();
            shaper.reset();
            for (int i = 0; i < dry.length; i++) {
                dry[i] = 0;
            }
        }
    }

    private Channel left;
    private Channel right;
    private double madeFor;
    private int late;
    private double gain;
    private double mix;
    private boolean fresh = true;

    /** Makes ready what a sample rate in Hz needs, so that nothing has to be made while rendering. */
    public void equip(double sampleRate) {
        if (left == null || Oversampling.factor(sampleRate) != Oversampling.factor(madeFor)) {
            left = new Channel(sampleRate);
            right = new Channel(sampleRate);
            madeFor = sampleRate;
            late = left.rate.delay();
        }
    }

    /** Forgets everything. */
    public void reset() {
        if (left != null && !fresh) {
            left.reset();
            right.reset();
        }
        fresh = true;
    }

    /** Distorts one control step in place. @param amountDb gain before the shape @param newMix 0 to 1 */
    public void process(double[] toLeft, double[] toRight, int shape, double amountDb, double newMix) {
        double wanted = Polynomials.gainOfDb(amountDb);
        if (fresh) {
            gain = wanted;
            mix = newMix;
            fresh = false;
        }
        channel(left, toLeft, shape, wanted, newMix);
        channel(right, toRight, shape, wanted, newMix);
        gain = wanted;
        mix = newMix;
    }

    private void channel(Channel c, double[] samples, int shape, double wanted, double newMix) {
        double[] dry = c.dry;
        System.arraycopy(dry, SAMPLES, dry, 0, DRY);
        System.arraycopy(samples, 0, dry, DRY, SAMPLES);
        double[] fast = c.rate.up(samples, SAMPLES);
        int count = SAMPLES * c.rate.factor();
        double g = gain;
        double slope = (wanted - gain) / count;
        for (int i = 0; i < count; i++) {
            g += slope;
            fast[i] *= g;
        }
        c.shaper.process(fast, count, shape, 0);
        c.rate.down(c.wet, SAMPLES);
        double m = mix;
        double mixSlope = (newMix - mix) / SAMPLES;
        int from = DRY - late;
        for (int i = 0; i < SAMPLES; i++) {
            m += mixSlope;
            double d = dry[from + i];
            samples[i] = d + (c.wet[i] - d) * m;
        }
    }
}
