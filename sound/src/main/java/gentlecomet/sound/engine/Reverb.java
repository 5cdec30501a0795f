package gentlecomet.sound.engine;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.PatchParameters;

/**
 * A feedback delay network of eight lines joined by a Householder matrix (J.-M. Jot, 1991): every line loses exactly the
 * gain that brings the whole to -60 dB after the decay time, and its highs a little sooner.
 */
final class Reverb {

    private static final int LINES = 8;
    /** Line lengths in seconds at full size; without common divisors at any usual sample rate. */
    private static final double[] LENGTHS = {0.0297, 0.0371, 0.0411, 0.0437, 0.0533, 0.0617, 0.0683, 0.0797};
    private static final double SMALLEST = 0.25;

    private final double sampleRate;
    private final double[][] lines = new double[LINES][];
    private final int[] mask = new int[LINES];
    private final int[] lengths = new int[LINES];
    private final double[] damp = new double[LINES];
    private final double[][] taps = new double[LINES][Engine.STEP];
    private final double[] sum = new double[Engine.STEP];
    private final double[] wetLeft = new double[Engine.STEP];
    private final double[] wetRight = new double[Engine.STEP];
    private final double[] preLeft;
    private final double[] preRight;
    private final int preMask;
    private final OnePoleCuts cutsLeft = new OnePoleCuts();
    private final OnePoleCuts cutsRight = new OnePoleCuts();
    private final MixRamp mix = new MixRamp();
    private double size = -1;
    private int write;
    private boolean clean = true;

    Reverb(double sampleRate) {
        this.sampleRate = sampleRate;
        for (int k = 0; k < LINES; k++) {
            int power = powerAbove(LENGTHS[k] * sampleRate + 2 * Engine.STEP);
            lines[k] = new double[power];
            mask[k] = power - 1;
        }
        int power = powerAbove(0.26 * sampleRate + 2 * Engine.STEP);
        preLeft = new double[power];
        preRight = new double[power];
        preMask = power - 1;
    }

    void reset() {
        if (!clean) {
            for (double[] line : lines) {
                zero(line);
            }
            zero(preLeft);
            zero(preRight);
        }
        zero(damp);
        cutsLeft.reset();
        cutsRight.reset();
        mix.reset();
        size = -1;
        clean = true;
    }

    void process(double[] block, double[] left, double[] right) {
        mix.aim(block[PatchParameters.REVERB_MIX] / 100);
        if (mix.silent()) {
            if (!clean) {
                reset();
            }
            return;
        }
        clean = false;
        resize(block[PatchParameters.REVERB_SIZE]);
        feedIn(left, right, block[PatchParameters.REVERB_PRE_DELAY]);
        double lowCut = block[PatchParameters.REVERB_LOW_CUT];
        cutsLeft.process(wetLeft, lowCut, 20000, sampleRate);
        cutsRight.process(wetRight, lowCut, 20000, sampleRate);
        circulate(block[PatchParameters.REVERB_DECAY], block[PatchParameters.REVERB_DAMPING]);
        gather(block[PatchParameters.REVERB_WIDTH] / 100);
        write += Engine.STEP;
        mix.blend(left, wetLeft, right, wetRight);
    }

    private void resize(double wanted) {
        if (wanted == size) {
            return;
        }
        size = wanted;
        double scale = SMALLEST + (1 - SMALLEST) * wanted / 100;
        for (int k = 0; k < LINES; k++) {
            lengths[k] = Math.max(Engine.STEP + 1, (int) (LENGTHS[k] * scale * sampleRate));
        }
    }

    private void feedIn(double[] left, double[] right, double preDelaySeconds) {
        int delay = (int) (preDelaySeconds * sampleRate);
        for (int i = 0; i < Engine.STEP; i++) {
            int at = (write + i) & preMask;
            preLeft[at] = left[i];
            preRight[at] = right[i];
        }
        for (int i = 0; i < Engine.STEP; i++) {
            int at = (write + i - delay) & preMask;
            wetLeft[i] = preLeft[at];
            wetRight[i] = preRight[at];
        }
    }

    private void circulate(double decaySeconds, double dampingHz) {
        zero(sum);
        double part = 1 - Polynomials.exp2(-9.064720283654388 * Math.min(0.49, dampingHz / sampleRate));
        for (int k = 0; k < LINES; k++) {
            double gain = Polynomials.exp2(-9.965784284662087 * lengths[k] / (decaySeconds * sampleRate));
            double[] line = lines[k];
            double[] tap = taps[k];
            int start = write - lengths[k];
            for (int i = 0; i < Engine.STEP; i++) {
                tap[i] = line[(start + i) & mask[k]] * gain;
            }
            double d = damp[k];
            for (int i = 0; i < Engine.STEP; i++) {
                d += (tap[i] - d) * part;
                tap[i] = d;
            }
            damp[k] = d + 1e-20;
            for (int i = 0; i < Engine.STEP; i++) {
                sum[i] += tap[i];
            }
        }
        for (int k = 0; k < LINES; k++) {
            double[] line = lines[k];
            double[] tap = taps[k];
            double[] in = (k & 1) == 0 ? wetLeft : wetRight;
            double sign = (k & 2) == 0 ? 0.5 : -0.5;
            for (int i = 0; i < Engine.STEP; i++) {
                line[(write + i) & mask[k]] = tap[i] - sum[i] * (2.0 / LINES) + in[i] * sign;
            }
        }
    }

    private void gather(double width) {
        for (int i = 0; i < Engine.STEP; i++) {
            double l = taps[0][i] + taps[2][i] - taps[4][i] - taps[6][i];
            double r = taps[1][i] + taps[3][i] - taps[5][i] - taps[7][i];
            double middle = 0.5 * (l + r);
            double side = 0.5 * (l - r) * width;
            wetLeft[i] = middle + side;
            wetRight[i] = middle - side;
        }
    }

    private static void zero(double[] samples) {
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
