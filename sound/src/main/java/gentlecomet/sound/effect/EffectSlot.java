package gentlecomet.sound.effect;

import gentlecomet.sound.maths.CachedGain;
import gentlecomet.sound.parameter.EffectParameters;

/**
 * A place in a chain of effects: it holds the effect that the patch asks for and mixes it with the dry sound. A change of type fades
 * to dry first, so that nothing clicks. It costs nothing while it is empty, bypassed or mixed out.
 */
public final class EffectSlot {

    private static final int SAMPLES = EffectStep.SAMPLES;
    /** Change of the mix in a step while a type is being exchanged: gone within 6 ms. */
    private static final double FADE = 0.25;
    /** The same for an effect that is late: the dry sound has a way to go as well. */
    private static final double SLOW_FADE = FADE / 4;

    private final double sampleRate;
    private final double[] wetLeft = new double[SAMPLES];
    private final double[] wetRight = new double[SAMPLES];
    /** What has come in, for an effect that is late; else null. */
    private BlockRing dryLeft;
    private BlockRing dryRight;
    private BlockRing nextDryLeft;
    private BlockRing nextDryRight;
    private int late;
    /** How late the dry sound was in the last step, -1 before the first; and the two while one goes over into the other. */
    private int lateBefore = -1;
    private final double[] crossLeft = new double[SAMPLES];
    private final double[] crossRight = new double[SAMPLES];
    private int type = EffectParameters.NONE;
    private int nextType = EffectParameters.NONE;
    private Effect effect;
    private Effect next;
    private double mix;
    private double feed = 1;
    private double gain = 1;
    private final CachedGain gainOf = new CachedGain();
    private boolean fresh = true;
    private boolean clean = true;
    private double peakBefore;
    private double peakAfter;
    /** Somebody has asked for the levels; without that they are not looked for. */
    private boolean metered;

    public EffectSlot(double sampleRate) {
        this.sampleRate = sampleRate;
    }

    /** Makes the effect ready that a patch asks for, so that nothing has to be made while rendering. */
    public void equip(int wanted) {
        if (wanted == type) {
            next = null;
            nextType = type;
        } else if (wanted != nextType || next == null && wanted != EffectParameters.NONE) {
            next = EffectType.of(wanted).make(sampleRate);
            nextType = wanted;
            int samples = next == null ? 0 : next.latestSamples();
            nextDryLeft = samples == 0 ? null : new BlockRing(samples);
            nextDryRight = samples == 0 ? null : new BlockRing(samples);
        }
    }

    /** Silences it and takes the effect that is ready at once. */
    public void reset() {
        exchange();
        clean();
        fresh = true;
        mix = 0;
        gain = 1;
        peakBefore = 0;
        peakAfter = 0;
    }

    /** Forgets what has been played. */
    private void clean() {
        if (effect == null || clean) {
            return;
        }
        effect.reset();
        if (dryLeft != null) {
            dryLeft.reset();
            dryRight.reset();
        }
        lateBefore = -1;
        clean = true;
    }

    private void exchange() {
        if (nextType != type) {
            clean();
            effect = next;
            dryLeft = nextDryLeft;
            dryRight = nextDryRight;
            type = nextType;
            next = null;
            clean = true;
        }
    }

    /** Whether the effect wants to know of keys. */
    public boolean listens(double[] block, int at) {
        return effect != null && effect.listens(block, at);
    }

    /** Says which key was played last, and whether any note is held. */
    public void follow(double key, boolean held) {
        if (effect != null) {
            effect.follow(key, held);
        }
    }

    /** Works on one effect step in place; arguments as {@link Effect#process}. */
    public void process(double[] block, int at, double tempo, double[] left, double[] right) {
        boolean leaving = nextType != type;
        if (leaving && mix == 0) {
            exchange();
            leaving = false;
        }
        if (effect == null) {
            return;
        }
        double asked = leaving || block[at + EffectParameters.ON] == 1 ? 0 : block[at + EffectParameters.MIX] * 0.01;
        boolean starting = fresh;
        if (fresh) {
            mix = asked;
            feed = 1;
            fresh = false;
        }
        double fade = dryLeft != null ? SLOW_FADE : FADE;
        double wanted = leaving ? Math.max(0, mix - fade) : Math.abs(asked - mix) <= fade ? asked : mix + (asked > mix ? fade : -fade);
        if (mix == 0 && wanted == 0) {
            clean();
            gain = 1;
            return;
        }
        if (clean && mix == 0) {
            // An effect that wakes up under a sound is fed softly, so that its first echo does not begin with a step.
            feed = 0;
        }
        clean = false;
        if (metered) {
            peakBefore = louder(peakBefore, left, right);
        }
        if (dryLeft != null) {
            late = effect.latency(block, at);
            dryLeft.write(left);
            dryRight.write(right);
        }
        if (mix == 1 && wanted == 1 && feed == 1) {
            effect.process(block, at, tempo, left, right);
        } else {
            if (feed == 1) {
                effect.process(block, at, tempo, left, right, wetLeft, wetRight);
            } else {
                double fed = Math.min(1, feed + FADE);
                feedIn(left, right, wetLeft, wetRight, feed, (fed - feed) / SAMPLES);
                feed = fed;
                effect.process(block, at, tempo, wetLeft, wetRight);
            }
            double[][] inPhase = effect.dry();
            if (inPhase != null) {
                matchDry(left, inPhase[0], 0, mix, wanted);
                matchDry(right, inPhase[1], 0, mix, wanted);
            } else if (dryLeft != null) {
                matchLate(left, dryLeft, crossLeft, wanted);
                matchLate(right, dryRight, crossRight, wanted);
            }
            blend(left, right, wetLeft, wetRight, mix, (wanted - mix) / SAMPLES);
        }
        double db = block[at + EffectParameters.OUTPUT];
        if (db != 0 || gain != 1) {
            withGain(left, right, asked == 0 ? 1 : gainOf.gainOfDb(db), starting);
        }
        if (dryLeft != null) {
            dryLeft.moveOn();
            dryRight.moveOn();
            lateBefore = late;
        }
        if (metered) {
            peakAfter = louder(peakAfter, left, right);
        }
        mix = wanted;
    }

