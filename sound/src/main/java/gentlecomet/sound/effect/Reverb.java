package gentlecomet.sound.effect;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.EffectParameters;

/**
 * A feedback delay network of eight lines joined by a Householder matrix (J.-M. Jot, 1991): every line loses exactly the
 * gain that brings the whole to -60 dB after the decay time, and its highs a little sooner. A few early reflections come
 * straight from the pre-delay.
 */
final class Reverb implements Effect {

    private static final int SAMPLES = ControlStep.SAMPLES;
    private static final int LINES = 8;
    /** Line lengths in seconds at full size; without common divisors at any usual sample rate. */
    private static final double[] LENGTHS = {0.0297, 0.0371, 0.0411, 0.0437, 0.0533, 0.0617, 0.0683, 0.0797};
    private static final double SMALLEST = 0.25;

    private final double sampleRate;
    private final double[][] lines = new double[LINES][];
    private final int[] lengths = new int[LINES];
    private final double[] damp = new double[LINES];
    private final double[][] taps = new double[LINES][SAMPLES];
    private final double[] sum = new double[SAMPLES];
    private final double[] even = new double[SAMPLES];
    private final double[] odd = new double[SAMPLES];
    private final double[] lastEven = new double[SAMPLES];
    private final double[] lastOdd = new double[SAMPLES];
    private final double[] wetLeft = new double[SAMPLES];
    private final double[] wetRight = new double[SAMPLES];
    private final float[] preLeft;
    private final float[] preRight;
    private final int preMask;
    private final OnePoleCuts cuts = new OnePoleCuts();
    /** Early reflections: seconds and level of each, left and right alternating. */
    private static final double[] EARLY_SECONDS = {0.0067, 0.0091, 0.0137, 0.0173, 0.0211, 0.0263, 0.0317, 0.0373};
    private static final double[] EARLY_LEVELS = {0.8, 0.75, 0.65, 0.6, 0.5, 0.45, 0.38, 0.33};
    private final double[] gains = new double[LINES];
    private double decayOfGains = -1;
    private double dampingOfPart = -1;
    private double dampingPart;
    private double size = -1;
    private int write;
    private boolean clean = true;

    Reverb(double sampleRate) {
        this.sampleRate = sampleRate;
        for (int k = 0; k < LINES; k++) {
            int power = powerAbove(LENGTHS[k] * sampleRate + 2 * SAMPLES);
            lines[k] = new double[power];
        }
        int power = powerAbove(0.65 * sampleRate + 2 * SAMPLES);
        preLeft = new float[power];
        preRight = new float[power];
        preMask = power - 1;
    }

