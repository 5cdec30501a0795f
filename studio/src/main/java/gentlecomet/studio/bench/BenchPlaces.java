package gentlecomet.studio.bench;

import gentlecomet.craft.edit.NamedParts;
import gentlecomet.craft.format.PatchRules;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.page.Findable;
import gentlecomet.studio.patch.Patches;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Parameters of the patch on the bench, for the command finder and for what routes and macros can move. */
@Component
class BenchPlaces implements Findable {

    private final Patches patches;

    BenchPlaces(Patches patches) {
        this.patches = patches;
    }

    @Override
    public List<Place> parameters(long patchId) {
        Patch patch = patches.get(patchId).patch();
        return sounding(patch).map(p -> {
            int macro = p.index() - PatchParameters.MACRO;
            String name = macro >= 0 && macro < PatchParameters.MACROS ? " " + patch.macros().get(macro).name() : "";
            return new Place(PatchRules.name(p) + name, NamedParts.effectOf(patch, p), p.id());
        }).toList();
    }

    /** What routes and macros can move. */
    static List<Place> targets(Patch patch) {
        return sounding(patch).filter(Parameters::movable).map(p -> new Place(PatchRules.name(p), NamedParts.effectOf(patch, p), p.id())).toList();
    }

    /** What means something as the patch stands. */
    private static Stream<Parameter> sounding(Patch patch) {
        return Parameters.ALL.stream().filter(p -> patch.relevant(p) && (Parameters.layerOf(p.index()) < 0 || patch.layerOn(Parameters.layerOf(p.index()))));
    }
}
