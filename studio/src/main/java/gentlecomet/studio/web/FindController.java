package gentlecomet.studio.web;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.service.Banks;
import gentlecomet.studio.service.PatchEditing;
import gentlecomet.studio.store.CollectionStore;
import gentlecomet.studio.store.CollectionStore.BankRow;
import gentlecomet.studio.store.PatchStore;
import java.util.ArrayList;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Everything that the command finder can lead to. */
@RestController
class FindController {

    private final Banks banks;
    private final CollectionStore collections;
    private final PatchStore patches;
    private final PatchEditing editing;

    FindController(Banks banks, CollectionStore collections, PatchStore patches, PatchEditing editing) {
        this.banks = banks;
        this.collections = collections;
        this.patches = patches;
        this.editing = editing;
    }

    /** One thing that can be found; {@code kind} is what it is, of an effect's parameter the effect's name; {@code url} is an address, or the id of a parameter on the bench. */
    record Place(String text, String kind, String url) {
    }

    /** Pages and patches, and the parameters of the patch on the bench. */
    record Known(List<Place> places, List<Place> parameters) {
    }

    /** Names of what routes and macros can move: everything movable that means something as the patch stands. */
    @GetMapping("/patches/{id}/targets")
    List<Place> targets(@PathVariable long id) {
        Patch patch = editing.get(id).patch();
        return Parameters.ALL.stream().filter(p -> Parameters.movable(p) && patch.relevant(p)
                && (Parameters.layerOf(p.index()) < 0 || patch.layerOn(Parameters.layerOf(p.index()))))
                .map(p -> new Place(BenchController.targetName(p), EffectCards.typeOf(patch, p), p.id())).toList();
    }

    @GetMapping("/find")
    Known find(@RequestParam long collection, @RequestParam(defaultValue = "0") long patch) {
        banks.collection(collection);
        List<Place> places = new ArrayList<>();
        String home = "/collections/" + collection;
        places.add(new Place("Home", "page", home));
        places.add(new Place("Rules", "page", home + "/rules"));
        places.add(new Place("Recordings", "page", home + "/assets"));
        places.add(new Place("Releases", "page", home + "/releases"));
        for (BankRow bank : collections.banks(collection)) {
            String at = "/banks/" + bank.id();
            places.add(new Place("Bank " + bank.name(), "page", at));
            places.add(new Place("Levels of " + bank.name(), "page", at + "/levels"));
            places.add(new Place("Soundcheck of " + bank.name(), "page", at + "/soundcheck"));
            places.add(new Place("Listening to " + bank.name(), "page", at + "/listening"));
            patches.names(bank.id()).forEach(p -> places.add(new Place(p.name(), "patch " + p.slot(), "/patches/" + p.id())));
        }
        return new Known(places, patch == 0 ? List.of() : parameters(editing.get(patch).patch()));
    }

    private static List<Place> parameters(Patch patch) {
        List<Place> found = new ArrayList<>();
        for (Parameter p : Parameters.ALL) {
            int layer = Parameters.layerOf(p.index());
            if (patch.relevant(p) && (layer < 0 || patch.layerOn(layer))) {
                int macro = p.index() - PatchParameters.MACRO;
                String name = macro >= 0 && macro < PatchParameters.MACROS ? " " + patch.macros().get(macro).name() : "";
                found.add(new Place(BenchController.targetName(p) + name, EffectCards.typeOf(patch, p), p.id()));
            }
        }
        return found;
    }
}
