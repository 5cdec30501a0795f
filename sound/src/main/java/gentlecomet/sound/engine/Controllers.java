package gentlecomet.sound.engine;

import gentlecomet.sound.maths.Polynomials;

/** Wheels and pressure, each eased over a few milliseconds so that a jump of a controller does not click. */
final class Controllers {

    static final int MOD_WHEEL = 0;
    static final int AFTERTOUCH = 1;
    static final int BEND = 2;
    private static final double EASE_SECONDS = 0.006;

    private final double[] wanted = new double[3];
    private final double[] eased = new double[3];
    private final double[] keyPressure = new double[128];
    private boolean pedal;

    void set(int controller, double value) {
        wanted[controller] = Math.max(controller == BEND ? -1 : 0, Math.min(1, value));
    }

    void setKeyPressure(int key, double value) {
        keyPressure[key] = Math.max(0, Math.min(1, value));
    }

    double keyPressure(int key) {
        return keyPressure[key];
    }

    void setPedal(boolean down) {
        pedal = down;
    }

    boolean pedal() {
        return pedal;
    }

    double get(int controller) {
        return eased[controller];
    }

    void advance(double step) {
        double part = 1 - Polynomials.exp2(-step / EASE_SECONDS * 1.4426950408889634);
        for (int i = 0; i < wanted.length; i++) {
            eased[i] += (wanted[i] - eased[i]) * part;
            if (Math.abs(wanted[i] - eased[i]) < 1e-6) {
                eased[i] = wanted[i];
            }
        }
    }

    void reset() {
        for (int i = 0; i < wanted.length; i++) {
            wanted[i] = 0;
            eased[i] = 0;
        }
        for (int i = 0; i < keyPressure.length; i++) {
            keyPressure[i] = 0;
        }
        pedal = false;
    }
}
