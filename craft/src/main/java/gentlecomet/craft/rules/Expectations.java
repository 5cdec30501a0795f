package gentlecomet.craft.rules;

/**
 * What patches of a category sound like, as far as it can be measured. A limit of 0 asks nothing.
 *
 * @param lowKey       lowest key at which they have to sound well, 0 to 127
 * @param highKey      highest key at which they have to
 * @param attackSeconds longest attack
 * @param darkest      lowest spectral centroid of the phrase, Hz
 * @param brightest    highest, Hz
 * @param widest       greatest energy of the sides against the middle, dB; {@link #ANY_WIDTH} asks nothing
 * @param voices       fewest voices
 * @param octaves      by which it may sound off its key, up or down
 */
public record Expectations(int lowKey, int highKey, double attackSeconds, double darkest, double brightest, double widest, int voices, int octaves) {

    /** As wide as it likes. */
    public static final double ANY_WIDTH = 60;
    /** Nothing but a range of five octaves in the middle of the keyboard. */
    public static final Expectations ANY = new Expectations(36, 96, 0, 0, 0, ANY_WIDTH, 0, 1);

    /** Longest attack of what is struck: a click at its start belongs to it (common practice). */
    private static final double STRUCK_SECONDS = 0.1;

    /** Whether patches are struck, so that their start may be sharp. */
    public boolean struck() {
        return attackSeconds > 0 && attackSeconds <= STRUCK_SECONDS;
    }

    /** What a category of a usual name expects; the limits are common practice. @param id of the category */
    public static Expectations of(String id) {
        return switch (id) {
            case "bass" -> new Expectations(24, 60, 0.5, 0, 2500, 0, 1, 2);
            case "lead" -> new Expectations(48, 96, 0.8, 0, 0, ANY_WIDTH, 1, 1);
            case "pad", "strings", "voice" -> new Expectations(36, 96, 0, 0, 0, ANY_WIDTH, 4, 1);
            case "organ" -> new Expectations(36, 96, 0.3, 0, 0, ANY_WIDTH, 4, 1);
            case "keys" -> new Expectations(36, 96, 0.1, 0, 0, ANY_WIDTH, 4, 1);
            case "pluck", "bell" -> new Expectations(48, 96, 0.1, 0, 0, ANY_WIDTH, 4, 2);
            case "drum" -> new Expectations(36, 84, 0.05, 0, 0, ANY_WIDTH, 1, 4);
            case "brass" -> new Expectations(36, 84, 0.8, 0, 0, ANY_WIDTH, 1, 1);
            case "texture", "sequence" -> new Expectations(36, 84, 0, 0, 0, ANY_WIDTH, 0, 4);
            default -> ANY;
        };
    }
}
