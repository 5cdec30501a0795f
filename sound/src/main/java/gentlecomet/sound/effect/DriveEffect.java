package gentlecomet.sound.effect;

import gentlecomet.sound.filter.VoiceDrive;
import gentlecomet.sound.maths.HalfBand;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.EffectParameters;

/**
 * Distortion at twice the sample rate. Soft, hard and fold as in the voices; "tape" presses highs more than lows (an emphasis before the
 * curve, taken back after it); "tube" is lopsided and so adds even harmonics, its direct part taken off.
 */
final class DriveEffect implements Effect {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final int TAPE = 3;
    private static final int TUBE = 4;
    private static final double EMPHASIS = 0.6;
    private static final double LEAN = 0.35;

    private final double sampleRate;
    private final Channel left = new Channel();
    private final Channel right = new Channel();
    private double gain;
    private double level;
    private boolean fresh = true;

    DriveEffect(double sampleRate) {
        this.sampleRate = sampleRate;
    }

    /** What one channel remembers. */
    private static final class Channel {
        private final HalfBand up = new HalfBand();
        private final HalfBand down = new HalfBand();
        private final double[] twice = new double[2 * SAMPLES];
        private double before;
        private double after;
        private double tone;
        private double direct;

        void reset() {
            up.reset();
            down.reset();
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
        fresh = true;
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
        double toneHz = block[at + EffectParameters.DRIVE_TONE];
        double open = toneHz >= 19999 ? 1 : 1 - Polynomials.exp2(-9.064720283654388 * Math.min(0.49, toneHz / sampleRate));
        channel(left, toLeft, shape, gainWanted, levelWanted, open);
        channel(right, toRight, shape, gainWanted, levelWanted, open);
        gain = gainWanted;
        level = levelWanted;
    }

    private void channel(Channel c, double[] samples, int shape, double gainWanted, double levelWanted, double open) {
        c.up.doubled(samples, c.twice, SAMPLES);
        double[] x = c.twice;
        double g = gain;
        double slope = (gainWanted - gain) / (2 * SAMPLES);
        double before = c.before;
        double after = c.after;
        double direct = c.direct;
        for (int i = 0; i < 2 * SAMPLES; i++) {
            g += slope;
            double v = x[i] * g;
            if (shape == TAPE) {
                // y = x - e x', limited, then z = y + e z': the second undoes the first for small levels.
                double lifted = v - EMPHASIS * before;
                before = v;
                after = Polynomials.softClip(lifted) + EMPHASIS * after;
                v = after * 0.7;
            } else if (shape == TUBE) {
                double bent = Polynomials.softClip(v + LEAN) - LEAN;
                direct += (bent - direct) * 0.0005;
                v = bent - direct;
            } else {
                v = VoiceDrive.shaped(shape + 1, v);
            }
            x[i] = v;
        }
        c.before = before;
        c.after = after;
        c.direct = direct;
        c.down.halved(x, samples, SAMPLES);
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
}
