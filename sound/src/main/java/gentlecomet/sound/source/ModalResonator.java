package gentlecomet.sound.source;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.NoiseGenerator;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.SourceParameters;

/**
 * A struck body: an exciter (a click, or a burst of noise) into up to 64 resonators, each the rotation of a complex number
 * that shrinks by 60 dB over its decay time.
 */
final class ModalResonator {

    private static final int MOST = 64;
    private static final int SAMPLES = ControlStep.SAMPLES;
    private static final double HIGHEST = 0.46;
    private static final double QUIET = 1e-9;
    /** log2(1000): the exponent of a fall by 60 dB. */
    private static final double FALL = 9.965784284662087;

    private final double[] re = new double[MOST];
    private final double[] im = new double[MOST];
    private final double[] cos = new double[MOST];
    private final double[] sin = new double[MOST];
    private final double[] gain = new double[MOST];
    private final double[] blow = new double[SAMPLES];
    private final double[] sum = new double[SAMPLES];
    private final double[] difference = new double[SAMPLES];
    private final NoiseGenerator noise = new NoiseGenerator();
    private double seconds;
    private double tone;
    private double tunedTo = -1;
    private double fingerprint;
    private int tuned;
    private int seed;
    private boolean ringing;
    private boolean struck;

    void start(int noteSeed) {
        seed = noteSeed;
        noise.seed(noteSeed);
        seconds = 0;
        tone = 0;
        tunedTo = -1;
        ringing = true;
        struck = false;
        for (int k = 0; k < MOST; k++) {
            re[k] = 0;
            im[k] = 0;
        }
    }

    void draw(double[] block, int at, SourceMaterial material, double frequencyHz, double sampleRate, SourceOutput to, double pan, double width) {
        double length = block[at + SourceParameters.EXCITER_LENGTH];
        boolean exciting = seconds <= length + 0.002;
        if (!ringing && !exciting) {
            return;
        }
        double fall = block[at + SourceParameters.PITCH_FALL];
        double bent = fall == 0 ? frequencyHz : frequencyHz
                * Polynomials.exp2(fall / 12 * Polynomials.exp2(-FALL * seconds / block[at + SourceParameters.PITCH_FALL_TIME]));
        tune(block, at, material, bent, sampleRate);
        strike(block, at, length, sampleRate);
        for (int i = 0; i < SAMPLES; i++) {
            sum[i] = 0;
            difference[i] = 0;
        }
        double energy = 0;
        for (int k = 0; k < tuned; k += 2) {
            two(k);
            energy = energy + Math.abs(re[k]) + Math.abs(im[k]) + Math.abs(re[k + 1]) + Math.abs(im[k + 1]);
        }
        ringing = energy > QUIET;
        seconds += SAMPLES / sampleRate;
        double l = UnisonSpread.leftGain(pan);
        double r = UnisonSpread.leftGain(-pan);
        double[] left = to.left;
        double[] right = to.right;
        int from = to.at + BlepTables.LAG;
        for (int i = 0; i < SAMPLES; i++) {
            double side = difference[i] * width;
            left[from + i] += l * (sum[i] + side);
            right[from + i] += r * (sum[i] - side);
        }
    }

    private void two(int k) {
        double r0 = re[k];
        double i0 = im[k];
        double r1 = re[k + 1];
        double i1 = im[k + 1];
        double c0 = cos[k];
        double s0 = sin[k];
        double c1 = cos[k + 1];
        double s1 = sin[k + 1];
        double g0 = gain[k];
        double g1 = gain[k + 1];
        double[] in = blow;
        double[] toSum = sum;
        double[] toDifference = difference;
        for (int i = 0; i < SAMPLES; i++) {
            double x = in[i];
            double t0 = r0 * c0 - i0 * s0 + g0 * x;
            i0 = r0 * s0 + i0 * c0;
            r0 = t0;
            double t1 = r1 * c1 - i1 * s1 + g1 * x;
            i1 = r1 * s1 + i1 * c1;
            r1 = t1;
            toSum[i] = toSum[i] + i0 + i1;
            toDifference[i] = toDifference[i] + i0 - i1;
        }
        re[k] = r0;
        im[k] = i0;
        re[k + 1] = r1;
        im[k + 1] = i1;
    }

