package gentlecomet.sound.effect;

import gentlecomet.sound.distortion.Oversampling;
import gentlecomet.sound.distortion.Shaper;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.EffectParameters;

/**
 * Distortion of two to four bands, each with its own shape, drive, mix and level, at four times the sample rate. Bands are split by Linkwitz-Riley filters of fourth order, whose
 * sum is flat; a band that is not driven is as late as the others. A band that has no drive costs but its split.
 */
final class MultibandDrive implements Effect {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final int BANDS = EffectParameters.MOST_BANDS;
    private static final double APART = 1.5;

    private final BandSplit split;
    private final Band[] bands = new Band[BANDS];
    private final double[] splits = new double[BANDS - 1];
    private final double[][] dry = new double[2][SAMPLES];
    private final int latency;

    MultibandDrive(double sampleRate) {
        split = new BandSplit(BANDS, sampleRate);
        for (int b = 0; b < BANDS; b++) {
            bands[b] = new Band(sampleRate);
        }
        latency = bands[0].rateLeft.delay();
    }

    /** What one band remembers. */
    private static final class Band {
        private final Oversampling rateLeft;
        private final Oversampling rateRight;
        private final Shaper left = new Shaper();
        private final Shaper right = new Shaper();
        private final BlockRing lateLeft;
        private final BlockRing lateRight;
        private double drive = 1;
        private double mix;
        private double level = 1;
        private boolean fresh = true;

        Band(double sampleRate) {
            rateLeft = new Oversampling(sampleRate, SAMPLES);
            rateRight = new Oversampling(sampleRate, SAMPLES);
            lateLeft = new BlockRing(2.0 * SAMPLES);
            lateRight = new BlockRing(2.0 * SAMPLES);
        }

        void reset() {
            rateLeft.reset();
            rateRight.reset();
            left.reset();
            right.reset();
            lateLeft.reset();
            lateRight.reset();
            fresh = true;
        }
    }

    @Override
    public void reset() {
        split.reset();
        for (Band band : bands) {
            band.reset();
        }
    }

    @Override
    public int latency(double[] block, int at) {
        return latency;
    }

    @Override
    public double[][] dry() {
        return dry;
    }

    @Override
    public int latestSamples() {
        return latency;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] toLeft, double[] toRight) {
        int count = 2 + (int) block[at + EffectParameters.BANDS_COUNT];
        for (int s = 0; s < count - 1; s++) {
            double wanted = block[at + EffectParameters.BANDS_SPLIT + s];
            splits[s] = s == 0 ? wanted : Math.max(splits[s - 1] * APART, wanted);
        }
        split.process(toLeft, toRight, count, splits);
        for (int i = 0; i < SAMPLES; i++) {
            toLeft[i] = 0;
            toRight[i] = 0;
            dry[0][i] = 0;
            dry[1][i] = 0;
        }
        for (int b = 0; b < count; b++) {
            drive(bands[b], split.left(b), split.right(b), block, at + EffectParameters.BANDS_DRIVE + EffectParameters.BAND_SIZE * b, toLeft, toRight);
        }
    }

    private void drive(Band band, double[] left, double[] right, double[] block, int at, double[] toLeft, double[] toRight) {
        double drive = Polynomials.gainOfDb(block[at + 1]);
        // A band without drive is left as it is, whatever its shape.
        double mix = block[at + 1] == 0 ? 0 : block[at + 2] / 100;
        double level = Polynomials.gainOfDb(block[at + 3]);
        if (band.fresh) {
            band.drive = drive;
            band.mix = mix;
            band.level = level;
            band.fresh = false;
        }
        int shape = (int) block[at] + 1;
        channel(band, band.rateLeft, band.left, band.lateLeft, left, shape, drive, mix, level, toLeft, dry[0]);
        channel(band, band.rateRight, band.right, band.lateRight, right, shape, drive, mix, level, toRight, dry[1]);
        band.drive = drive;
        band.mix = mix;
        band.level = level;
    }

    private void channel(Band band, Oversampling rate, Shaper shaper, BlockRing late, double[] samples, int shape, double drive, double mix, double level, double[] to,
            double[] whole) {
        late.write(samples);
        int from = late.before(latency);
        double[] dry = late.samples;
        for (int i = 0; i < SAMPLES; i++) {
            whole[i] += dry[from + i];
        }
        double[] ramp = EffectStep.RAMP;
        double levelSlope = (level - band.level) / SAMPLES;
        if (mix == 0 && band.mix == 0) {
            for (int i = 0; i < SAMPLES; i++) {
                to[i] += dry[from + i] * (band.level + levelSlope * ramp[i]);
            }
        } else {
            double[] fast = rate.up(samples, SAMPLES);
            int count = SAMPLES * rate.factor();
            double g = band.drive;
            double slope = (drive - band.drive) / count;
            for (int i = 0; i < count; i++) {
                g += slope;
                fast[i] *= g;
            }
            shaper.process(fast, count, shape, 0);
            rate.down(samples, SAMPLES);
            double mixSlope = (mix - band.mix) / SAMPLES;
            for (int i = 0; i < SAMPLES; i++) {
                double d = dry[from + i];
                double m = band.mix + mixSlope * ramp[i];
                to[i] += (d + (samples[i] - d) * m) * (band.level + levelSlope * ramp[i]);
            }
        }
        late.moveOn();
    }
}