    @Override
    public void reset() {
        for (double[] line : lines) {
            for (int i = 0; i < line.length; i++) {
                line[i] = 0;
            }
        }
        zero(preLeft);
        zero(preRight);
        for (int k = 0; k < LINES; k++) {
            damp[k] = 0;
        }
        cuts.reset();
        size = -1;
        write = 0;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] left, double[] right) {
        resize(block[at + EffectParameters.REVERB_SIZE]);
        int division = (int) block[at + EffectParameters.REVERB_DIVISION];
        double preDelay = division == 0 ? block[at + EffectParameters.REVERB_PRE_DELAY] : Math.min(0.6, Division.seconds(division, tempo));
        feedIn(left, right, preDelay);
        cuts.process(wetLeft, wetRight, block[at + EffectParameters.REVERB_LOW_CUT], block[at + EffectParameters.REVERB_HIGH_CUT], sampleRate);
        circulate(block[at + EffectParameters.REVERB_DECAY], block[at + EffectParameters.REVERB_DAMPING]);
        gather(block[at + EffectParameters.REVERB_WIDTH] / 100, even, odd, left, right);
        reflect(block[at + EffectParameters.REVERB_EARLY], preDelay, left, right);
        write += SAMPLES;
    }

    private void reflect(double levelDb, double preDelaySeconds, double[] left, double[] right) {
        if (levelDb <= -48) {
            return;
        }
        double level = 0.5 * Polynomials.gainOfDb(levelDb);
        double scale = SMALLEST + (1 - SMALLEST) * size / 100;
        for (int tap = 0; tap < EARLY_SECONDS.length; tap++) {
            int delay = (int) (sampleRate * (preDelaySeconds + scale * EARLY_SECONDS[tap]));
            double gain = level * EARLY_LEVELS[tap];
            double[] to = (tap & 1) == 0 ? left : right;
            float[] from = (tap & 2) == 0 ? preLeft : preRight;
            for (int i = 0; i < SAMPLES; i++) {
                to[i] += gain * from[write + i - delay & preMask];
            }
        }
    }

    private void resize(double wanted) {
        if (wanted == size) {
            return;
        }
        size = wanted;
        decayOfGains = -1;
        double scale = SMALLEST + (1 - SMALLEST) * wanted / 100;
        for (int k = 0; k < LINES; k++) {
            lengths[k] = Math.max(SAMPLES + 1, (int) (LENGTHS[k] * scale * sampleRate));
        }
    }

    private void feedIn(double[] left, double[] right, double preDelaySeconds) {
        int delay = (int) (preDelaySeconds * sampleRate);
        through(preLeft, write, delay, left, wetLeft);
        through(preRight, write, delay, right, wetRight);
    }

    private static void through(float[] line, int write, int delay, double[] in, double[] out) {
        int mask = line.length - 1;
        int to = write & mask;
        for (int i = 0; i < SAMPLES; i++) {
            line[to + i] = (float) in[i];
        }
        int from = write - delay;
        for (int i = 0; i < SAMPLES; i++) {
            out[i] = line[from + i & mask];
        }
    }

    private void circulate(double decaySeconds, double dampingHz) {
        if (dampingHz != dampingOfPart) {
            dampingOfPart = dampingHz;
            dampingPart = 1 - Polynomials.exp2(-9.064720283654388 * Math.min(0.49, dampingHz / sampleRate));
        }
        tuneGains(decaySeconds);
        soften(0, dampingPart, even, odd);
        soften(4, dampingPart, lastEven, lastOdd);
        join(even, odd, lastEven, lastOdd, sum);
        for (int k = 0; k < LINES; k++) {
            // Lines are a multiple of a step long and so is the place to write at: no step is written across the end.
            feedBack(lines[k], write & lines[k].length - 1, taps[k], sum, (k & 1) == 0 ? wetLeft : wetRight, (k & 2) == 0 ? 0.5 : -0.5);
        }
    }

    private void tuneGains(double decaySeconds) {
        if (decaySeconds != decayOfGains) {
            decayOfGains = decaySeconds;
            for (int n = 0; n < LINES; n++) {
                gains[n] = Polynomials.exp2(-9.965784284662087 * lengths[n] / (decaySeconds * sampleRate));
            }
        }
    }

    /** The sum that goes back into all lines; and what goes out: first lines less last ones, even on the left and odd on the right. */
    private static void join(double[] even, double[] odd, double[] lastEven, double[] lastOdd, double[] sum) {
        for (int i = 0; i < SAMPLES; i++) {
            double l = even[i];
            double r = odd[i];
            double m = lastEven[i];
            double n = lastOdd[i];
            sum[i] = (l + r + m + n) * (2.0 / LINES);
            even[i] = l - m;
            odd[i] = r - n;
        }
    }

    /** Reads four lines at once and takes their highs away, so that their chains overlap; and sums them, even and odd ones apart. */
    private void soften(int k, double part, double[] sumEven, double[] sumOdd) {
        double[] lineOne = lines[k];
        double[] lineTwo = lines[k + 1];
        double[] lineThree = lines[k + 2];
        double[] lineFour = lines[k + 3];
        int fromOne = write - lengths[k];
        int fromTwo = write - lengths[k + 1];
        int fromThree = write - lengths[k + 2];
        int fromFour = write - lengths[k + 3];
        double gainOne = gains[k] * part;
        double gainTwo = gains[k + 1] * part;
        double gainThree = gains[k + 2] * part;
        double gainFour = gains[k + 3] * part;
        double[] one = taps[k];
        double[] two = taps[k + 1];
        double[] three = taps[k + 2];
        double[] four = taps[k + 3];
        double d = damp[k];
        double e = damp[k + 1];
        double f = damp[k + 2];
        double g = damp[k + 3];
        double rest = 1 - part;
        for (int i = 0; i < SAMPLES; i++) {
            d = lineOne[fromOne + i & lineOne.length - 1] * gainOne + d * rest;
            e = lineTwo[fromTwo + i & lineTwo.length - 1] * gainTwo + e * rest;
            f = lineThree[fromThree + i & lineThree.length - 1] * gainThree + f * rest;
            g = lineFour[fromFour + i & lineFour.length - 1] * gainFour + g * rest;
            one[i] = d;
            two[i] = e;
            three[i] = f;
            four[i] = g;
            sumEven[i] = d + f;
            sumOdd[i] = e + g;
        }
        damp[k] = d + 1e-20;
        damp[k + 1] = e + 1e-20;
        damp[k + 2] = f + 1e-20;
        damp[k + 3] = g + 1e-20;
    }

    private static void feedBack(double[] line, int at, double[] tap, double[] sum, double[] in, double share) {
        for (int i = 0; i < SAMPLES; i++) {
            line[at + i] = tap[i] - sum[i] + in[i] * share;
        }
    }

    private static void gather(double width, double[] lefts, double[] rights, double[] toLeft, double[] toRight) {
        for (int i = 0; i < SAMPLES; i++) {
            double l = lefts[i];
            double r = rights[i];
            double middle = 0.5 * (l + r);
            double side = 0.5 * (l - r) * width;
            toLeft[i] = middle + side;
            toRight[i] = middle - side;
        }
    }

    private static void zero(float[] samples) {
        for (int i = 0; i < samples.length; i++) {
            samples[i] = 0;
        }
    }

    private static int powerAbove(double samples) {
        int power = 1;
        while (power < samples) {
            power *= 2;
        }
        return power;
    }
}
