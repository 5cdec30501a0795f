package gentlecomet.sound.performance;

/**
 * One note of a phrase.
 *
 * @param key      MIDI key, 0 to 127
 * @param velocity 1 to 127
 * @param start    in beats
 * @param length   in beats
 * @param release  velocity with which the key goes up, 0 to 127
 */
public record Note(int key, int velocity, double start, double length, int release) {

    /** Release velocity of keyboards that do not measure it (MIDI 1.0). */
    public static final int USUAL_RELEASE = 64;

    /** A note that is let go with the usual velocity. */
    public Note(int key, int velocity, double start, double length) {
        this(key, velocity, start, length, USUAL_RELEASE);
    }
}
