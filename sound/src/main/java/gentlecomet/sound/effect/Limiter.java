package gentlecomet.sound.effect;

import gentlecomet.sound.distortion.Oversampling;
import gentlecomet.sound.distortion.Shaper;
import gentlecomet.sound.maths.CachedGain;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.EffectParameters;

/**
 * A limiter that looks ahead for as long as it is told: the gain that a peak needs is reached in a straight line before the peak comes out, and let go again over the release
 * time. With the true peak neither a sample nor, as ITU-R BS.1770-4 reads it, the wave between two leaves it above the ceiling; else no sample does. Before it a soft clip may
 * take the tops off, at four times the sample rate.
 *
 * <p>Gains are found for {@link #GRAIN} samples at a time: what each needs, the least of what comes within the look-ahead, the release, and the mean over the look-ahead, which is
 * at most what the grain that goes out needs.
 */
final class Limiter implements Effect {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final int REACH = InterSample.REACH;
    private static final int GRAIN = 16;
    private static final int GRAINS = SAMPLES / GRAIN;
    private static final double LONGEST_SECONDS = 0.01;
    private static final double LOG2_E = 1.4426950408889634;
    /** A wave goes at most this much higher between two samples than at both of them, in what is worth a closer look. */
    private static final double WORTH_A_LOOK = 0.7;
    /** For what the interpolation does not see, and for gain that moves between samples: 0.03 dB. */
    private static final double CARE = 0.99655;
    /** An adaptive release is so many times as fast after a single peak, and so many times as slow where the level is held for this long. */
    private static final double FASTER = 0.25;
    private static final double SLOWER = 4;
    private static final double HELD_SECONDS = 0.4;
    /** A soft clip of so many dB has its own ceiling where the limiter's is; with less it lies above. */
    private static final double FULL_CLIP_DB = 12;

    private final double sampleRate;
    private final BlockRing lineLeft;
    private final BlockRing lineRight;
    /** The last samples before the present step, and the step: what is looked at. */
    private final double[] seenLeft = new double[2 * REACH + SAMPLES];
    private final double[] seenRight = new double[2 * REACH + SAMPLES];
    private final Oversampling fastLeft;
    private final Oversampling fastRight;
    private final Shaper clipLeft = new Shaper();
    private final Shaper clipRight = new Shaper();
    private final CachedGain gainOf = new CachedGain();
    private final CachedGain ceilingOf = new CachedGain();
    /** What the last grains need at most, newest first in a ring, and what of that the release has left. */
    private final double[] needed;
    private final double[] released;
    private int place;
    /** Grains that still hold the level down somewhere in the rings. */
    private int busy;
    private double held;
    private double present = 1;
    private boolean clipping;
    /** Gain of what came in last; nothing before the first step. */
    private double gainBefore;
    /** How late the last step went out, in samples; nothing before the first. */
    private int lateBefore;
    private final double[] straightLeft = new double[SAMPLES];
    private final double[] straightRight = new double[SAMPLES];

    Limiter(double sampleRate) {
        this.sampleRate = sampleRate;
        int most = (int) (LONGEST_SECONDS * sampleRate) + 4 * SAMPLES;
        lineLeft = new BlockRing(most);
        lineRight = new BlockRing(most);
        fastLeft = new Oversampling(sampleRate, SAMPLES);
        fastRight = new Oversampling(sampleRate, SAMPLES);
        needed = new double[most / GRAIN + 2];
        released = new double[needed.length];
        reset();
    }

    @Override
    public void reset() {
        lineLeft.reset();
        lineRight.reset();
        for (int i = 0; i < needed.length; i++) {
            needed[i] = 1;
            released[i] = 1;
        }
        fastLeft.reset();
        fastRight.reset();
        clipLeft.reset();
        clipRight.reset();
        busy = 0;
        held = 0;
        present = 1;
        clipping = false;
        gainBefore = 0;
        lateBefore = 0;
    }

    private int lookGrains(double[] block, int at) {
        return (int) (Math.min(LONGEST_SECONDS, block[at + EffectParameters.LIMITER_LOOK_AHEAD]) * sampleRate / GRAIN + 0.5);
    }

