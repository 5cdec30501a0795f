package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.EffectParameters;

/**
 * A filter bank that gives the bands of a sound the levels of other bands of the same sound: band k is brought to the level that band k - shift has now, so that the coarse
 * spectrum moves by bands while the pitch stays. (A channel vocoder, H. Dudley, "Remaking speech", JASA 11, 1939, that is its own carrier, with the carrier's bands made even.)
 * Held, the levels stay as they are, and whatever comes in takes on the spectrum that stood at that moment; held from the start, that of the first tenth of a second of sound.
 * Without shift and hold it passes everything: the bands' sum is flat.
 */
final class FilterBank implements Effect {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final int BANDS = EffectParameters.BANK_MOST;
    private static final double LOG2_E = 1.4426950408889634;
    /** Mean square of a band that counts as silence: -100 dB. */
    private static final double SILENCE = 1e-10;
    /** Bounds of a band's gain, squared: -80 and +36 dB. */
    private static final double LEAST = 1e-8;
    private static final double MOST = 3981.0717055349735;
    /** Change of the gain of all in a step while the number of bands changes: gone within 12 steps. */
    private static final double FADE = 1.0 / 12;
    private static final double LOWEST_SPLIT = 30;
    /** Nothing is held before so much sound has been heard. */
    private static final double FIRST_SECONDS = 0.1;
    private static final double HIGHEST_TURNS = 0.45;

    private final double sampleRate;
    private final BandTree tree;
    private final double[] splits = new double[BANDS - 1];
    /** Mean squares of the bands: evened out over two of their longest waves, followed by attack and release, and as they are given to others. */
    private final double[] even = new double[BANDS];
    private final double[] own = new double[BANDS];
    private final double[] given = new double[BANDS];
    private final double[] gains = new double[BANDS];
    private final double[][] dry = new double[2][SAMPLES];
    /** Part of the way that the evening goes in a step, by band; and what it and the splits were worked out for. */
    private final double[] evening = new double[BANDS];
    private double placedLow;
    private double placedHigh;
    private int placedCount;
    private int count;
    private double heardSeconds;
    private double open;
    private boolean fresh = true;

    FilterBank(double sampleRate) {
        this.sampleRate = sampleRate;
        tree = new BandTree(BANDS, sampleRate);
    }

    @Override
    public void reset() {
        begin(0);
        open = 1;
        fresh = true;
    }

    private void begin(int bands) {
        tree.reset();
        count = bands;
        heardSeconds = 0;
        for (int k = 0; k < BANDS; k++) {
            even[k] = 0;
            own[k] = 0;
            given[k] = 0;
            gains[k] = 1;
        }
    }

    @Override
    public double[][] dry() {
        return dry;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] toLeft, double[] toRight) {
        int wanted = (int) Math.rint(block[at + EffectParameters.BANK_BANDS]);
        double from = open;
        if (fresh) {
            begin(wanted);
            open = 1;
            from = 1;
            fresh = false;
        } else if (wanted != count) {
            open = Math.max(0, open - FADE);
        } else {
            open = Math.min(1, open + FADE);
        }
        place(block[at + EffectParameters.BANK_LOW], block[at + EffectParameters.BANK_HIGH]);
        tree.process(toLeft, toRight, count, splits);
        listen(block, at);
        double shift = block[at + EffectParameters.BANK_SHIFT];
        double depth = block[at + EffectParameters.BANK_DEPTH] / 100;
        for (int i = 0; i < SAMPLES; i++) {
            toLeft[i] = 0;
            toRight[i] = 0;
            dry[0][i] = 0;
            dry[1][i] = 0;
        }
        for (int k = 0; k < count; k++) {
            band(k, gain(k, shift, depth), from, toLeft, toRight);
        }
        if (open == 0 && wanted != count) {
            begin(wanted);
        }
    }

    /** Splits at equal ratios between the lowest and the highest. */
    private void place(double lowest, double highest) {
        if (lowest == placedLow && highest == placedHigh && count == placedCount) {
            return;
        }
        placedLow = lowest;
        placedHigh = highest;
        placedCount = count;
        double low = Polynomials.log2(Math.max(LOWEST_SPLIT, lowest));
        double high = Polynomials.log2(Math.min(HIGHEST_TURNS * sampleRate, Math.max(2 * lowest, highest)));
        for (int s = 0; s < count - 1; s++) {
            splits[s] = Polynomials.exp2(low + (high - low) * s / (count - 2));
        }
        for (int k = 0; k < count; k++) {
            evening[k] = step(2 / (k == 0 ? 0.5 * splits[0] : splits[k - 1]));
        }
    }

    /** Levels of the bands. They are evened out first, or a gain would follow the wave itself. */
    private void listen(double[] block, int at) {
        double up = step(block[at + EffectParameters.BANK_ATTACK]);
        double down = step(block[at + EffectParameters.BANK_RELEASE]);
        double moving = heardSeconds < FIRST_SECONDS ? 1 : 1 - block[at + EffectParameters.BANK_HOLD] / 100;
        boolean silent = true;
        for (int k = 0; k < count; k++) {
            double[] l = tree.left(k);
            double[] r = tree.right(k);
            double sum = 0;
            for (int i = 0; i < SAMPLES; i++) {
                sum = sum + l[i] * l[i] + r[i] * r[i];
            }
            double square = sum / (2 * SAMPLES);
            even[k] += (square - even[k]) * evening[k];
            own[k] += (even[k] - own[k]) * (even[k] > own[k] ? up : down);
            given[k] += (own[k] - given[k]) * moving;
            silent &= square < SILENCE;
        }
        heardSeconds += silent ? 0 : SAMPLES / sampleRate;
    }

    /** Part of the way that is gone in a step. @param seconds time constant */
    private double step(double seconds) {
        return 1 - Polynomials.exp2(-SAMPLES / (seconds * sampleRate) * LOG2_E);
    }

    private double gain(int band, double shift, double depth) {
        double from = band - shift;
        double floor = Math.floor(from);
        double part = from - floor;
        int k = (int) floor;
        double square = part == 0 ? given(k) : given(k) * (1 - part) + given(k + 1) * part;
        if (own[band] < SILENCE && square < SILENCE) {
            return 1;
        }
        double ratio = Math.max(LEAST, Math.min(MOST, square / Math.max(SILENCE, own[band])));
        return Polynomials.exp2(0.5 * depth * Polynomials.log2(ratio));
    }

    /** Beyond the first and the last band there is nothing. */
    private double given(int band) {
        return band < 0 || band >= count ? 0 : given[band];
    }

    private void band(int k, double gain, double from, double[] toLeft, double[] toRight) {
        double[] l = tree.left(k);
        double[] r = tree.right(k);
        double[] ramp = EffectStep.RAMP;
        double g = gains[k] * from;
        double slope = (gain * open - g) / SAMPLES;
        double dryGain = from;
        double drySlope = (open - from) / SAMPLES;
        for (int i = 0; i < SAMPLES; i++) {
            double now = g + slope * (ramp[i] + 1);
            toLeft[i] += l[i] * now;
            toRight[i] += r[i] * now;
            double whole = dryGain + drySlope * (ramp[i] + 1);
            dry[0][i] += l[i] * whole;
            dry[1][i] += r[i] * whole;
        }
        gains[k] = gain;
    }
}
