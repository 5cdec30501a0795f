package gentlecomet.sound.engine;

import gentlecomet.sound.maths.CachedGain;
import gentlecomet.sound.maths.Polynomials;

/** Frequencies of keys: equal temperament around A4, and where a scale is set the distance of each key from it. */
final class Tuning {

    private static final int A4_KEY = 69;

    private double a4Hz = 440;
    private double[] cents = new double[0];

    /** @param scaleCents distance of each key from its equal-tempered pitch, from key 0 up; keys beyond the end have none */
    void set(double newA4Hz, double[] scaleCents) {
        a4Hz = newA4Hz;
        cents = scaleCents;
    }

    /** The pitch of a key as a key number with fraction. */
    double pitch(int key) {
        return key < cents.length ? key + cents[key] / 100 : key;
    }

    /** Frequency of a pitch: A4 x 2^((pitch - 69) / 12), as in MIDI 1.0 for A4 = 440 Hz. */
    double hz(double pitch) {
        return a4Hz * Polynomials.exp2((pitch - A4_KEY) / 12);
    }

    /** The same through a memory of the last pitch. */
    double hz(CachedGain memory, double pitch) {
        return a4Hz * memory.exp2((pitch - A4_KEY) / 12);
    }
}
