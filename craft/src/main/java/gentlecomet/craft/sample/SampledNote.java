package gentlecomet.craft.sample;

import gentlecomet.sound.performance.Audio;

/**
 * One sample of a patch and the keys and velocities that it stands for.
 *
 * @param key     at which it was recorded
 * @param audio   from the key's press; of a sustained sound to the end of its loop
 * @param loop    where it goes round, null where the sound ends by itself
 * @param release seconds from the key's release to -60 dB
 * @param robin   which of several recordings of the key, from 0
 * @param robins  how many there are
 */
public record SampledNote(int key, int lowKey, int highKey, int velocity, int lowVelocity, int highVelocity, Audio audio, Loop loop, double release, int robin, int robins) {

    /** A loop in frames. @param end the first frame behind it */
    public record Loop(int start, int end) {
    }

    /** The same with other sound, as a file has it. */
    public SampledNote with(Audio other) {
        return new SampledNote(key, lowKey, highKey, velocity, lowVelocity, highVelocity, other, loop, release, robin, robins);
    }

    SampledNote turn(int number, int of) {
        return new SampledNote(key, lowKey, highKey, velocity, lowVelocity, highVelocity, audio, loop, release, number, of);
    }

    /** Name of its file without ending. */
    public String fileName() {
        return String.format("k%03d-v%03d%s", key, velocity, robin == 0 ? "" : "-r" + (robin + 1));
    }

    /** Whether both channels are the same. */
    public boolean mono() {
        return audio.oneChannel();
    }
}
