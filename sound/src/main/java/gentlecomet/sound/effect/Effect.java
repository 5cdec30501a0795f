package gentlecomet.sound.effect;

/** One effect of a chain. It works in place on one control step of a pair of channels and gives the wet sound alone; the slot mixes. */
interface Effect {

    /** Forgets everything. */
    void reset();

    /**
     * Works on one control step in place.
     *
     * @param block values of the block that the slot belongs to
     * @param at    start of the slot's group
     * @param tempo in beats per minute
     */
    void process(double[] block, int at, double tempo, double[] left, double[] right);

    /** How far the level is held down at this moment, in dB from 0 up; 0 for effects that hold nothing down. */
    default double reductionDb() {
        return 0;
    }

    /** How long the output can be silent before another echo comes, in seconds. */
    default double gapSeconds(double[] block, int at, double tempo) {
        return 0;
    }
}
