package gentlecomet.sound.distortion;

import gentlecomet.sound.maths.HalfBand;

/** Takes one channel to four times its sample rate, twice or once, and back. What goes both ways is late by {@link #delay} samples. */
public final class Oversampling {

    /** What is as good as four times a rate of 48 kHz needs no more. */
    private static final double FAST_ENOUGH_HZ = 150000;

    private final int factor;
    private final HalfBand firstUp = HalfBand.gentle();
    private final HalfBand firstDown = HalfBand.gentle();
    private final HalfBand secondUp = HalfBand.gentleWide();
    private final HalfBand secondDown = HalfBand.gentleWide();
    private final double[] twice;
    private final double[] fast;

    /** @param sampleRate in Hz, which is lifted to about 150 kHz or more @param most samples at a time, at most 64 */
    public Oversampling(double sampleRate, int most) {
        factor = factor(sampleRate);
        twice = new double[2 * most];
        fast = new double[factor * most];
    }

    /** By how much a sample rate in Hz is lifted: 1, 2 or 4. */
    public static int factor(double sampleRate) {
        return sampleRate >= FAST_ENOUGH_HZ ? 1 : sampleRate >= FAST_ENOUGH_HZ / 2 ? 2 : 4;
    }

    public int factor() {
        return factor;
    }

    /** How late what has gone both ways is, and what a {@link Shaper} at the fast rate adds to it, in samples, to the next whole one. */
    public int delay() {
        double half = (2 * firstUp.delay() - 1) / 2.0;
        double both = factor == 1 ? 0 : factor == 2 ? half : half + (2 * secondUp.delay() - 1) / 4.0;
        return (int) (both + Shaper.DELAY / factor + 0.5);
    }

    public void reset() {
        firstUp.reset();
        firstDown.reset();
        secondUp.reset();
        secondDown.reset();
    }

    /** The samples at the fast rate, for work in place until they are taken down. */
    public double[] up(double[] samples, int frames) {
        if (factor == 1) {
            System.arraycopy(samples, 0, fast, 0, frames);
        } else if (factor == 2) {
            firstUp.doubled(samples, fast, frames);
        } else {
            firstUp.doubled(samples, twice, frames);
            secondUp.doubled(twice, fast, 2 * frames);
        }
        return fast;
    }

    /** Takes what {@link #up} has given back to the slow rate. */
    public void down(double[] to, int frames) {
        if (factor == 1) {
            System.arraycopy(fast, 0, to, 0, frames);
        } else if (factor == 2) {
            firstDown.halved(fast, to, frames);
        } else {
            secondDown.halved(fast, twice, 2 * frames);
            firstDown.halved(twice, to, frames);
        }
    }
}
