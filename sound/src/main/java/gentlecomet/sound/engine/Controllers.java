package gentlecomet.sound.engine;

import gentlecomet.sound.maths.CachedGain;

/**
 * Wheels, breath, pedal and pressure, each eased over a few milliseconds so that a jump of a controller does not click. Aftertouch goes
 * through the patch's threshold and curve first, and moves no faster than its rise and fall times allow. Notes of a controller with a
 * channel for each note bring their own bend and slide.
 */
final class Controllers {

    static final int MOD_WHEEL = 0;
    static final int AFTERTOUCH = 1;
    static final int BEND = 2;
    static final int BREATH = 3;
    static final int EXPRESSION = 4;
    static final int PEDAL = 5;
    private static final int COUNT = 6;
    /** Where a pedal begins to hold: controller 64 counts as on from 64 of 127 (MIDI 1.0). */
    private static final double PEDAL_DOWN = 0.5;
    private static final int KEYS = 128;
    private static final double EASE_SECONDS = 0.006;

    private final double[] wanted = new double[COUNT];
    private final double[] eased = new double[COUNT];
    private final double[] keyWanted = new double[KEYS];
    private final double[] keyPressure = new double[KEYS];
    private final double[] keyMoving = new double[KEYS];
    private final double[] bendWanted = new double[KEYS];
    private final double[] keyBend = new double[KEYS];
    private final double[] slideWanted = new double[KEYS];
    private final double[] keySlide = new double[KEYS];
    /** What is left of a way after a control step. */
    private final CachedGain left = new CachedGain();
    private double threshold;
    private double curve;
    private double rise;
    private double fall;
    private double moving;
    private boolean slides;
    private boolean keysMove;
    /** Nothing is on its way. */
    private boolean resting;

    Controllers() {
        reset();
    }

    void set(int controller, double value) {
        wanted[controller] = Math.max(controller == BEND ? -1 : 0, Math.min(1, value));
        resting = false;
    }

    /**
     * How pressure is taken.
     *
     * @param newThreshold pressure below which there is none, 0 to 0.9; above it the full range is reached
     * @param newCurve     bend of what follows, see {@link PressureCurve}
     * @param newRise      seconds in which it goes from none to full at the fastest; {@code newFall} back
     */
    void shapeTouch(double newThreshold, double newCurve, double newRise, double newFall) {
        resting &= threshold == newThreshold && curve == newCurve;
        threshold = newThreshold;
        curve = newCurve;
        rise = newRise;
        fall = newFall;
    }

    /** Bend of one key alone, in semitones, and its slide, 0 to 1; eased as the wheels are. */
    void setKeyBend(int key, double semitones) {
        bendWanted[key] = Math.max(-96, Math.min(96, semitones));
        slides = true;
        resting = false;
    }

    void setKeySlide(int key, double value) {
        slideWanted[key] = Math.max(0, Math.min(1, value));
        slides = true;
        resting = false;
    }

    /** Bend of each key in semitones, as it stands now. Not to be written to. */
    double[] keyBends() {
        return keyBend;
    }

    /** Slide of each key as it stands now. Not to be written to. */
    double[] keySlides() {
        return keySlide;
    }

    /** Pressure on one key, eased as the wheels are. */
    void setKeyPressure(int key, double value) {
        keyWanted[key] = Math.max(0, Math.min(1, value));
        keysMove = true;
        resting = false;
    }

    /** A key goes down: its pressure starts from nothing. */
    void clearKeyPressure(int key) {
        keyWanted[key] = 0;
        keyPressure[key] = 0;
        keyMoving[key] = 0;
    }

    /** A key goes down: it begins where its own channel's bend and slide stand now. */
    void settleKey(int key) {
        keyBend[key] = bendWanted[key];
        keySlide[key] = slideWanted[key];
    }

    /** Pressure on each key as it stands now. Not to be written to. */
    double[] keyPressures() {
        return keyPressure;
    }

    /** Whether the pedal holds notes, as it was last moved. */
    boolean pedalDown() {
        return wanted[PEDAL] >= PEDAL_DOWN;
    }

    double get(int controller) {
        return eased[controller];
    }

    /** Moves on by a control step. @return whether anything may have moved */
    boolean advance(double step) {
        if (resting) {
            return false;
        }
        double part = 1 - left.exp2(-step / EASE_SECONDS * 1.4426950408889634);
        for (int i = 0; i < COUNT; i++) {
            if (i != AFTERTOUCH) {
                eased[i] = towards(eased[i], wanted[i], part);
            }
        }
        moving = limited(moving, taken(wanted[AFTERTOUCH]), step);
        eased[AFTERTOUCH] = towards(eased[AFTERTOUCH], moving, part);
        if (keysMove) {
            keysMove = false;
            for (int key = 0; key < KEYS; key++) {
                double to = taken(keyWanted[key]);
                keyMoving[key] = limited(keyMoving[key], to, step);
                keyPressure[key] = towards(keyPressure[key], keyMoving[key], part);
                keysMove |= keyPressure[key] != to;
            }
        }
        if (slides) {
            slides = false;
            for (int key = 0; key < KEYS; key++) {
                keyBend[key] = towards(keyBend[key], bendWanted[key], part);
                keySlide[key] = towards(keySlide[key], slideWanted[key], part);
                slides |= keyBend[key] != bendWanted[key] || keySlide[key] != slideWanted[key];
            }
        }
        resting = !keysMove && !slides && eased[AFTERTOUCH] == taken(wanted[AFTERTOUCH]);
        for (int i = 0; i < COUNT; i++) {
            resting &= i == AFTERTOUCH || eased[i] == wanted[i];
        }
        return true;
    }

    private double taken(double pressure) {
        return threshold == 0 && curve == 0 ? pressure : PressureCurve.at(pressure, threshold, curve);
    }

    /** The next place on the way at the allowed speed. */
    private double limited(double now, double to, double step) {
        double seconds = to > now ? rise : fall;
        double most = seconds > 0 ? step / seconds : 1;
        return Math.abs(to - now) <= most ? to : to > now ? now + most : now - most;
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
            bendWanted[key] = 0;
            slideWanted[key] = 0;
            settleKey(key);
        }
        moving = 0;
        keysMove = false;
        slides = false;
        resting = false;
    }
}
