package gentlecomet.sound.effect;

import gentlecomet.sound.distortion.Oversampling;
import gentlecomet.sound.distortion.Shaper;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.EffectParameters;

/**
 * Distortion at four times the sample rate, after a low cut of 12 dB per octave and before a tone control. Soft, hard and fold as in the voices; "tape" presses highs more than
 * lows (an emphasis before the curve, taken back after it); "tube" is lopsided and so adds even harmonics, its direct part taken off.
 */
final class DriveEffect implements Effect {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final int TAPE = 3;
    private static final int TUBE = 4;
    /** Corner of the tape's emphasis, and what it leaves of the lows. */
    private static final double EMPHASIS_HZ = 7800;
    private static final double LOWS = 0.4;
    private static final double TAPE_LEVEL = 0.7;
    private static final double LEAN = 0.35;
    /** Of the filter that takes a tube's direct part away. */
    private static final double DIRECT_HZ = 8;
    private static final double CUT_FROM_HZ = 20.001;
    private static final double TWO_PI_IN_OCTAVES = 9.064720283654388;

    private final double sampleRate;
    private final Channel left;
    private final Channel right;
    private final Biquad[] lowCut = {new Biquad()};
    private final double emphasis;
    private final double directPart;
    private final int latency;
    private double gain;
    private double level;
    private boolean fresh = true;

    DriveEffect(double sampleRate) {
        this.sampleRate = sampleRate;
        left = new Channel(sampleRate);
        right = new Channel(sampleRate);
        latency = left.rate.delay();
        emphasis = Polynomials.exp2(-TWO_PI_IN_OCTAVES * EMPHASIS_HZ / (sampleRate * left.rate.factor()));
        directPart = 1 - Polynomials.exp2(-TWO_PI_IN_OCTAVES * DIRECT_HZ / sampleRate);
    }

    /** What one channel remembers. */
    private static final class Channel {
        private final Oversampling rate;
        private final Shaper shaper = new Shaper();
        private double before;
        private double after;
        private double tone;
        private double direct;

        Channel(double sampleRate) {
            rate = new Oversampling(sampleRate, SAMPLES);
        }

        void reset() {
            rate.reset();
            shaper.reset();
            before = 0;
            after = 0;
            tone = 0;
            direct = 0;
        }
    }

    @Override
    public void reset() {
        left.reset();
        right.reset();
        lowCut[0].reset();
        fresh = true;
    }

    @Override
    public int latency(double[] block, int at) {
        return latency;
    }

    @Override
    public int latestSamples() {
        return latency;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] toLeft, double[] toRight) {
        int shape = (int) block[at + EffectParameters.DRIVE_SHAPE];
        double gainWanted = Polynomials.gainOfDb(block[at + EffectParameters.DRIVE_AMOUNT]);
        double levelWanted = Polynomials.gainOfDb(block[at + EffectParameters.DRIVE_LEVEL]);
        if (fresh) {
            gain = gainWanted;
            level = levelWanted;
            fresh = false;
        }
        double cutHz = block[at + EffectParameters.DRIVE_LOW_CUT];
        if (cutHz > CUT_FROM_HZ) {
            Biquad.cut(lowCut, Biquad.HIGH_PASS, 1, cutHz, sampleRate, toLeft, toRight);
        }
        double toneHz = block[at + EffectParameters.DRIVE_TONE];
        double open = toneHz >= 19999 ? 1 : 1 - Polynomials.exp2(-TWO_PI_IN_OCTAVES * Math.min(0.49, toneHz / sampleRate));
        channel(left, toLeft, shape, gainWanted, levelWanted, open);
        channel(right, toRight, shape, gainWanted, levelWanted, open);
        gain = gainWanted;
        level = levelWanted;
    }

    private void channel(Channel c, double[] samples, int shape, double gainWanted, double levelWanted, double open) {
        double[] x = c.rate.up(samples, SAMPLES);
        int count = SAMPLES * c.rate.factor();
        double g = gain;
        double slope = (gainWanted - gain) / count;
        for (int i = 0; i < count; i++) {
            g += slope;
            x[i] *= g;
        }
        if (shape == TAPE) {
            tape(c, x, count);
        } else {
            c.shaper.process(x, count, shape == TUBE ? Shaper.SOFT : shape + 1, shape == TUBE ? LEAN : 0);
        }
        c.rate.down(samples, SAMPLES);
        if (shape == TUBE) {
            withoutDirect(c, samples);
        }
        double l = level;
        double levelSlope = (levelWanted - level) / SAMPLES;
        double tone = c.tone;
        for (int i = 0; i < SAMPLES; i++) {
            l += levelSlope;
            tone += (samples[i] - tone) * open;
            samples[i] = tone * l;
        }
        c.tone = tone + 1e-20;
    }

    /** y = (x - e x') p, limited, then z = y / p + e z': the second undoes the first for small levels. */
    private void tape(Channel c, double[] x, int count) {
        double lift = LOWS / (1 - emphasis);
        double before = c.before;
        for (int i = 0; i < count; i++) {
            double v = x[i];
            x[i] = (v - emphasis * before) * lift;
            before = v;
        }
        c.before = before;
        c.shaper.process(x, count, Shaper.SOFT, 0);
        double after = c.after;
        double down = 1 / lift;
        for (int i = 0; i < count; i++) {
            after = x[i] * down + emphasis * after;
            x[i] = after * TAPE_LEVEL;
        }
        c.after = after + 1e-20;
    }

    private void withoutDirect(Channel c, double[] samples) {
        double direct = c.direct;
        for (int i = 0; i < SAMPLES; i++) {
            direct += (samples[i] - direct) * directPart;
            samples[i] -= direct;
        }
        c.direct = direct + 1e-20;
    }
}
