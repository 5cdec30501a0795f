package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.source.ModeSets;

/**
 * A body through which the sound goes: a bank of twelve resonances, tuned as those of a tube, a skin, a plate of wood or a bar of metal are ({@link ModeSets}), or of eight that
 * are drawn; fixed or following the newest note. Each has a gain of one at its peak whatever its decay (J. O. Smith, "Introduction to Digital Filters", constant peak-gain resonator). How much of it is heard
 * may go by the level of what comes in.
 */
final class BodyEffect implements Effect {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final int COUNT = 12;
    /** Which set of modes each kind has: tube, skin, wood, metal. */
    private static final int[] SETS = {0, 1, 4, 2};
    private static final int MIDDLE_KEY = 60;
    private static final double HIGHEST = 0.45;
    /** Level at which a drawn resonance is off. */
    private static final double SILENT_DB = -48;
    private static final double LOG2_OF_1000 = 9.965784284662087;
    /** Exponent of a partial's ratio by which its decay is shorter at full damping of the highs. */
    private static final double MOST_TILT = 1.5;
    /** Level of what comes in at which all of the body is heard. */
    private static final double FULL_TOUCH = 0.25;
    private static final double FOLLOWS_SECONDS = 0.02;

    private final double sampleRate;
    private final double[] near = new double[COUNT];
    private final double[] back = new double[COUNT];
    private final double[] gain = new double[COUNT];
    /** Two inputs and two outputs before, of each resonance of both channels: the inputs are the same for all. */
    private final double[] left = new double[2 * COUNT];
    private final double[] right = new double[2 * COUNT];
    private final double[] inputs = new double[4];
    private final double[] outLeft = new double[SAMPLES];
    private final double[] outRight = new double[SAMPLES];
    private final double fall;
    private double key = MIDDLE_KEY;
    private double level;
    private double heard;

    BodyEffect(double sampleRate) {
        this.sampleRate = sampleRate;
        fall = Polynomials.exp2(-SAMPLES / (FOLLOWS_SECONDS * sampleRate));
    }

    @Override
    public void reset() {
        for (int i = 0; i < left.length; i++) {
            left[i] = 0;
            right[i] = 0;
        }
        for (int i = 0; i < inputs.length; i++) {
            inputs[i] = 0;
        }
        level = 0;
        heard = 0;
    }

    @Override
    public boolean listens(double[] block, int at) {
        return block[at + EffectParameters.BODY_KEY_TRACKING] > 0;
    }

