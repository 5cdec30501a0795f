package gentlecomet.sound.performance;

/**
 * One note of a phrase.
 *
 * @param key      MIDI key, 0 to 127
 * @param velocity 1 to 127
 * @param start    in beats
 * @param length   in beats
 */
public record Note(int key, int velocity, double start, double length) {
}
