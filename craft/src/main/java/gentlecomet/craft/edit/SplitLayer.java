package gentlecomet.craft.edit;

import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.Patch;

/**
 * Splits the keys of a layer: it keeps those below a key, and another layer plays from it on. That is the layer that lies over
 * the same keys, or else the first one that is off; one without any sound gets the neutral sine.
 *
 * @param layer from 0
 * @param key   first key of the upper part
 */
public record SplitLayer(int layer, int key) implements PatchEdit {

    private static final double NEUTRAL_DB = -12;

    @Override
    public Patch apply(Patch patch) {
        int low = value(patch, layer, LayerParameters.LOW_KEY);
        int high = value(patch, layer, LayerParameters.HIGH_KEY);
        if (!patch.layerOn(layer)) {
            throw new EditException("Layer " + (layer + 1) + " is off, so there is nothing to split.");
        }
        if (key <= low || key > high) {
            throw new EditException("Layer " + (layer + 1) + " plays from " + KeyName.of(low) + " to " + KeyName.of(high) + "; a split needs a key above its first.");
        }
        int upper = upper(patch, low, high);
        Patch split = put(patch, layer, LayerParameters.HIGH_KEY, key - 1);
        if (!patch.layerOn(upper)) {
            split = put(split, upper, LayerParameters.ON, 1);
            split = put(split, upper, LayerParameters.LOW_VELOCITY, value(patch, layer, LayerParameters.LOW_VELOCITY));
            split = put(split, upper, LayerParameters.HIGH_VELOCITY, value(patch, layer, LayerParameters.HIGH_VELOCITY));
            int level = Parameters.ofSource(upper, 0, SourceParameters.LEVEL);
            split = patch.value(level) > SourceParameters.OFF_DB ? split : split.withValue(Parameters.at(level), NEUTRAL_DB);
        }
        split = put(split, upper, LayerParameters.LOW_KEY, key);
        return put(split, upper, LayerParameters.HIGH_KEY, high);
    }

    private int upper(Patch patch, int low, int high) {
        int free = -1;
        for (int other = Parameters.LAYERS - 1; other >= 0; other--) {
            if (other != layer && patch.layerOn(other) && value(patch, other, LayerParameters.LOW_KEY) == low
                    && value(patch, other, LayerParameters.HIGH_KEY) == high) {
                return other;
            }
            free = patch.layerOn(other) ? free : other;
        }
        if (free < 0) {
            throw new EditException("All " + Parameters.LAYERS + " layers are in use, and none lies over the keys of layer " + (layer + 1) + ".");
        }
        return free;
    }

    @Override
    public String label(Patch before) {
        return "Split at " + KeyName.of(key);
    }

    private static int value(Patch patch, int layer, int place) {
        return (int) patch.value(Parameters.ofLayer(layer, place));
    }

    private static Patch put(Patch patch, int layer, int place, double value) {
        return patch.withValue(Parameters.at(Parameters.ofLayer(layer, place)), value);
    }
}
