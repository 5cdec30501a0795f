package gentlecomet.sound.source;

/** Where the recordings lie that patches refer to. */
@FunctionalInterface
public interface Recordings {

    /** No recording is there. */
    Recordings NONE = key -> null;

    /** The recording of a key, as {@link gentlecomet.sound.patch.SoundFile#key}, or null when it is not there. */
    Recording find(double key);
}
