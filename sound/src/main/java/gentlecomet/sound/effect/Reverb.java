package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.EffectParameters;

/**
 * A feedback delay network of eight lines joined by a Householder matrix (J.-M. Jot, 1991): every line loses exactly the
 * gain that brings the whole to -60 dB after the decay time, and its highs a little sooner. A few early reflections come
 * straight from the pre-delay.
 */
final class Reverb implements Effect {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final int LINES = 8;
    /** Line lengths in seconds at full size; without common divisors at any usual sample rate. */
    private static final double[] LENGTHS = {0.0297, 0.0371, 0.0411, 0.0437, 0.0533, 0.0617, 0.0683, 0.0797};
    private static final double SMALLEST = 0.25;
    private static final double LONGEST_PRE_DELAY = 0.65;

    private final double sampleRate;
    private final ReverbDelayLine[] lines = new ReverbDelayLine[LINES];
    private final double[] damp = new double[LINES];
    private final double[] sum = new double[SAMPLES];
    private final double[] even = new double[SAMPLES];
    private final double[] odd = new double[SAMPLES];
    private final double[] lastEven = new double[SAMPLES];
    private final double[] lastOdd = new double[SAMPLES];
    private final double[] wetLeft = new double[SAMPLES];
    private final double[] wetRight = new double[SAMPLES];
    private final BlockRing preLeft;
    private final BlockRing preRight;
    private final OnePoleCuts cuts = new OnePoleCuts();
    private final WetCuts wetCuts = new WetCuts();
    /** Early reflections: seconds and level of each, left and right alternating. */
    private static final double[] EARLY_SECONDS = {0.0067, 0.0091, 0.0137, 0.0173, 0.0211, 0.0263, 0.0317, 0.0373};
    private static final double[] EARLY_LEVELS = {0.8, 0.75, 0.65, 0.6, 0.5, 0.45, 0.38, 0.33};
    private final double[] gains = new double[LINES];
    private double decayOfGains = -1;
    private double dampingOfPart = -1;
    private double dampingPart;
    private double size = -1;

    Reverb(double sampleRate) {
        this.sampleRate = sampleRate;
        for (int k = 0; k < LINES; k++) {
            lines[k] = new ReverbDelayLine(Math.max(SAMPLES + 1, (int) (LENGTHS[k] * sampleRate)));
        }
        preLeft = new BlockRing(LONGEST_PRE_DELAY * sampleRate);
        preRight = new BlockRing(LONGEST_PRE_DELAY * sampleRate);
    }

