package gentlecomet.craft.edit;

import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.SourceParameters;
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
