package gentlecomet.sound.patch;

import gentlecomet.sound.parameter.LayerParameters;

/**
 * The recording that a source of a patch has, by the hash of its content; the samples lie elsewhere.
 *
 * @param source layer x {@link LayerParameters#SOURCES} + source, both from 0
 * @param hash   SHA-256 of the file, 64 hexadecimal digits
 * @param name   for people
 */
public record SoundFile(int source, String hash, String name) {

    private static final int KEY_DIGITS = 12;

    /** The number of a source across all layers. */
    public static int place(int layer, int source) {
        return layer * LayerParameters.SOURCES + source;
    }

    /** The recording as a number that a patch image can hold: the first 48 bits of its hash. */
    public double key() {
        double key = 0;
        for (int i = 0; i < KEY_DIGITS; i++) {
            key = key * 16 + Character.digit(hash.charAt(i), 16);
        }
        return key;
    }
}
