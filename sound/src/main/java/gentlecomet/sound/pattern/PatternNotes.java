package gentlecomet.sound.pattern;

/** Who plays the notes of a pattern. */
public interface PatternNotes {

    /** @param velocity 1 to 127 */
    void begin(int key, int velocity);

    /** @param velocity of the release, 0 to 127 */
    void end(int key, int velocity);
}
