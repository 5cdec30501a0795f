package gentlecomet.craft.sample;

import java.util.List;

/**
 * How patches are sampled for players of samples.
 *
 * @param keyStep    semitones from one sampled key to the next
 * @param velocities one for each layer, rising; the borders lie midway between them
 * @param held       seconds for which the key of a sustained sound is held
 */
public record SamplingPlan(int keyStep, List<Integer> velocities, double held) {

    /** Every fourth key, three layers, two seconds. */
    public static final SamplingPlan USUAL = new SamplingPlan(4, List.of(40, 84, 118), 2);

    private static final int KEYS = 88;
    /** A note of 24 bits and two channels on the average of the demos, and how long it takes on one core. */
    private static final double BYTES_PER_NOTE = 1_150_000;
    private static final double SECONDS_PER_NOTE = 0.1;
    private static final List<List<Integer>> LAYERS = List.of(List.of(100), List.of(64, 112), List.of(40, 84, 118));

    /** @param layers velocity layers, 1 to 3 @throws IllegalArgumentException where it cannot be */
    public static SamplingPlan of(int keyStep, int layers) {
        if (layers < 1 || layers > LAYERS.size()) {
            throw new IllegalArgumentException("expected 1 to " + LAYERS.size() + " velocities, found " + layers);
        }
        return new SamplingPlan(keyStep, LAYERS.get(layers - 1), USUAL.held());
    }

    /** About how many bytes a patch takes at 24 bits. */
    public long bytes() {
        return Math.round(notes() * BYTES_PER_NOTE);
    }

    /** About how long a patch takes, in seconds on one core. */
    public double seconds() {
        return notes() * SECONDS_PER_NOTE;
    }

    private double notes() {
        return (double) KEYS / keyStep * velocities.size();
    }

    public SamplingPlan {
        velocities = List.copyOf(velocities);
        if (keyStep < 1 || keyStep > 24 || velocities.isEmpty() || !(held >= 0.5 && held <= 20)) {
            throw new IllegalArgumentException("expected every 1 to 24 keys, one velocity at least, and 0.5 to 20 s");
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
