package gentlecomet.sound.engine;

import gentlecomet.sound.maths.Polynomials;

/** Wheels, breath and pressure, each eased over a few milliseconds so that a jump of a controller does not click. */
final class Controllers {

    static final int MOD_WHEEL = 0;
    static final int AFTERTOUCH = 1;
    static final int BEND = 2;
    static final int BREATH = 3;
    static final int EXPRESSION = 4;
    private static final int COUNT = 5;
    private static final int KEYS = 128;
    private static final double EASE_SECONDS = 0.006;

    private final double[] wanted = new double[COUNT];
    private final double[] eased = new double[COUNT];
    private final double[] keyWanted = new double[KEYS];
    private final double[] keyPressure = new double[KEYS];
    private boolean pedal;
    private boolean keysMove;

    Controllers() {
        reset();
    }

    void set(int controller, double value) {
        wanted[controller] = Math.max(controller == BEND ? -1 : 0, Math.min(1, value));
    }

    /** Pressure on one key, eased as the wheels are. */
    void setKeyPressure(int key, double value) {
        keyWanted[key] = Math.max(0, Math.min(1, value));
        keysMove = true;
    }

    /** A key goes down: its pressure starts from nothing. */
    void clearKeyPressure(int key) {
        keyWanted[key] = 0;
        keyPressure[key] = 0;
    }

    /** Pressure on each key as it stands now. Not to be written to. */
    double[] keyPressures() {
        return keyPressure;
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
        for (int i = 0; i < COUNT; i++) {
            eased[i] = towards(eased[i], wanted[i], part);
        }
        if (keysMove) {
            keysMove = false;
            for (int key = 0; key < KEYS; key++) {
                keyPressure[key] = towards(keyPressure[key], keyWanted[key], part);
                keysMove |= keyPressure[key] != keyWanted[key];
            }
        }
    }

    private static double towards(double now, double wanted, double part) {
        double next = now + (wanted - now) * part;
        return Math.abs(wanted - next) < 1e-6 ? wanted : next;
    }

    /** Everything to rest; expression rests at full, as in MIDI's General MIDI 2. */
    void reset() {
        for (int i = 0; i < COUNT; i++) {
            wanted[i] = i == EXPRESSION ? 1 : 0;
            eased[i] = wanted[i];
        }
        for (int key = 0; key < KEYS; key++) {
            clearKeyPressure(key);
        }
        keysMove = false;
        pedal = false;
    }
}
