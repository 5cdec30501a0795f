package gentlecomet.sound.effect;

/** One effect of a chain. It works on one effect step of a pair of channels and gives the wet sound alone; the slot mixes. */
interface Effect {

    /** Forgets everything. */
    void reset();

    /**
     * Works on one effect step in place.
     *
     * @param block values of the block that the slot belongs to
     * @param at    start of the slot's group
     * @param tempo in beats per minute
     */
    void process(double[] block, int at, double tempo, double[] left, double[] right);

    /**
     * The same from two channels into two others. For effects whose sound comes out of a line, and not out of the samples that come in,
     * this is no more work than in place.
     */
    default void process(double[] block, int at, double tempo, double[] inLeft, double[] inRight, double[] left, double[] right) {
        for (int i = 0; i < EffectStep.SAMPLES; i++) {
            left[i] = inLeft[i];
            right[i] = inRight[i];
        }
        process(block, at, tempo, left, right);
    }

    /** Whether it has to be told of keys as the parameters of a block stand: asked in every step, as it takes a look at all voices to know them. */
    default boolean listens(double[] block, int at) {
        return false;
    }

    /** Says which key was played last, with fraction where it is bent, and whether any note is held. */
    default void follow(double key, boolean held) {
        // Most effects play no notes.
    }

    /** How late the wet sound is, in samples, for effects that have to look ahead or change the sample rate; the slot makes the dry sound as late. */
    default int latency(double[] block, int at) {
        return 0;
    }

    /**
     * The dry sound of the step that was worked on last, left and right, in phase with the wet one, for effects that take the sound apart and put it together again; null where
     * the sound itself, made as late, is.
     */
    default double[][] dry() {
        return null;
    }

    /** The most that {@link #latency} can be. */
    default int latestSamples() {
        return 0;
    }

    /** How far the level is held down at this moment, in dB from 0 up; 0 for effects that hold nothing down. */
    default double reductionDb() {
        return 0;
    }

    /** How long the output can be silent before another echo comes, in seconds. */
    default double gapSeconds(double[] block, int at, double tempo) {
        return 0;
    }
}
