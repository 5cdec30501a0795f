package gentlecomet.sound.source;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.Grain;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.maths.Remembered;
import gentlecomet.sound.parameter.NoiseParameters;
import gentlecomet.sound.parameter.SourceParameters;

/**
 * The noise source of a voice: white; pink, by a sum of first-order filters spaced along the spectrum; brown, a leaky sum.
 * All colours have the effective value of white noise between -1 and 1.
 */
public final class NoiseSource {

    private static final int SAMPLES = ControlStep.SAMPLES;
    private static final int REPEATABLE_SEED = 7001;
    /** Poles of the pink filter, a factor of 3.2 apart, in Hz; each adds noise that falls by 6 dB per octave above it. */
    private static final double[] POLES_HZ = {7, 22.4, 71.7, 229, 734, 2349, 7516, 24050};
    private static final double BROWN_HZ = 20;

    private final Grain grain = new Grain();
    private final Remembered levelGain = new Remembered();
    private final Pan pan = new Pan();
    private final double[] weights = new double[POLES_HZ.length];
    private final double[] parts = new double[POLES_HZ.length];
    private final double[] pink = new double[2 * POLES_HZ.length];
    private final double[] brown = new double[2];
    private final double[] cuts = new double[4];
    private final double[] middle = new double[SAMPLES];
    private final double[] side = new double[SAMPLES];
    private double rate;
    private double pinkGain;
    private double brownPart;
    private double brownGain;
    private double gain;
    private boolean fresh;

    /** Begins a note. @param seed of the note, used unless the start is repeatable */
    public void start(double[] block, int at, int seed, double sampleRate) {
        boolean repeatable = block[at + NoiseParameters.START] == 1;
        grain.seed(repeatable ? REPEATABLE_SEED : Grain.hash(seed, 9, 4111));
        fresh = true;
        gain = 0;
        for (int k = 0; k < pink.length; k++) {
            pink[k] = 0;
        }
        brown[0] = 0;
        brown[1] = 0;
        for (int k = 0; k < cuts.length; k++) {
            cuts[k] = 0;
        }
        if (rate != sampleRate) {
            tune(sampleRate);
        }
    }

    private void tune(double sampleRate) {
        rate = sampleRate;
        double power = 0;
        for (int k = 0; k < POLES_HZ.length; k++) {
            double open = 1 - Polynomials.exp2(-9.064720283654388 * POLES_HZ[k] / sampleRate);
            parts[k] = open;
            // Amplitudes fall with the square root of the frequency, so that the sum falls by 3 dB per octave.
            weights[k] = Math.sqrt(POLES_HZ[0] / POLES_HZ[k]);
        }
        for (int j = 0; j < POLES_HZ.length; j++) {
            for (int k = 0; k < POLES_HZ.length; k++) {
                // Correlation of two first-order filters fed with the same noise: a b / (1 - (1 - a)(1 - b)).
                power += weights[j] * weights[k] * parts[j] * parts[k] / (1 - (1 - parts[j]) * (1 - parts[k]));
            }
        }
        pinkGain = 1 / Math.sqrt(power);
        brownPart = 1 - Polynomials.exp2(-9.064720283654388 * BROWN_HZ / sampleRate);
        brownGain = 1 / Math.sqrt(brownPart / (2 - brownPart));
    }

    /** Whether it would be heard in the coming control step or has just been. */
    public boolean heard(double[] block, int at) {
        return gain != 0 || block[at + NoiseParameters.LEVEL] > SourceParameters.OFF_DB;
    }

