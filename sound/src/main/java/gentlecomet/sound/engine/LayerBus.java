package gentlecomet.sound.engine;

import gentlecomet.sound.effect.EffectStep;
import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.HalfBand;
import gentlecomet.sound.parameter.LayerParameters;

/**
 * Where the voices of a layer come together: control step after control step, brought down from their oversampled rate, until there is an
 * effect step for the layer's own effects.
 */
final class LayerBus {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final int MOST = 4;
    /** Effect steps that outlast the half-band filters. */
    private static final int RINGING = 2;

    /** The effect step. */
    final double[] left = new double[SAMPLES];
    final double[] right = new double[SAMPLES];
    /** The control step to which voices add. */
    final double[] voicesLeft = new double[ControlStep.SAMPLES];
    final double[] voicesRight = new double[ControlStep.SAMPLES];
    final EffectChain effects;
    /** What the modulators of the layer's newest note say, for routes to the layer's effects. */
    final EffectModulation modulation = new EffectModulation();
    private final double[] fastLeft = new double[SAMPLES * MOST];
    private final double[] fastRight = new double[SAMPLES * MOST];
    private final double[] halfLeft = new double[SAMPLES * 2];
    private final double[] halfRight = new double[SAMPLES * 2];
    private final HalfBand[] downLeft = {HalfBand.wide(), new HalfBand()};
    private final HalfBand[] downRight = {HalfBand.wide(), new HalfBand()};
    private int ringing;

    LayerBus(double sampleRate) {
        effects = new EffectChain(LayerParameters.EFFECTS, LayerParameters.effect(0), sampleRate);
    }

    void reset() {
        effects.reset();
        for (int i = 0; i < 2; i++) {
            downLeft[i].reset();
            downRight[i].reset();
        }
        modulation.reset();
        ringing = 0;
        clear(left, right);
        clear(voicesLeft, voicesRight);
    }

    /** Voices are drawn: the filters that bring them down still ring for a while after them. */
    void wake() {
        ringing = RINGING;
    }

    /** Whether something may still come out. */
    boolean awake() {
        return ringing > 0;
    }

    /**
     * Takes what the voices have added as one of the control steps of an effect step, and clears it for the next.
     *
     * @param part   number of the control step
     * @param factor of oversampling: an effect step has so many times its usual number of control steps
     */
    void keep(int part, int factor) {
        int at = part * ControlStep.SAMPLES;
        copy(voicesLeft, factor == 1 ? left : fastLeft, at);
        copy(voicesRight, factor == 1 ? right : fastRight, at);
        clear(voicesLeft, voicesRight);
    }

    /** Brings the kept steps down to the rate of the engine. @param factor of oversampling: 1, 2 or 4 */
    void bringDown(int factor) {
        ringing = Math.max(0, ringing - 1);
        if (factor == 2) {
            downLeft[1].halved(fastLeft, left, SAMPLES);
            downRight[1].halved(fastRight, right, SAMPLES);
        } else if (factor == 4) {
            downLeft[0].halved(fastLeft, halfLeft, 2 * SAMPLES);
            downRight[0].halved(fastRight, halfRight, 2 * SAMPLES);
            downLeft[1].halved(halfLeft, left, SAMPLES);
            downRight[1].halved(halfRight, right, SAMPLES);
        }
    }

    private static void copy(double[] from, double[] to, int at) {
        for (int i = 0; i < ControlStep.SAMPLES; i++) {
            to[at + i] = from[i];
        }
    }

    private static void clear(double[] left, double[] right) {
        for (int i = 0; i < left.length; i++) {
            left[i] = 0;
            right[i] = 0;
        }
    }
}
