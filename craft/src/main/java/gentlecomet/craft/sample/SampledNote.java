package gentlecomet.craft.sample;

import gentlecomet.sound.performance.Audio;

/**
 * One sample of a patch and the keys and velocities that it stands for.
 *
 * @param key     at which it was recorded
 * @param audio   from the key's press; of a sustained sound to the end of its loop
 * @param loop    where it goes round, null where the sound ends by itself
 * @param release seconds from the key's release to -60 dB
 */
public record SampledNote(int key, int lowKey, int highKey, int velocity, int lowVelocity, int highVelocity, Audio audio, Loop loop, double release) {

    /** A loop in frames. @param end the first frame behind it */
    public record Loop(int start, int end) {
    }

    /** Whether both channels are the same. */
    public boolean mono() {
        return audio.oneChannel();
    }
}
