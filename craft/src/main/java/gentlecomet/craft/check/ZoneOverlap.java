package gentlecomet.craft.check;

import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.List;

/**
 * Two layers that part, each with keys or velocities of its own, and yet sound together at full level where they meet. Zones that lie in each other are layers on purpose, and
 * zones that fade are crossfades.
 *
 * @param lower  layer that ends, from 0
 * @param upper  layer that begins
 * @param byKey  whether they part by keys, else by velocities
 * @param from   first key or velocity of both
 * @param to     last one
 */
public record ZoneOverlap(int lower, int upper, boolean byKey, int from, int to) {

    /** Of keys or of velocities. */
    private record Side(int low, int high, int lowFade, int highFade) {

        static final Side KEYS = new Side(LayerParameters.LOW_KEY, LayerParameters.HIGH_KEY, LayerParameters.LOW_KEY_FADE, LayerParameters.HIGH_KEY_FADE);
        static final Side VELOCITIES = new Side(LayerParameters.LOW_VELOCITY, LayerParameters.HIGH_VELOCITY, LayerParameters.LOW_VELOCITY_FADE, LayerParameters.HIGH_VELOCITY_FADE);

        boolean meet(Patch patch, int one, int other) {
            return value(patch, one, low) <= value(patch, other, high) && value(patch, other, low) <= value(patch, one, high);
        }
    }

    /** All of a patch. */
    public static List<ZoneOverlap> of(Patch patch) {
        List<ZoneOverlap> all = new ArrayList<>();
        for (int lower = 0; lower < Parameters.LAYERS; lower++) {
            for (int upper = 0; upper < Parameters.LAYERS; upper++) {
                if (lower != upper && patch.layerOn(lower) && patch.layerOn(upper)) {
                    add(patch, lower, upper, Side.KEYS, Side.VELOCITIES, all);
                    add(patch, lower, upper, Side.VELOCITIES, Side.KEYS, all);
                }
            }
        }
        return all;
    }

    private static void add(Patch patch, int lower, int upper, Side side, Side other, List<ZoneOverlap> all) {
        int from = value(patch, upper, side.low);
        int to = value(patch, lower, side.high);
        boolean part = value(patch, lower, side.low) < from && to < value(patch, upper, side.high);
        boolean fade = value(patch, lower, side.highFade) > 0 || value(patch, upper, side.lowFade) > 0;
        if (part && from <= to && !fade && other.meet(patch, lower, upper)) {
            all.add(new ZoneOverlap(lower, upper, side == Side.KEYS, from, to));
        }
    }

    private static int value(Patch patch, int layer, int parameter) {
        return (int) patch.value(Parameters.ofLayer(layer, parameter));
    }

    /** How many keys or velocities both sound at. */
    public int size() {
        return to - from + 1;
    }

    /** The lower layer ends in the middle of the overlap, and the upper one begins behind it. */
    Patch parted(Patch patch) {
        Side side = byKey ? Side.KEYS : Side.VELOCITIES;
        int middle = (from + to) / 2;
        return patch.withValue(Parameters.at(Parameters.ofLayer(lower, side.high)), middle).withValue(Parameters.at(Parameters.ofLayer(upper, side.low)), middle + 1);
    }
}
