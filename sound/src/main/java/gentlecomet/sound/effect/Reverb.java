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
    private final int[] mask = new int[LINES];
    private final int[] lengths = new int[LINES];
    private final double[] damp = new double[LINES];
    private final double[][] taps = new double[LINES][SAMPLES];
    private final double[] sum = new double[SAMPLES];
    private final double[] wetLeft = new double[SAMPLES];
    private final double[] wetRight = new double[SAMPLES];
    private final float[] preLeft;
    private final float[] preRight;
    private final int preMask;
    private final OnePoleCuts cutsLeft = new OnePoleCuts();
    private final OnePoleCuts cutsRight = new OnePoleCuts();
    /** Early reflections: seconds and level of each, left and right alternating. */
    private static final double[] EARLY_SECONDS = {0.0067, 0.0091, 0.0137, 0.0173, 0.0211, 0.0263, 0.0317, 0.0373};
    private static final double[] EARLY_LEVELS = {0.8, 0.75, 0.65, 0.6, 0.5, 0.45, 0.38, 0.33};
    private final double[] gains = new double[LINES];
    private double decayOfGains = -1;
    private double size = -1;
    private int write;
    private boolean clean = true;

    Reverb(double sampleRate) {
        this.sampleRate = sampleRate;
        for (int k = 0; k < LINES; k++) {
            int power = powerAbove(LENGTHS[k] * sampleRate + 2 * SAMPLES);
            lines[k] = new double[power];
            mask[k] = power - 1;
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
        cutsLeft.reset();
        cutsRight.reset();
        size = -1;
        write = 0;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] left, double[] right) {
        resize(block[at + EffectParameters.REVERB_SIZE]);
        int division = (int) block[at + EffectParameters.REVERB_DIVISION];
        double preDelay = division == 0 ? block[at + EffectParameters.REVERB_PRE_DELAY] : Math.min(0.6, Division.seconds(division, tempo));
        feedIn(left, right, preDelay);
        double lowCut = block[at + EffectParameters.REVERB_LOW_CUT];
        double highCut = block[at + EffectParameters.REVERB_HIGH_CUT];
        cutsLeft.process(wetLeft, lowCut, highCut, sampleRate);
        cutsRight.process(wetRight, lowCut, highCut, sampleRate);
        circulate(block[at + EffectParameters.REVERB_DECAY], block[at + EffectParameters.REVERB_DAMPING]);
        gather(block[at + EffectParameters.REVERB_WIDTH] / 100);
        reflect(block[at + EffectParameters.REVERB_EARLY], preDelay);
        write += SAMPLES;
        for (int i = 0; i < SAMPLES; i++) {
            left[i] = wetLeft[i];
            right[i] = wetRight[i];
        }
    }

    private void reflect(double levelDb, double preDelaySeconds) {
        if (levelDb <= -48) {
            return;
        }
        double level = 0.5 * Polynomials.gainOfDb(levelDb);
        double scale = SMALLEST + (1 - SMALLEST) * size / 100;
        for (int tap = 0; tap < EARLY_SECONDS.length; tap++) {
            int delay = (int) (sampleRate * (preDelaySeconds + scale * EARLY_SECONDS[tap]));
            double gain = level * EARLY_LEVELS[tap];
            double[] to = (tap & 1) == 0 ? wetLeft : wetRight;
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
        for (int i = 0; i < SAMPLES; i++) {
            int at = (write + i) & preMask;
            preLeft[at] = (float) left[i];
            preRight[at] = (float) right[i];
        }
        for (int i = 0; i < SAMPLES; i++) {
            int at = (write + i - delay) & preMask;
            wetLeft[i] = preLeft[at];
            wetRight[i] = preRight[at];
        }
    }

    private void circulate(double decaySeconds, double dampingHz) {
        for (int i = 0; i < SAMPLES; i++) {
            sum[i] = 0;
        }
        double part = 1 - Polynomials.exp2(-9.064720283654388 * Math.min(0.49, dampingHz / sampleRate));
        for (int k = 0; k < LINES; k += 2) {
            read(lines[k], write - lengths[k], mask[k], gain(k, decaySeconds), taps[k]);
            read(lines[k + 1], write - lengths[k + 1], mask[k + 1], gain(k + 1, decaySeconds), taps[k + 1]);
            soften(k, part);
            add(taps[k], taps[k + 1], sum);
        }
        for (int k = 0; k < LINES; k++) {
            // Lines are a multiple of a step long and so is the place to write at: no step is written across the end.
            feedBack(lines[k], write & mask[k], taps[k], sum, (k & 1) == 0 ? wetLeft : wetRight, (k & 2) == 0 ? 0.5 : -0.5);
        }
    }

    private double gain(int k, double decaySeconds) {
        if (decaySeconds != decayOfGains) {
            decayOfGains = decaySeconds;
            for (int n = 0; n < LINES; n++) {
                gains[n] = Polynomials.exp2(-9.965784284662087 * lengths[n] / (decaySeconds * sampleRate));
            }
        }
        return gains[k];
    }

    private static void read(double[] line, int start, int mask, double gain, double[] tap) {
        int at = start & mask;
        if (at + SAMPLES <= line.length) {
            for (int i = 0; i < SAMPLES; i++) {
                tap[i] = line[at + i] * gain;
            }
        } else {
            for (int i = 0; i < SAMPLES; i++) {
                tap[i] = line[at + i & mask] * gain;
            }
        }
    }

    /** Highs of two lines at once, so that their chains overlap. */
    private void soften(int k, double part) {
        double[] one = taps[k];
        double[] two = taps[k + 1];
        double d = damp[k];
        double e = damp[k + 1];
        for (int i = 0; i < SAMPLES; i++) {
            d += (one[i] - d) * part;
            e += (two[i] - e) * part;
            one[i] = d;
            two[i] = e;
        }
        damp[k] = d + 1e-20;
        damp[k + 1] = e + 1e-20;
    }

    private static void add(double[] one, double[] two, double[] sum) {
        for (int i = 0; i < SAMPLES; i++) {
            sum[i] = sum[i] + one[i] + two[i];
        }
    }

    private static void feedBack(double[] line, int at, double[] tap, double[] sum, double[] in, double sign) {
        for (int i = 0; i < SAMPLES; i++) {
            line[at + i] = tap[i] - sum[i] * (2.0 / LINES) + in[i] * sign;
        }
    }

    private void gather(double width) {
        for (int i = 0; i < SAMPLES; i++) {
            double l = taps[0][i] + taps[2][i] - taps[4][i] - taps[6][i];
            double r = taps[1][i] + taps[3][i] - taps[5][i] - taps[7][i];
            double middle = 0.5 * (l + r);
            double side = 0.5 * (l - r) * width;
            wetLeft[i] = middle + side;
            wetRight[i] = middle - side;
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
