package gentlecomet.craft.edit;

import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.parameter.Taper;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.List;

/** Several edits as one step of the history. @param description what was done, for people */
public record CompositeEdit(String description, List<PatchEdit> edits) implements PatchEdit {

    public CompositeEdit {
        edits = List.copyOf(edits);
    }

    @Override
    public Patch apply(Patch patch) {
        Patch changed = patch;
        for (PatchEdit edit : edits) {
            changed = edit.apply(changed);
        }
        return changed;
    }

    @Override
    public String label(Patch before) {
        return description;
    }

    /**
     * Two layers change places, with everything that belongs to them.
     *
     * @param one   from 1
     * @param other from 1, another one
     * @throws EditException when there are no two such layers
     */
    public static PatchEdit swapLayers(Patch patch, int one, int other) {
        if (one < 1 || other < 1 || one > Parameters.LAYERS || other > Parameters.LAYERS || one == other) {
            throw new EditException("Choose two different layers of 1 to " + Parameters.LAYERS + ".");
        }
        String a = "layer" + one + ".";
        String b = "layer" + other + ".";
        return new CompositeEdit("Layers " + one + " and " + other + " swapped", List.of(new PastePart(patch, a, b), new PastePart(patch, b, a)));
    }

    /**
     * A route that takes a parameter from where it sounds now as far as a value; where there is a route between the two already, its depth.
     *
     * @param value in the parameter's own unit
     */
    public static PatchEdit reach(Patch patch, Modulator source, Parameter target, double value) {
        double now = patch.soundingValue(target);
        double depth = target.taper() == Taper.LOGARITHMIC ? Math.log(value / now) / Math.log(2) : value - now;
        int there = patch.route(source, target);
        return there < 0 ? new AddRoute(source, target, depth) : new SetDepth(there, depth);
    }

    /**
     * A macro holds a parameter: its present value is the end at which the macro stands nearer, and the other end is given.
     *
     * @param macro from 0
     * @param value of the other end; NaN for a quarter of the range away
     */
    public static PatchEdit hold(Patch patch, int macro, Parameter target, double value) {
        double now = patch.soundingValue(target);
        double at = target.position(now);
        double other = Double.isNaN(value) ? target.value(at < 0.75 ? at + 0.25 : at - 0.25) : value;
        boolean nowIsHigh = patch.value(PatchParameters.MACRO + macro) > 50;
        return new CompositeEdit(new AddTarget(macro, target).label(patch), List.of(new AddTarget(macro, target),
                new SetEnd(macro, target, nowIsHigh, now), new SetEnd(macro, target, !nowIsHigh, other)));
    }

    /**
     * An effect once more, at the end of a chain.
     *
     * @param part  start of the ids of the effect's parameters, for example {@code layer1.effect2.}
     * @param layer chain that it is copied to, from 0, or -1 for the one that all layers share
     * @throws EditException when there is no such effect, or no free place
     */
    public static PatchEdit copyEffect(Patch patch, String part, int layer) {
        Parameter type = Parameters.find(part + "type");
        if (type == null || !part.matches("(layer\\d\\.)?effect\\d+\\.") || patch.value(type.index()) == EffectParameters.NONE) {
            throw new EditException("There is no such effect to copy.");
        }
        int slot = new AddEffect(layer, (int) patch.value(type.index())).place(patch);
        String to = Parameters.at(Parameters.ofEffect(layer, slot)).id();
        return new PastePart(patch, part, to.substring(0, to.length() - "type".length()));
    }

    /**
     * The rise and time of one band of partials for all bands of a source.
     *
     * @param band from 1
     * @throws EditException when there is no such band
     */
    public static PatchEdit alikeBands(Patch patch, int layer, int source, int band) {
        if (band < 1 || band > SourceParameters.BANDS) {
            throw new EditException("Partials have bands 1 to " + SourceParameters.BANDS + ".");
        }
        int first = Parameters.ofSource(layer, source, SourceParameters.BAND);
        List<PatchEdit> edits = new ArrayList<>();
        for (int b = 0; b < SourceParameters.BANDS; b++) {
            for (int part = 0; part < 2; part++) {
                edits.add(new SetValue(Parameters.at(first + 2 * b + part), patch.value(first + 2 * (band - 1) + part)));
            }
        }
        return new CompositeEdit("Band " + band + " of layer " + (layer + 1) + " source " + (source + 1) + " to all bands", edits);
    }
}
