package gentlecomet.craft.edit;

import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;

/**
 * Puts an effect at the end of a chain, or into the first free slot where the last one is taken.
 *
 * @param layer from 0, or -1 for the chain that all layers share
 * @param type  number of the effect's type, from 1
 */
public record AddEffect(int layer, int type) implements PatchEdit {

    @Override
    public Patch apply(Patch patch) {
        return slot(patch).apply(patch);
    }

    @Override
    public String label(Patch before) {
        return slot(before).label(before);
    }

    /** The slot that it goes to, from 0. @throws EditException when there is no such layer, or none is free */
    int place(Patch patch) {
        if (layer < -1 || layer >= Parameters.LAYERS) {
            throw new EditException("There is no such layer.");
        }
        int slots = layer < 0 ? PatchParameters.EFFECTS : LayerParameters.EFFECTS;
        int free = -1;
        for (int slot = slots - 1; slot >= 0 && patch.value(Parameters.ofEffect(layer, slot)) == EffectParameters.NONE; slot--) {
            free = slot;
        }
        for (int slot = 0; slot < slots && free < 0; slot++) {
            free = patch.value(Parameters.ofEffect(layer, slot)) == EffectParameters.NONE ? slot : -1;
        }
        if (free < 0) {
            throw new EditException("All " + slots + " places of the chain are taken.");
        }
        return free;
    }

    private PatchEdit slot(Patch patch) {
        return new SetValue(Parameters.at(Parameters.ofEffect(layer, place(patch))), type);
    }
}
