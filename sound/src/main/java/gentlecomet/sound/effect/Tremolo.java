package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.EffectParameters;

/** Level that swings; with the sides apart by half a cycle (spread 100 %) it moves from side to side. */
final class Tremolo implements Effect {

    private final double sampleRate;
    private double phase;
    private double gainLeft = 1;
    private double gainRight = 1;

    Tremolo(double sampleRate) {
        this.sampleRate = sampleRate;
    }

    @Override
    public void reset() {
        phase = 0;
        gainLeft = 1;
        gainRight = 1;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] left, double[] right) {
        double rate = Division.rate(block, at + EffectParameters.TREMOLO_DIVISION, at + EffectParameters.TREMOLO_RATE, tempo);
        double depth = block[at + EffectParameters.TREMOLO_DEPTH] / 100;
        double spread = block[at + EffectParameters.TREMOLO_STEREO_PHASE] / 200;
        int wave = (int) block[at + EffectParameters.TREMOLO_WAVE];
        phase += rate * EffectStep.SAMPLES / sampleRate;
        phase -= Math.floor(phase);
        gainLeft = swing(left, gainLeft, 1 - depth * (0.5 - 0.5 * shape(wave, phase)));
        gainRight = swing(right, gainRight, 1 - depth * (0.5 - 0.5 * shape(wave, phase + spread - Math.floor(phase + spread))));
    }

    private static double swing(double[] samples, double from, double to) {
        // A square is softened over two steps, so that it does not click.
        double reached = from + Math.max(-0.67, Math.min(0.67, to - from));
        double slope = (reached - from) / EffectStep.SAMPLES;
        double g = from;
        for (int i = 0; i < EffectStep.SAMPLES; i++) {
            g += slope;
            samples[i] *= g;
        }
        return reached;
    }

    private static double shape(int wave, double phase) {
        switch (wave) {
            case 0:
                return Polynomials.cosCycles(phase);
            case 1:
                return 4 * Math.abs(phase - 0.5) - 1;
            default:
                return phase < 0.5 ? 1 : -1;
        }
    }
}
