package gentlecomet.craft.sample;

import java.util.List;

/**
 * How patches are sampled for players of samples.
 *
 * @param keyStep    semitones from one sampled key to the next
 * @param velocities one for each layer, rising; the borders lie midway between them
 * @param held       seconds for which the key of a sustained sound is held
 * @param robins     how often a key of a patch that never sounds the same is recorded, so that a player can take turns
 * @param bits       of a sample, 16 or 24
 * @param rate       44100 or 48000 Hz
 * @param mono       both channels as one, half of each
 */
public record SamplingPlan(int keyStep, List<Integer> velocities, double held, int robins, int bits, int rate, boolean mono) {

    /** Every fourth key, three layers, two seconds, 24 bits at 48 kHz. */
    public static final SamplingPlan USUAL = new SamplingPlan(4, List.of(40, 84, 118), 2, 1, 24, 48_000, false);
    /** Recordings of a key at most. */
    public static final int MOST_ROBINS = 4;

    private static final int KEYS = 88;
    /** A note of 24 bits and two channels on the average of the demos, and how long it takes on one core. */
    private static final double BYTES_PER_NOTE = 1_150_000;
    private static final double SECONDS_PER_NOTE = 0.1;
    /** Seconds of a note beside those for which its key is held, and how many of the demos' patches never sound the same. */
    private static final double DECAY = 3;
    private static final double RANDOM_SHARE = 0.5;
    private static final List<List<Integer>> LAYERS = List.of(List.of(100), List.of(64, 112), List.of(40, 84, 118));

    /** At velocities that layers usually have. @param layers 1 to 3 @throws IllegalArgumentException where it cannot be, in words */
    public static SamplingPlan of(int keyStep, int layers, double held, int robins, int bits, int rate, boolean mono) {
        if (layers < 1 || layers > LAYERS.size()) {
            throw new IllegalArgumentException("expected 1 to " + LAYERS.size() + " velocities, found " + layers);
        }
        return new SamplingPlan(keyStep, LAYERS.get(layers - 1), held, robins, bits, rate, mono);
    }

    /** About how many bytes a patch takes at 24 bits. */
    public long bytes() {
        return Math.round(notes() * BYTES_PER_NOTE * bits / USUAL.bits * rate / USUAL.rate * (mono ? 0.5 : 1) * (held + DECAY) / (USUAL.held + DECAY));
    }

    /** About how long a patch takes, in seconds on one core. */
    public double seconds() {
        return notes() * SECONDS_PER_NOTE * (held + DECAY) / (USUAL.held + DECAY);
    }

    private double notes() {
        return (double) KEYS / keyStep * velocities.size() * (1 + (robins - 1) * RANDOM_SHARE);
    }

    public SamplingPlan {
        velocities = List.copyOf(velocities);
        require(keyStep >= 1 && keyStep <= 24, "every 1 to 24 keys");
        require(!velocities.isEmpty(), "one velocity at least");
        require(held >= 0.5 && held <= 20, "keys held for 0.5 to 20 s");
        require(robins >= 1 && robins <= MOST_ROBINS, "1 to " + MOST_ROBINS + " recordings of a key");
        require(bits == 16 || bits == 24, "16 or 24 bits");
        require(rate == 44_100 || rate == 48_000, "a sample rate of 44100 or 48000 Hz");
    }

    private static void require(boolean met, String expected) {
        if (!met) {
            throw new IllegalArgumentException("expected " + expected);
        }
    }

    /** Lowest velocity of a layer. @param layer from 0 */
    int lowest(int layer) {
        return layer == 0 ? 1 : highest(layer - 1) + 1;
    }

    /** Highest velocity of a layer. */
    int highest(int layer) {
        return layer == velocities.size() - 1 ? 127 : (velocities.get(layer) + velocities.get(layer + 1)) / 2;
    }
}