    @Override
    public void reset() {
        for (ReverbDelayLine line : lines) {
            line.reset();
        }
        preLeft.reset();
        preRight.reset();
        for (int k = 0; k < LINES; k++) {
            damp[k] = 0;
        }
        cuts.reset();
        wetCuts.reset();
        size = -1;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] left, double[] right) {
        process(block, at, tempo, left, right, left, right);
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] inLeft, double[] inRight, double[] left, double[] right) {
        resize(block[at + EffectParameters.REVERB_SIZE]);
        int division = (int) block[at + EffectParameters.REVERB_DIVISION];
        double preDelay = division == 0 ? block[at + EffectParameters.REVERB_PRE_DELAY] : Math.min(0.6, Division.seconds(division, tempo));
        wetCuts.aim(block, at + EffectParameters.REVERB_LOW_CUT, at + EffectParameters.REVERB_LOW_SLOPE, at + EffectParameters.REVERB_HIGH_CUT, at + EffectParameters.REVERB_HIGH_SLOPE);
        if (wetCuts.steep()) {
            wetCuts.process(inLeft, inRight, sampleRate);
        }
        preLeft.write(wetCuts.steep() ? wetCuts.left() : inLeft);
        preRight.write(wetCuts.steep() ? wetCuts.right() : inRight);
        int from = preLeft.before((int) (preDelay * sampleRate));
        cuts.aim(wetCuts.lowOfLoop(), wetCuts.highOfLoop(), sampleRate);
        cuts.process(preLeft.samples, from, preRight.samples, from, wetLeft, wetRight, 0, SAMPLES);
        tune(block[at + EffectParameters.REVERB_DECAY], block[at + EffectParameters.REVERB_DAMPING]);
        soften(0, dampingPart, even, odd);
        soften(4, dampingPart, lastEven, lastOdd);
        double width = block[at + EffectParameters.REVERB_WIDTH] / 100;
        join(even, odd, lastEven, lastOdd, sum, 0.5 + 0.5 * width, 0.5 - 0.5 * width, left, right);
        feedBack(0, wetLeft);
        feedBack(1, wetRight);
        reflect(block[at + EffectParameters.REVERB_EARLY], preDelay, left, right);
        preLeft.moveOn();
        preRight.moveOn();
    }

    private void reflect(double levelDb, double preDelaySeconds, double[] left, double[] right) {
        if (levelDb <= -48) {
            return;
        }
        double level = 0.5 * Polynomials.gainOfDb(levelDb);
        double scale = SMALLEST + (1 - SMALLEST) * size / 100;
        for (int side = 0; side < 2; side++) {
            reflect(side, level, preDelaySeconds, scale, side == 0 ? left : right);
        }
    }

    /** Adds the four reflections of a side: the first and third from the left of what comes in, the others from the right. */
    private void reflect(int side, double level, double preDelaySeconds, double scale, double[] to) {
        double[] fromLeft = preLeft.samples;
        double[] fromRight = preRight.samples;
        int one = early(side, preDelaySeconds, scale);
        int two = early(side + 2, preDelaySeconds, scale);
        int three = early(side + 4, preDelaySeconds, scale);
        int four = early(side + 6, preDelaySeconds, scale);
        double gainOne = level * EARLY_LEVELS[side];
        double gainTwo = level * EARLY_LEVELS[side + 2];
        double gainThree = level * EARLY_LEVELS[side + 4];
        double gainFour = level * EARLY_LEVELS[side + 6];
        for (int i = 0; i < SAMPLES; i++) {
            to[i] = to[i] + fromLeft[one + i] * gainOne + fromRight[two + i] * gainTwo + fromLeft[three + i] * gainThree
                    + fromRight[four + i] * gainFour;
        }
    }

    private int early(int tap, double preDelaySeconds, double scale) {
        return preLeft.before((int) (sampleRate * (preDelaySeconds + scale * EARLY_SECONDS[tap])));
    }

    private void resize(double wanted) {
        if (wanted == size) {
            return;
        }
        size = wanted;
        decayOfGains = -1;
        double scale = SMALLEST + (1 - SMALLEST) * wanted / 100;
        for (int k = 0; k < LINES; k++) {
            lines[k].resize(Math.max(SAMPLES + 1, (int) (LENGTHS[k] * scale * sampleRate)));
        }
    }

    private void tune(double decaySeconds, double dampingHz) {
        if (dampingHz != dampingOfPart) {
            dampingOfPart = dampingHz;
            dampingPart = 1 - Polynomials.exp2(-9.064720283654388 * Math.min(0.49, dampingHz / sampleRate));
        }
        if (decaySeconds != decayOfGains) {
            decayOfGains = decaySeconds;
            for (int n = 0; n < LINES; n++) {
                gains[n] = Polynomials.exp2(-9.965784284662087 * lines[n].length() / (decaySeconds * sampleRate));
            }
        }
    }

    /**
     * The sum that goes back into all lines; and what goes out: first lines less last ones, even on the left and odd on the right, and
     * a part of each across.
     */
    private static void join(double[] even, double[] odd, double[] lastEven, double[] lastOdd, double[] sum, double straight, double across,
            double[] toLeft, double[] toRight) {
        for (int i = 0; i < SAMPLES; i++) {
            double l = even[i];
            double r = odd[i];
            double m = lastEven[i];
            double n = lastOdd[i];
            sum[i] = (l + r + m + n) * (2.0 / LINES);
            double first = l - m;
            double second = r - n;
            toLeft[i] = first * straight + second * across;
            toRight[i] = second * straight + first * across;
        }
    }

    /**
     * Takes the highs of what comes out of four lines away, at once, so that their chains overlap; it stays in its place until it is fed
     * back. And sums them, even and odd ones apart.
     */
    private void soften(int k, double part, double[] sumEven, double[] sumOdd) {
        double[] lineOne = lines[k].samples;
        double[] lineTwo = lines[k + 1].samples;
        double[] lineThree = lines[k + 2].samples;
        double[] lineFour = lines[k + 3].samples;
        int fromOne = lines[k].at();
        int fromTwo = lines[k + 1].at();
        int fromThree = lines[k + 2].at();
        int fromFour = lines[k + 3].at();
        double gainOne = gains[k] * part;
        double gainTwo = gains[k + 1] * part;
        double gainThree = gains[k + 2] * part;
        double gainFour = gains[k + 3] * part;
        double d = damp[k];
        double e = damp[k + 1];
        double f = damp[k + 2];
        double g = damp[k + 3];
        double rest = 1 - part;
        for (int i = 0; i < SAMPLES; i++) {
            d = lineOne[fromOne + i] * gainOne + d * rest;
            e = lineTwo[fromTwo + i] * gainTwo + e * rest;
            f = lineThree[fromThree + i] * gainThree + f * rest;
            g = lineFour[fromFour + i] * gainFour + g * rest;
            lineOne[fromOne + i] = d;
            lineTwo[fromTwo + i] = e;
            lineThree[fromThree + i] = f;
            lineFour[fromFour + i] = g;
            sumEven[i] = d + f;
            sumOdd[i] = e + g;
        }
        damp[k] = d + 1e-20;
        damp[k + 1] = e + 1e-20;
        damp[k + 2] = f + 1e-20;
        damp[k + 3] = g + 1e-20;
    }

    /** Feeds every second line from one on: what comes in goes into the first and third of them, and with the other sign into the others. */
    private void feedBack(int k, double[] in) {
        double[] one = lines[k].samples;
        double[] two = lines[k + 2].samples;
        double[] three = lines[k + 4].samples;
        double[] four = lines[k + 6].samples;
        int atOne = lines[k].at();
        int atTwo = lines[k + 2].at();
        int atThree = lines[k + 4].at();
        int atFour = lines[k + 6].at();
        double[] all = sum;
        for (int i = 0; i < SAMPLES; i++) {
            double half = in[i] * 0.5;
            double s = all[i];
            double added = half - s;
            double taken = half + s;
            one[atOne + i] = one[atOne + i] + added;
            two[atTwo + i] = two[atTwo + i] - taken;
            three[atThree + i] = three[atThree + i] + added;
            four[atFour + i] = four[atFour + i] - taken;
        }
        for (int n = k; n < LINES; n += 2) {
            lines[n].moveOn();
        }
    }
}
