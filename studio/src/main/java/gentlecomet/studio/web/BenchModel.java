package gentlecomet.studio.web;

import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.service.Banks;
import gentlecomet.studio.service.PatchEditing;
import gentlecomet.studio.store.AssetStore;
import gentlecomet.studio.store.CollectionStore.CollectionRow;
import gentlecomet.studio.store.PatchStore;
import gentlecomet.studio.store.PatchStore.PatchRow;
import java.util.List;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** What the bench shows of a patch, for whoever has just changed it. */
@Component
class BenchModel {

    private static final int HISTORY_SHOWN = 40;

    private final PatchEditing editing;
    private final PatchStore patches;
    private final AssetStore assets;
    private final Banks banks;
    private final BankRows rows;

    BenchModel(PatchEditing editing, PatchStore patches, AssetStore assets, Banks banks, BankRows rows) {
        this.editing = editing;
        this.patches = patches;
        this.assets = assets;
        this.banks = banks;
        this.rows = rows;
    }

    /** The part of the bench that edits exchange: the name of its template. */
    String part(PatchRow row, Model model) {
        fill(row, model);
        return "bench :: bench";
    }

    void fill(PatchRow row, Model model) {
        CollectionRow collection = banks.collectionOf(row);
        BankRows.Row known = rows.one(row, collection);
        PatchEditing.Steps steps = editing.steps(row);
        model.addAttribute("patch", row);
        model.addAttribute("row", known);
        model.addAttribute("rules", collection.rules());
        model.addAttribute("collection", collection);
        model.addAttribute("steps", steps);
        model.addAttribute("playable", Playable.of(row, collection.rules(), known.measurement()).json());
        model.addAttribute("view", BenchView.of(row.patch()));
        model.addAttribute("history", patches.history(row.id(), HISTORY_SHOWN));
        model.addAttribute("revisions", patches.revisions(row.id()));
        model.addAttribute("targets", targets(row.patch()));
        model.addAttribute("assets", assets.of(collection.id()));
    }

    /** Names of what routes and macros can move: everything movable that means something as the patch stands. */
    private static List<String> targets(Patch patch) {
        return Parameters.ALL.stream().filter(p -> Parameters.movable(p) && patch.relevant(p)
                && (Parameters.layerOf(p.index()) < 0 || patch.layerOn(Parameters.layerOf(p.index())))).map(BenchController::targetName).toList();
    }
}
