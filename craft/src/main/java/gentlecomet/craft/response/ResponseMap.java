package gentlecomet.craft.response;

import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;

/**
 * How a patch answers to every key and to eight velocities. It is measured key by key, so that it can grow on the screen: every third
 * key first, then those between.
 *
 * @param keys figures of the measured keys, one for each of {@link #VELOCITIES}
 */
public record ResponseMap(NavigableMap<Integer, List<NoteFigures>> keys) {

    /** Velocities that are measured, soft to hard. */
    public static final List<Integer> VELOCITIES = List.of(16, 32, 48, 64, 80, 96, 112, 127);
    /** Keys of a piano, beyond which nothing is measured. */
    public static final int LOWEST = 21;
    public static final int HIGHEST = 108;
    private static final int EVERY = 3;
    private static final double HELD_SECONDS = 0.5;
    private static final double TAIL_SECONDS = 1.2;

    public ResponseMap {
        keys = new TreeMap<>(keys);
    }

    public static ResponseMap of(Map<Integer, List<NoteFigures>> keys) {
        return new ResponseMap(new TreeMap<>(keys));
    }

    /** The keys of a patch in the order in which they are best measured. */
    public static List<Integer> order(Patch patch) {
        int low = HIGHEST;
        int high = LOWEST;
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            if (patch.layerOn(layer)) {
                low = Math.min(low, (int) patch.value(Parameters.ofLayer(layer, LayerParameters.LOW_KEY)));
                high = Math.max(high, (int) patch.value(Parameters.ofLayer(layer, LayerParameters.HIGH_KEY)));
            }
        }
        List<Integer> order = new ArrayList<>();
        for (int offset = 0; offset < EVERY; offset++) {
            for (int key = Math.max(LOWEST, low) + offset; key <= Math.min(HIGHEST, high); key += EVERY) {
                order.add(key);
            }
        }
        return order;
    }

    /** Figures of one key at each of the velocities, the macros and wheels as the patch has them. */
    public static List<NoteFigures> measure(Patch patch, int key, Recordings recordings) {
        return measure(patch, key, new Rendering(Measuring.RATE, recordings));
    }

    /** The same with an engine that is there already: making one takes as long as rendering a second of sound. */
    public static List<NoteFigures> measure(Patch patch, int key, Rendering rendering) {
        double[] image = PatchImage.of(patch);
        return VELOCITIES.stream().map(v -> NoteFigures.of(
                rendering.render(image, Phrase.single(key, v, HELD_SECONDS), TAIL_SECONDS, Rendering.ControllerState.AT_REST).audio(), key, HELD_SECONDS)).toList();
    }
}