    /** The level after the mix goes to its place as softly as the mix does, so that a bypass does not click. */
    private void withGain(double[] left, double[] right, double wanted, boolean atOnce) {
        double most = Math.max(0.04, FADE * Math.abs(gainOf.value() - 1));
        double end = atOnce || Math.abs(wanted - gain) <= most ? wanted : gain + (wanted > gain ? most : -most);
        double from = atOnce ? end : gain;
        double slope = (end - from) / SAMPLES;
        double[] ramp = EffectStep.RAMP;
        for (int i = 0; i < SAMPLES; i++) {
            double g = from + slope * (ramp[i] + 1);
            left[i] *= g;
            right[i] *= g;
        }
        gain = end;
    }

    /**
     * What is mixed with a wet sound that is late, or turned in phase, is so too: else some frequencies would be lost between them. It becomes so over the first quarter of
     * the mix, so that an effect that is mixed out or taken away leaves a sound that is neither.
     */
    private static void matchDry(double[] samples, double[] line, int from, double mixBefore, double mixAfter) {
        double part = Math.min(1, 4 * mixBefore);
        double slope = (Math.min(1, 4 * mixAfter) - part) / SAMPLES;
        double[] ramp = EffectStep.RAMP;
        for (int i = 0; i < SAMPLES; i++) {
            double now = samples[i];
            samples[i] = now + (line[from + i] - now) * (part + slope * (ramp[i] + 1));
        }
    }

    private void matchLate(double[] samples, BlockRing dry, double[] crossed, double wanted) {
        if (lateBefore >= 0 && lateBefore != late) {
            EffectStep.cross(dry.samples, dry.before(lateBefore), dry.before(late), crossed);
            matchDry(samples, crossed, 0, mix, wanted);
        } else {
            matchDry(samples, dry.samples, dry.before(late), mix, wanted);
        }
    }

    private static void feedIn(double[] left, double[] right, double[] wetLeft, double[] wetRight, double feed, double slope) {
        double[] ramp = EffectStep.RAMP;
        for (int i = 0; i < SAMPLES; i++) {
            double g = feed + slope * (ramp[i] + 1);
            wetLeft[i] = left[i] * g;
            wetRight[i] = right[i] * g;
        }
    }

    private static void blend(double[] left, double[] right, double[] wetLeft, double[] wetRight, double mix, double slope) {
        if (slope == 0) {
            for (int i = 0; i < SAMPLES; i++) {
                left[i] += (wetLeft[i] - left[i]) * mix;
                right[i] += (wetRight[i] - right[i]) * mix;
            }
            return;
        }
        double[] ramp = EffectStep.RAMP;
        for (int i = 0; i < SAMPLES; i++) {
            double m = mix + slope * (ramp[i] + 1);
            left[i] += (wetLeft[i] - left[i]) * m;
            right[i] += (wetRight[i] - right[i]) * m;
        }
    }

    /** The greater of a peak and that of every other sample of a step; enough for a meter. */
    private static double louder(double peak, double[] left, double[] right) {
        double most = peak;
        double low = -peak;
        for (int i = 0; i < SAMPLES; i += 2) {
            double l = left[i];
            double r = right[i];
            if (l > most) {
                most = l;
            } else if (l < low) {
                low = l;
            }
            if (r > most) {
                most = r;
            } else if (r < low) {
                low = r;
            }
        }
        return most > -low ? most : -low;
    }

    /** How far the effect holds the level down now, in dB from 0 up. */
    public double reductionDb() {
        return effect == null || mix == 0 ? 0 : effect.reductionDb();
    }

    /** Greatest level before the slot since the last call; the first call begins the measuring. */
    public double takePeakBefore() {
        metered = true;
        double peak = peakBefore;
        peakBefore = 0;
        return peak;
    }

    /** Greatest level after the slot since the last call; the first call begins the measuring. */
    public double takePeakAfter() {
        metered = true;
        double peak = peakAfter;
        peakAfter = 0;
        return peak;
    }

    /** How long the output can be silent before another echo comes, in seconds. */
    public double gapSeconds(double[] block, int at, double tempo) {
        return effect == null || mix == 0 ? 0 : effect.gapSeconds(block, at, tempo);
    }
}
