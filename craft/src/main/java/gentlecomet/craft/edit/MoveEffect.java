package gentlecomet.craft.edit;

import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import java.util.ArrayList;
import java.util.List;

/**
 * Takes an effect to another place of its chain, with its routes and macros; those between make room.
 *
 * @param layer counted from 0, or -1 for the chain that all layers share
 * @param from  slot counted from 0
 * @param to    slot counted from 0
 */
public record MoveEffect(int layer, int from, int to) implements PatchEdit {

    @Override
    public Patch apply(Patch patch) {
        int slots = layer < 0 ? PatchParameters.EFFECTS : LayerParameters.EFFECTS;
        if (layer >= Parameters.LAYERS || from < 0 || to < 0 || from >= slots || to >= slots) {
            throw new EditException("There is no such place in the chain of effects.");
        }
        double[] values = new double[Parameters.COUNT];
        for (int i = 0; i < values.length; i++) {
            values[moved(i)] = patch.value(i);
        }
        List<Route> routes = new ArrayList<>();
        for (Route r : patch.routes()) {
            routes.add(new Route(r.source(), moved(r.target()), r.depth(), r.side(), r.bend(), r.low(), r.high(), r.scaler()));
        }
        List<Macro> macros = new ArrayList<>();
        for (Macro m : patch.macros()) {
            macros.add(m.withTargets(m.targets().stream().map(t -> new MacroTarget(moved(t.target()), t.low(), t.high(), t.bend())).toList()));
        }
        return patch.withSound(values, routes, macros);
    }

    private Parameter moved(Parameter p) {
        return Parameters.at(moved(p.index()));
    }

    private int moved(int index) {
        int first = layer < 0 ? PatchParameters.effect(0) : Parameters.ofLayer(layer, LayerParameters.effect(0));
        int size = EffectParameters.size();
        int slot = (index - first) / size;
        if (index < first || slot > Math.max(from, to) || slot < Math.min(from, to)) {
            return index;
        }
        int place = (index - first) % size;
        int newSlot = slot == from ? to : from < to ? slot - 1 : slot + 1;
        return first + newSlot * size + place;
    }

    @Override
    public String label(Patch before) {
        return (layer < 0 ? "" : "Layer " + (layer + 1) + " ") + "Effect " + (from + 1) + " moved to place " + (to + 1);
    }
}