    @Override
    public void follow(double newKey, boolean held) {
        key = newKey;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] toLeft, double[] toRight) {
        tune(block, at);
        double peak = level * fall;
        for (int i = 0; i < SAMPLES; i++) {
            outLeft[i] = 0;
            outRight[i] = 0;
            peak = Math.max(peak, Math.max(Math.abs(toLeft[i]), Math.abs(toRight[i])));
        }
        level = peak;
        for (int k = 0; k < COUNT; k++) {
            if (gain[k] == 0 && left[2 * k] == 0 && right[2 * k] == 0) {
                continue;
            }
            ring(toLeft, inputs[0], inputs[1], k, left, outLeft);
            ring(toRight, inputs[2], inputs[3], k, right, outRight);
        }
        inputs[0] = toLeft[SAMPLES - 1];
        inputs[1] = toLeft[SAMPLES - 2];
        inputs[2] = toRight[SAMPLES - 1];
        inputs[3] = toRight[SAMPLES - 2];
        double touch = block[at + EffectParameters.BODY_TOUCH] / 100;
        double wanted = 1 - touch + touch * Math.min(1, level / FULL_TOUCH);
        double slope = (wanted - heard) / SAMPLES;
        double[] ramp = EffectStep.RAMP;
        for (int i = 0; i < SAMPLES; i++) {
            double g = heard + slope * (ramp[i] + 1);
            toLeft[i] = outLeft[i] * g;
            toRight[i] = outRight[i] * g;
        }
        heard = wanted;
    }

    private void tune(double[] block, int at) {
        double follows = block[at + EffectParameters.BODY_KEY_TRACKING] / 1200;
        double lowest = block[at + EffectParameters.BODY_TUNE] * Polynomials.exp2(follows * (key - MIDDLE_KEY));
        double decay = block[at + EffectParameters.BODY_DECAY];
        double tilt = MOST_TILT * block[at + EffectParameters.BODY_TILT] / 100;
        double sign = 1;
        for (int k = 0; k < COUNT; k++) {
            double level = level(block, at, k);
            if (level == 0) {
                gain[k] = 0;
                continue;
            }
            double ratio = ratio(block, at, k);
            double turns = lowest * ratio / sampleRate;
            double radius = radius(decay, tilt, ratio, sampleRate);
            near[k] = 2 * radius * Polynomials.cosCycles(Math.min(HIGHEST, turns));
            back[k] = radius * radius;
            // Neighbours have opposite signs, so that they do not cancel between their peaks.
            gain[k] = turns > HIGHEST ? 0 : sign * level * 0.5 * (1 - back[k]);
            sign = -sign;
        }
    }

    private static double radius(double decay, double tilt, double ratio, double sampleRate) {
        double seconds = decay * Polynomials.exp2(-tilt * Polynomials.log2(ratio));
        return Polynomials.exp2(-LOG2_OF_1000 / (seconds * sampleRate));
    }

    private static boolean drawn(double[] block, int at) {
        return block[at + EffectParameters.BODY_KIND] >= SETS.length;
    }

    private static double ratio(double[] block, int at, int k) {
        return drawn(block, at) ? block[at + EffectParameters.BODY_DRAWN + 2 * k] : ModeSets.of(SETS[(int) block[at + EffectParameters.BODY_KIND]]).ratio(k);
    }

    /** Gain of a resonance at its peak. */
    private static double level(double[] block, int at, int k) {
        if (!drawn(block, at)) {
            return 1;
        }
        double db = k < EffectParameters.BODY_RESONANCES ? block[at + EffectParameters.BODY_DRAWN + 2 * k + 1] : SILENT_DB;
        return db <= SILENT_DB ? 0 : Polynomials.gainOfDb(db);
    }

    /** Response in dB at a frequency with the newest key at middle C, for pictures: the sum of g (1 - z^-2) / (1 - a z^-1 + b z^-2). */
    static double responseDb(double[] block, int at, double hz, double sampleRate) {
        double tilt = MOST_TILT * block[at + EffectParameters.BODY_TILT] / 100;
        double c1 = Polynomials.cosCycles(hz / sampleRate);
        double s1 = Polynomials.sinCycles(hz / sampleRate);
        double c2 = Polynomials.cosCycles(2 * hz / sampleRate);
        double s2 = Polynomials.sinCycles(2 * hz / sampleRate);
        double re = 0;
        double im = 0;
        double sign = 1;
        for (int k = 0; k < COUNT; k++) {
            double level = level(block, at, k);
            double ratio = level == 0 ? 1 : ratio(block, at, k);
            double turns = block[at + EffectParameters.BODY_TUNE] * ratio / sampleRate;
            if (level == 0 || turns > HIGHEST) {
                continue;
            }
            double radius = radius(block[at + EffectParameters.BODY_DECAY], tilt, ratio, sampleRate);
            double a = 2 * radius * Polynomials.cosCycles(turns);
            double b = radius * radius;
            double g = sign * level * 0.5 * (1 - b);
            double dr = 1 - a * c1 + b * c2;
            double di = a * s1 - b * s2;
            double power = dr * dr + di * di;
            double nr = g * (1 - c2);
            double ni = g * s2;
            re += (nr * dr + ni * di) / power;
            im += (ni * dr - nr * di) / power;
            sign = -sign;
        }
        return Math.max(-120, Polynomials.dbOfGain(Math.sqrt(re * re + im * im)));
    }

    private void ring(double[] in, double before, double beforeThat, int k, double[] memory, double[] out) {
        double x1 = before;
        double x2 = beforeThat;
        double y1 = memory[2 * k];
        double y2 = memory[2 * k + 1];
        double a = near[k];
        double b = back[k];
        double g = gain[k];
        for (int i = 0; i < SAMPLES; i++) {
            double x = in[i];
            double y = g * (x - x2) + a * y1 - b * y2;
            x2 = x1;
            x1 = x;
            y2 = y1;
            y1 = y;
            out[i] += y;
        }
        memory[2 * k] = y1 + 1e-20;
        memory[2 * k + 1] = y2;
    }
}
