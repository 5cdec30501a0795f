package gentlecomet.sound.effect;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.Polynomials;

/** A low cut and a high cut of 6 dB per octave for one channel, -3 dB at their frequencies. */
final class OnePoleCuts {

    private double low;
    private double high;
    private double lowHz = -1;
    private double highHz = -1;
    private double lowPart;
    private double highPart;

    void reset() {
        low = 0;
        high = 0;
    }

    void process(double[] samples, double lowCutHz, double highCutHz, double sampleRate) {
        if (lowCutHz != lowHz || highCutHz != highHz) {
            lowHz = lowCutHz;
            highHz = highCutHz;
            lowPart = part(lowCutHz, sampleRate);
            highPart = part(highCutHz, sampleRate);
        }
        double l = low;
        double h = high;
        for (int i = 0; i < ControlStep.SAMPLES; i++) {
            // Trapezoidal one-pole low-pass, twice: once taken away, once kept.
            double v = (samples[i] - l) * lowPart;
            double below = v + l;
            l = below + v;
            double rest = samples[i] - below;
            double w = (rest - h) * highPart;
            double kept = w + h;
            h = kept + w;
            samples[i] = kept;
        }
        low = l + 1e-20;
        high = h + 1e-20;
    }

    private static double part(double hz, double sampleRate) {
        double g = Polynomials.tanHalfTurns(Math.min(0.49, hz / sampleRate));
        return g / (1 + g);
    }
}
