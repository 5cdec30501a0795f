package gentlecomet.sound.engine;

/** The balance of dry and wet sound, moved in a straight line over each control step. */
final class MixRamp {

    private double present;
    private double wanted;
    private boolean fresh = true;

    void reset() {
        fresh = true;
        present = 0;
        wanted = 0;
    }

    void aim(double wet) {
        wanted = wet;
        if (fresh) {
            present = wet;
            fresh = false;
        }
    }

    boolean silent() {
        return present == 0 && wanted == 0;
    }

    void blend(double[] left, double[] wetLeft, double[] right, double[] wetRight) {
        double slope = (wanted - present) / Engine.STEP;
        double start = present;
        double[] ramp = Engine.RAMP;
        for (int i = 0; i < Engine.STEP; i++) {
            double wet = start + slope * ramp[i];
            left[i] += (wetLeft[i] - left[i]) * wet;
            right[i] += (wetRight[i] - right[i]) * wet;
        }
        present = wanted;
    }
}
