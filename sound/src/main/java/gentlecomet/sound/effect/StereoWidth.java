package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.EffectParameters;

/** Middle and side: the side louder or softer, and below a frequency not at all. */
final class StereoWidth implements Effect {

    private final double sampleRate;
    private double width = -1;
    private double below;
    private double belowAgain;

    StereoWidth(double sampleRate) {
        this.sampleRate = sampleRate;
    }

    @Override
    public void reset() {
        width = -1;
        below = 0;
        belowAgain = 0;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] left, double[] right) {
        double wanted = block[at + EffectParameters.STEREO_WIDTH] / 100;
        double hz = block[at + EffectParameters.STEREO_MONO_BELOW];
        double open = hz <= 20.001 ? 0 : 1 - Polynomials.exp2(-9.064720283654388 * hz / sampleRate);
        if (width < 0) {
            width = wanted;
        }
        double slope = (wanted - width) / EffectStep.SAMPLES;
        for (int i = 0; i < EffectStep.SAMPLES; i++) {
            width += slope;
            double middle = 0.5 * (left[i] + right[i]);
            double side = 0.5 * (left[i] - right[i]) * width;
            below += (side - below) * open;
            side -= below;
            belowAgain += (side - belowAgain) * open;
            side -= belowAgain;
            left[i] = middle + side;
            right[i] = middle - side;
        }
        width = wanted;
    }
}
