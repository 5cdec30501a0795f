package gentlecomet.sound.source;

import gentlecomet.sound.maths.CachedGain;
import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.NoiseGenerator;
import gentlecomet.sound.maths.Polynomials;
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

    private final NoiseGenerator grain = new NoiseGenerator();
    private final CachedGain levelGain = new CachedGain();
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
    private double wanted;
    private int colour;
    private int into;
    private double lowCutHz;
    private double highCutHz;
    /** How much of what both sides share, and of what each has of its own, goes to the sides. */
    private double commonLeft;
    private double commonRight;
    private double ownLeft;
    private double ownRight;
    private boolean wide;

    /** Begins a note. @param seed of the note, used unless the start is repeatable */
    public void start(double[] block, int at, int seed, double sampleRate) {
        take(block, at);
        boolean repeatable = block[at + NoiseParameters.START] == 1;
        grain.seed(repeatable ? REPEATABLE_SEED : NoiseGenerator.hash(seed, 9, 4111));
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

    /** Takes over where the parameters stand; to be called when they may have changed. */
    public void take(double[] block, int at) {
        double level = block[at + NoiseParameters.LEVEL];
        wanted = level <= SourceParameters.OFF_DB ? 0 : levelGain.gainOfDb(level);
        colour = (int) block[at + NoiseParameters.COLOUR];
        into = (int) block[at + NoiseParameters.OUTPUT];
        lowCutHz = block[at + NoiseParameters.LOW_CUT];
        highCutHz = block[at + NoiseParameters.HIGH_CUT];
        double width = block[at + NoiseParameters.WIDTH] / 100;
        wide = width > 0;
        pan.set(block[at + NoiseParameters.PAN] / 100);
        double common = Math.sqrt(1 - width * 0.5);
        double own = Math.sqrt(width * 0.5);
        commonLeft = pan.left() * common;
        commonRight = pan.right() * common;
        ownLeft = pan.left() * own;
        ownRight = -pan.right() * own;
    }

    /** Bus of the filters to which it goes, as the parameter counts them. */
    public int into() {
        return into;
    }

    /** Whether it would be heard in the coming control step or has just been. */
    public boolean heard() {
        return gain != 0 || wanted > 0;
    }

    /** Adds one control step to the voice's channels. */
    public void add(double[] outLeft, double[] outRight) {
        if (fresh) {
            gain = wanted;
            fresh = false;
        }
        fill(middle, colour, 0);
        if (wide) {
            fill(side, colour, 1);
        }
        if (lowCutHz > 20.001 || highCutHz < 19999) {
            cut(middle, 0, lowCutHz, highCutHz);
            if (wide) {
                cut(side, 2, lowCutHz, highCutHz);
            }
        }
        double slope = (wanted - gain) / SAMPLES;
        if (wide) {
            spread(middle, commonLeft, commonRight, side, ownLeft, ownRight, gain, slope, outLeft, outRight);
        } else {
            spread(middle, commonLeft, commonRight, gain, slope, outLeft, outRight);
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
        double lowPart = lowHz > 20.001 ? Polynomials.trapezoidalPart(Math.min(0.49, lowHz / rate)) : 0;
        double highPart = highHz < 19999 ? Polynomials.trapezoidalPart(Math.min(0.49, highHz / rate)) : 1;
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
