package gentlecomet.sound.engine;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.HalfBand;
import gentlecomet.sound.parameter.LayerParameters;

/** Where the voices of a layer come together: brought down from their oversampled rate, and through the layer's own effects. */
final class LayerBus {

    private static final int SAMPLES = ControlStep.SAMPLES;
    private static final int MOST = 4;
    /** Control steps that outlast the half-band filters. */
    private static final int RINGING = 4;

    final double[] left = new double[SAMPLES];
    final double[] right = new double[SAMPLES];
    final EffectChain effects;
    /** What the modulators of the layer's newest note say, for routes to the layer's effects. */
    final EffectModulation modulation = new EffectModulation();
    private final double[] fastLeft = new double[SAMPLES * MOST];
    private final double[] fastRight = new double[SAMPLES * MOST];
    private final double[] halfLeft = new double[SAMPLES * 2];
    private final double[] halfRight = new double[SAMPLES * 2];
    private final HalfBand[] downLeft = {new HalfBand(), new HalfBand()};
    private final HalfBand[] downRight = {new HalfBand(), new HalfBand()};

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
        clear();
    }

    /** Voices have been drawn: the filters that bring them down still ring for a while after them. */
    void wake() {
        ringing = RINGING;
    }

    /** Whether something may still come out though no voice sounds. */
    boolean awake() {
        return ringing > 0;
    }

    /** A step without voices. @param factor of oversampling */
    void rest(int factor) {
        ringing = Math.max(0, ringing - 1);
        clear();
        if (factor > 1) {
            for (int part = 0; part < factor; part++) {
                keep(part);
            }
        }
    }

    void clear() {
        for (int i = 0; i < SAMPLES; i++) {
            left[i] = 0;
            right[i] = 0;
        }
    }

    /** Keeps the drawn step as one of several at a higher rate, and clears it for the next. */
    void keep(int part) {
        int at = part * SAMPLES;
        for (int i = 0; i < SAMPLES; i++) {
            fastLeft[at + i] = left[i];
            fastRight[at + i] = right[i];
        }
        clear();
    }

    /** Brings the kept steps down to the rate of the engine. @param factor 2 or 4 */
    void bringDown(int factor) {
        if (factor == 2) {
            downLeft[1].halved(fastLeft, left, SAMPLES);
            downRight[1].halved(fastRight, right, SAMPLES);
        } else {
            downLeft[0].halved(fastLeft, halfLeft, 2 * SAMPLES);
            downRight[0].halved(fastRight, halfRight, 2 * SAMPLES);
            downLeft[1].halved(halfLeft, left, SAMPLES);
            downRight[1].halved(halfRight, right, SAMPLES);
        }
    }
}