    private void strike(double[] block, int at, double length, double sampleRate) {
        double open = 1 - Polynomials.exp2(-9.064720283654388 * Math.min(0.49, block[at + SourceParameters.EXCITER_TONE] / sampleRate));
        boolean click = block[at + SourceParameters.EXCITER] == 0;
        double frames = Math.max(1, length * sampleRate);
        // A click is half a sine wave of unit area, noise a burst of the same energy as a click of one sample.
        double scale = click ? Math.PI / (2 * frames) : Math.sqrt(3 / frames);
        double first = seconds * sampleRate;
        double t = tone;
        for (int i = 0; i < SAMPLES; i++) {
            double part = (first + i + 0.5) / frames;
            double x = 0;
            if (part < 1) {
                x = click ? scale * Polynomials.sinCycles(part / 2) : scale * noise.next() * (1 - part);
            }
            t += (x - t) * open;
            blow[i] = t;
        }
        tone = Math.abs(t) < 1e-12 ? 0 : t;
    }

    private void tune(double[] block, int at, SourceMaterial material, double frequencyHz, double sampleRate) {
        double set = block[at + SourceParameters.BODY_SET];
        int count = (int) block[at + SourceParameters.BODY_PARTIALS];
        double decay = block[at + SourceParameters.BODY_DECAY];
        double tilt = block[at + SourceParameters.BODY_TILT] / 100;
        double strike = block[at + SourceParameters.STRIKE] / 100;
        double spread = block[at + SourceParameters.SPREAD];
        double print = set + 10 * count + 1000 * decay + 1e5 * tilt + 1e6 * strike + 1e8 * spread + 1e-3 * material.edition();
        if (frequencyHz == tunedTo && print == fingerprint) {
            return;
        }
        boolean pitchOnly = print == fingerprint && struck;
        tunedTo = frequencyHz;
        fingerprint = print;
        struck = true;
        double[] drawn = material.modes();
        ModeSets modes = ModeSets.of((int) set);
        int all = modes == null ? Math.max(1, drawn.length / 3) : ModeSets.MOST;
        tuned = Math.min(MOST, (Math.min(count, all) + 1) / 2 * 2);
        double power = 0;
        for (int k = 0; k < tuned; k++) {
            double ratio = modes == null ? k < drawn.length / 3 ? drawn[3 * k] : 1 : modes.ratio(k);
            double ownDb = 3 * k < drawn.length ? drawn[3 * k + 1] : 0;
            double ownDecay = 3 * k < drawn.length ? drawn[3 * k + 2] / 100 : 1;
            double tuneBy = modes == null || 3 * k >= drawn.length ? 1 : drawn[3 * k];
            double cycles = frequencyHz * ratio * tuneBy / sampleRate;
            double seconds60 = decay * ownDecay * Polynomials.exp2(-2 * tilt * Polynomials.log2(Math.max(1, ratio)));
            double shrink = Polynomials.exp2(-FALL / Math.max(1, seconds60 * sampleRate));
            boolean heard = k < count && k < all && cycles < HIGHEST;
            cos[k] = heard ? shrink * Polynomials.cosCycles(cycles) : 0;
            sin[k] = heard ? shrink * Polynomials.sinCycles(cycles) : 0;
            if (!pitchOnly || !heard) {
                double level = modes == null ? 1 : modes.level(k, strike);
                double random = spread == 0 ? 0 : spread * (2 * NoiseGenerator.fraction(seed, k, 5) - 1);
                gain[k] = heard ? level * Polynomials.gainOfDb(ownDb + random) : 0;
            }
            power += gain[k] * gain[k];
        }
        if (!pitchOnly && power > 0) {
            double even = 1 / Math.sqrt(power);
            for (int k = 0; k < tuned; k++) {
                gain[k] *= even;
            }
        }
    }
}