    /** Adds one control step to the voice's channels. */
    public void add(double[] block, int at, double[] outLeft, double[] outRight) {
        double level = block[at + NoiseParameters.LEVEL];
        double wanted = level <= SourceParameters.OFF_DB ? 0 : levelGain.gainOfDb(level);
        if (fresh) {
            gain = wanted;
            fresh = false;
        }
        double width = block[at + NoiseParameters.WIDTH] / 100;
        int colour = (int) block[at + NoiseParameters.COLOUR];
        fill(middle, colour, 0);
        if (width > 0) {
            fill(side, colour, 1);
        }
        double low = block[at + NoiseParameters.LOW_CUT];
        double high = block[at + NoiseParameters.HIGH_CUT];
        if (low > 20.001 || high < 19999) {
            cut(middle, 0, low, high);
            if (width > 0) {
                cut(side, 2, low, high);
            }
        }
        pan.set(block[at + NoiseParameters.PAN] / 100);
        double l = pan.left();
        double r = pan.right();
        double common = Math.sqrt(1 - width * 0.5);
        double slope = (wanted - gain) / SAMPLES;
        if (width > 0) {
            double own = Math.sqrt(width * 0.5);
            spread(middle, l * common, r * common, side, l * own, -r * own, gain, slope, outLeft, outRight);
        } else {
            spread(middle, l * common, r * common, gain, slope, outLeft, outRight);
        }
        gain = wanted;
    }

    private static void spread(double[] samples, double l, double r, double gain, double slope, double[] outLeft, double[] outRight) {
        if (slope == 0) {
            double levelLeft = l * gain;
            double levelRight = r * gain;
            for (int i = 0; i < SAMPLES; i++) {
                outLeft[i] += samples[i] * levelLeft;
                outRight[i] += samples[i] * levelRight;
            }
            return;
        }
        double[] ramp = ControlStep.RAMP;
        for (int i = 0; i < SAMPLES; i++) {
            double v = samples[i] * (gain + slope * ramp[i]);
            outLeft[i] += l * v;
            outRight[i] += r * v;
        }
    }

    private static void spread(double[] middle, double l, double r, double[] side, double sideLeft, double sideRight, double gain, double slope,
            double[] outLeft, double[] outRight) {
        double[] ramp = ControlStep.RAMP;
        for (int i = 0; i < SAMPLES; i++) {
            double g = gain + slope * ramp[i];
            double m = middle[i] * g;
            double s = side[i] * g;
            outLeft[i] = outLeft[i] + l * m + sideLeft * s;
            outRight[i] = outRight[i] + r * m + sideRight * s;
        }
    }

    private void fill(double[] to, int colour, int channel) {
        grain.fill(to);
        if (colour == 1) {
            double[] from = parts;
            int at = channel * POLES_HZ.length;
            for (int i = 0; i < SAMPLES; i++) {
                double x = to[i];
                double sum = 0;
                for (int k = 0; k < POLES_HZ.length; k++) {
                    double y = pink[at + k];
                    y += (x - y) * from[k];
                    pink[at + k] = y;
                    sum += weights[k] * y;
                }
                to[i] = sum * pinkGain;
            }
        } else if (colour == 2) {
            double b = brown[channel];
            for (int i = 0; i < SAMPLES; i++) {
                b += (to[i] - b) * brownPart;
                to[i] = b * brownGain;
            }
            brown[channel] = b;
        }
    }

    private void cut(double[] samples, int at, double lowHz, double highHz) {
        double g = Polynomials.tanHalfTurns(Math.min(0.49, lowHz / rate));
        double lowPart = lowHz > 20.001 ? g / (1 + g) : 0;
        double h = Polynomials.tanHalfTurns(Math.min(0.49, highHz / rate));
        double highPart = highHz < 19999 ? h / (1 + h) : 1;
        double l = cuts[at];
        double k = cuts[at + 1];
        for (int i = 0; i < SAMPLES; i++) {
            double v = (samples[i] - l) * lowPart;
            double below = v + l;
            l = below + v;
            double rest = samples[i] - below;
            if (highPart < 1) {
                double w = (rest - k) * highPart;
                double kept = w + k;
                k = kept + w;
                rest = kept;
            }
            samples[i] = rest;
        }
        cuts[at] = l;
        cuts[at + 1] = k;
    }
}
