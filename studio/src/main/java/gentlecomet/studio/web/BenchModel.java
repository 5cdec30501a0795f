package gentlecomet.studio.web;

import gentlecomet.craft.check.KeyMapWords;
import gentlecomet.craft.check.LooseEnds;
import gentlecomet.craft.portrait.Portrait;
import gentlecomet.craft.response.Sweep;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.vary.Quality;
import gentlecomet.studio.service.Banks;
import gentlecomet.studio.service.PatchEditing;
import gentlecomet.studio.store.AssetStore;
import gentlecomet.studio.store.CollectionStore.CollectionRow;
import gentlecomet.studio.store.PatchStore;
import gentlecomet.studio.store.PatchStore.PatchRow;
import gentlecomet.studio.service.Versions;
import gentlecomet.studio.store.VersionStore;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** What the bench shows of a patch, for whoever has just changed it. */
@Component
class BenchModel {

    private static final int HISTORY_SHOWN = 40;
    private static final String UNMEASURED = "…";

    private final PatchEditing editing;
    private final PatchStore patches;
    private final AssetStore assets;
    private final Banks banks;
    private final BankRows rows;
    private final VersionStore versions;
    private final Versions measured;

    BenchModel(PatchEditing editing, PatchStore patches, AssetStore assets, Banks banks, BankRows rows, VersionStore versions, Versions measured) {
        this.versions = versions;
        this.measured = measured;
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
        model.addAttribute("failure", null);
        model.addAttribute("collection", collection);
        model.addAttribute("steps", steps);
        model.addAttribute("locked", editing.locked(row.id()).stream().map(p -> String.valueOf(p.index())).collect(Collectors.joining(" ")));
        model.addAttribute("playable", Playable.of(row, collection.rules(), known.measurement()).json());
        model.addAttribute("view", BenchView.of(row.patch()));
        model.addAttribute("hands", Sweep.Hand.values());
        model.addAttribute("history", patches.history(row.id(), HISTORY_SHOWN));
        model.addAttribute("revisions", patches.revisions(row.id()));
        model.addAttribute("assets", assets.of(collection.id()));
        model.addAttribute("keyMapWords", KeyMapWords.of(row.patch()));
        model.addAttribute("looseEnds", LooseEnds.of(row.patch()));
        model.addAttribute("pads", versions.pads(row.id()).stream().collect(Collectors.toMap(VersionStore.PadRow::letter, p -> p)));
        model.addAttribute("others", patches.names(row.bankId()));
        model.addAttribute("qualities", Quality.values());
        model.addAttribute("siblings", siblings(row, collection.rules()));
    }

    /** Portraits of a patch's siblings by their ids, of those that have been measured. */
    Map<Long, String> portraits(PatchRow row) {
        return siblings(row, banks.collectionOf(row).rules()).stream().filter(s -> !s.portrait.equals(UNMEASURED))
                .collect(Collectors.toMap(s -> s.row.id(), Sibling::portrait));
    }

    /** Asks for the measures of a patch's siblings. */
    void askForSiblings(PatchRow row) {
        HouseRules rules = banks.collectionOf(row).rules();
        versions.variations(row.id()).forEach(v -> measured.ask(v.patch(), rules));
    }

    /** A sibling with its picture, as far as it has been measured. */
    record Sibling(VersionStore.VariationRow row, String portrait) {
    }

    private List<Sibling> siblings(PatchRow row, HouseRules rules) {
        return versions.variations(row.id()).stream().map(v -> new Sibling(v, measured.measured(v.patch(), rules).map(Portrait::svg).orElse(UNMEASURED))).toList();
    }
}
