package gentlecomet.sound.engine;

import gentlecomet.sound.parameter.Parameters;

/**
 * Greatest levels between the stages of a patch since they were last taken, for the meters of a bench. It costs a look at every
 * sample, so it is done only when {@link #measure} has asked for it.
 */
final class StageLevels {

    /** What the sources of the loudest voice give, with the voice's level. */
    static final int SOURCES = 0;
    /** The same behind filters and drive. */
    static final int FILTERS = 1;
    /** All voices of the layer together. */
    static final int VOICES = 2;
    /** The layer behind its own effects. */
    static final int LAYER = 3;
    private static final int PER_LAYER = 4;
    private static final int EFFECTS = PER_LAYER * Parameters.LAYERS;
    private static final int OUTPUT = EFFECTS + 1;

    private final double[] peaks = new double[OUTPUT + 1];
    private boolean on;

    /** Whether levels are measured from now on. */
    void measure(boolean wanted) {
        on = wanted;
    }

    boolean on() {
        return on;
    }

    void look(int layer, int stage, double[] left, double[] right, double gain) {
        raise(PER_LAYER * layer + stage, left, right, gain);
    }

    void lookAtEffects(double[] left, double[] right) {
        raise(EFFECTS, left, right, 1);
    }

    void lookAtOutput(double[] left, double[] right) {
        raise(OUTPUT, left, right, 1);
    }

    /** Greatest level of a layer's stage since the last call. */
    double take(int layer, int stage) {
        return take(PER_LAYER * layer + stage);
    }

    double takeEffects() {
        return take(EFFECTS);
    }

    double takeOutput() {
        return take(OUTPUT);
    }

    private double take(int place) {
        double peak = peaks[place];
        peaks[place] = 0;
        return peak;
    }

    private void raise(int place, double[] left, double[] right, double gain) {
        if (!on) {
            return;
        }
        double most = 0;
        for (int i = 0; i < left.length; i++) {
            most = Math.max(most, Math.max(Math.abs(left[i]), Math.abs(right[i])));
        }
        peaks[place] = Math.max(peaks[place], most * gain);
    }
}