    @Override
    public int latency(double[] block, int at) {
        return late(lookGrains(block, at)) + (block[at + EffectParameters.LIMITER_CLIP] > 0 ? fastLeft.delay() : 0);
    }

    @Override
    public int latestSamples() {
        return (int) (LONGEST_SECONDS * sampleRate) + 4 * SAMPLES;
    }

    /** Samples between what comes in and what goes out: the look-ahead, the grain itself, and what the interpolation reads before and after it. */
    private static int late(int grains) {
        return (grains + 1) * GRAIN + REACH;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] toLeft, double[] toRight) {
        double gain = gainOf.gainOfDb(block[at + EffectParameters.LIMITER_GAIN]);
        double ceiling = ceilingOf.gainOfDb(block[at + EffectParameters.LIMITER_CEILING]);
        amplify(toLeft, toRight, gainBefore == 0 ? gain : gainBefore, gain);
        gainBefore = gain;
        softClip(toLeft, toRight, block[at + EffectParameters.LIMITER_CLIP], ceiling);
        lineLeft.write(toLeft);
        lineRight.write(toRight);
        boolean between = block[at + EffectParameters.LIMITER_DETECTOR] == 0;
        int look = lookGrains(block, at);
        double[] right = lineRight.samples;
        double[] left = lineLeft.samples;
        int from = lineLeft.before(late(look));
        if (lateBefore != 0 && lateBefore != late(look)) {
            // Another look-ahead: from what went out to what goes out, within the step.
            EffectStep.cross(left, lineLeft.before(lateBefore), from, straightLeft);
            EffectStep.cross(right, lineRight.before(lateBefore), from, straightRight);
            from = 0;
            left = straightLeft;
            right = straightRight;
        }
        lateBefore = late(look);
        int judged = lineLeft.before(REACH);
        boolean loud = exceeds(lineLeft.samples, lineRight.samples, judged, between ? ceiling * WORTH_A_LOOK : ceiling * CARE);
        if (!loud && busy == 0) {
            skip();
            copy(left, from, toLeft);
            copy(right, from, toRight);
        } else {
            if (loud) {
                int seen = lineLeft.before(2 * REACH);
                System.arraycopy(lineLeft.samples, seen, seenLeft, 0, seenLeft.length);
                System.arraycopy(lineRight.samples, seen, seenRight, 0, seenRight.length);
            }
            double release = block[at + EffectParameters.LIMITER_RELEASE];
            boolean adaptive = block[at + EffectParameters.LIMITER_ADAPTIVE] == 1;
            for (int g = 0; g < GRAINS; g++) {
                double end = next(g, loud, ceiling * CARE, between, look, release, adaptive);
                double slope = (end - present) / GRAIN;
                double now = present;
                for (int i = g * GRAIN; i < g * GRAIN + GRAIN; i++) {
                    now += slope;
                    toLeft[i] = left[from + i] * now;
                    toRight[i] = right[from + i] * now;
                }
                present = end;
            }
        }
        lineLeft.moveOn();
        lineRight.moveOn();
    }

    private static void amplify(double[] left, double[] right, double before, double gain) {
        if (before != gain) {
            double slope = (gain - before) / SAMPLES;
            double[] ramp = EffectStep.RAMP;
            for (int i = 0; i < SAMPLES; i++) {
                double g = before + slope * (ramp[i] + 1);
                left[i] *= g;
                right[i] *= g;
            }
        } else if (gain != 1) {
            for (int i = 0; i < SAMPLES; i++) {
                left[i] *= gain;
                right[i] *= gain;
            }
        }
    }

    /** The soft clip; it comes in, and goes, over a step. @param clip in dB, 0 for none */
    private void softClip(double[] left, double[] right, double clip, double ceiling) {
        boolean wanted = clip > 0;
        if (!wanted && !clipping) {
            return;
        }
        if (wanted != clipping) {
            System.arraycopy(left, 0, straightLeft, 0, SAMPLES);
            System.arraycopy(right, 0, straightRight, 0, SAMPLES);
        }
        double top = ceiling * Polynomials.gainOfDb(FULL_CLIP_DB - clip);
        clip(left, fastLeft, clipLeft, top);
        clip(right, fastRight, clipRight, top);
        if (wanted != clipping && lateBefore != 0) {
            fade(straightLeft, left, wanted);
            fade(straightRight, right, wanted);
        }
        if (!wanted) {
            fastLeft.reset();
            fastRight.reset();
        }
        clipping = wanted;
    }

    /** From the first to the second within the step, or back; into the second. */
    private static void fade(double[] one, double[] two, boolean forth) {
        double[] ramp = EffectStep.RAMP;
        for (int i = 0; i < SAMPLES; i++) {
            double part = (ramp[i] + 1) / SAMPLES;
            two[i] = one[i] + (two[i] - one[i]) * (forth ? part : 1 - part);
        }
    }

    private static void copy(double[] line, int from, double[] to) {
        for (int i = 0; i < SAMPLES; i++) {
            to[i] = line[from + i];
        }
    }

    private void clip(double[] samples, Oversampling rate, Shaper shaper, double top) {
        double[] fast = rate.up(samples, SAMPLES);
        int count = SAMPLES * rate.factor();
        double over = 1 / top;
        for (int i = 0; i < count; i++) {
            fast[i] *= over;
        }
        shaper.process(fast, count, Shaper.SOFT, 0);
        rate.down(samples, SAMPLES);
        for (int i = 0; i < SAMPLES; i++) {
            samples[i] *= top;
        }
    }

    /** Whether any sample that is judged now is beyond a level: a question that is sooner answered than how loud the loudest one is. */
    private static boolean exceeds(double[] left, double[] right, int from, double level) {
        double floor = -level;
        for (int i = from; i <= from + SAMPLES; i++) {
            double l = left[i];
            double r = right[i];
            if (l > level || l < floor || r > level || r < floor) {
                return true;
            }
        }
        return false;
    }

    /** Nothing is held down anywhere. */
    private void skip() {
        place += GRAINS;
        while (place >= needed.length) {
            place -= needed.length;
        }
        held *= 1 - SAMPLES / (HELD_SECONDS * sampleRate);
        present = 1;
    }

    /** Judges a grain. @return the gain at the end of the grain that goes out */
    private double next(int grain, boolean loud, double allowed, boolean between, int look, double releaseSeconds, boolean adaptive) {
        double peak = loud ? Math.max(peak(seenLeft, grain, allowed, between), peak(seenRight, grain, allowed, between)) : 0;
        int length = needed.length;
        int last = place == 0 ? length - 1 : place - 1;
        needed[place] = peak > allowed ? allowed / peak : 1;
        // One grain more to each side: the gain is a straight line within a grain, and both of its ends have to be low enough.
        double least = 1;
        for (int k = 0, n = place; k <= look + 1; k++) {
            least = needed[n] < least ? needed[n] : least;
            n = n == 0 ? length - 1 : n - 1;
        }
        double before = released[last];
        double seconds = adaptive ? releaseSeconds * (FASTER + (SLOWER - FASTER) * held) : releaseSeconds;
        double letGo = 1 - Polynomials.exp2(-GRAIN / (seconds * sampleRate) * LOG2_E);
        double back = before + (1 - before) * letGo;
        back = back > 0.999999 ? 1 : back;
        released[place] = least < back ? least : back;
        double sum = 0;
        for (int k = 0, n = place; k <= look; k++) {
            sum += released[n];
            n = n == 0 ? length - 1 : n - 1;
        }
        held += ((least < 1 ? 1 : 0) - held) * GRAIN / (HELD_SECONDS * sampleRate);
        busy = released[place] < 1 ? length : Math.max(0, busy - 1);
        place = place + 1 == length ? 0 : place + 1;
        return sum / (look + 1);
    }

    /** Greatest value of a grain, at its samples and, if asked for, between them. */
    private static double peak(double[] seen, int grain, double allowed, boolean between) {
        double peak = 0;
        double look = allowed * WORTH_A_LOOK;
        int first = REACH + grain * GRAIN;
        for (int i = first; i < first + GRAIN; i++) {
            double a = Math.abs(seen[i]);
            double b = Math.abs(seen[i + 1]);
            peak = a > peak ? a : peak;
            if (between && (a > look || b > look)) {
                double high = InterSample.peak(seen, i);
                peak = high > peak ? high : peak;
            }
        }
        return peak;
    }

    @Override
    public double reductionDb() {
        return Math.max(0, -Polynomials.dbOfGain(present));
    }
}
