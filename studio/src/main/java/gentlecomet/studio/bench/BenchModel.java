package gentlecomet.studio.bench;

import gentlecomet.craft.check.KeyMapWords;
import gentlecomet.craft.check.LooseEnds;
import gentlecomet.craft.level.Levelling;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.response.Sweep;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.vary.Quality;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.bank.BankRowView;
import gentlecomet.studio.bank.BankRows;
import gentlecomet.studio.bench.vary.PatchVariations;
import gentlecomet.studio.bench.version.PadRow;
import gentlecomet.studio.bench.version.Versions;
import gentlecomet.studio.bench.view.BenchView;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.player.Playable;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** What the bench shows of a patch, for whoever has just changed it. */
@Component
class BenchModel {

    private static final int HISTORY_SHOWN = 40;

    private final Patches patches;
    private final Assets assets;
    private final Collections collections;
    private final BankRows rows;
    private final Versions versions;
    private final PatchVariations variations;
    private final Measures measures;

    BenchModel(Patches patches, Assets assets, Collections collections, BankRows rows, Versions versions, PatchVariations variations, Measures measures) {
        this.patches = patches;
        this.assets = assets;
        this.collections = collections;
        this.rows = rows;
        this.versions = versions;
        this.variations = variations;
        this.measures = measures;
    }

    /** The part of the bench that edits exchange: the name of its template. */
    String part(PatchRow row, Model model) {
        fill(row, model);
        return "bench/bench :: bench";
    }

    /** A page: the layers behind the first one come to it later, as its first exchange. */
    String page(PatchRow row, Model model) {
        fill(row, model);
        model.addAttribute("later", true);
        return "bench/bench";
    }

    private void fill(PatchRow row, Model model) {
        model.addAttribute("later", false);
        CollectionRow collection = collections.of(row);
        BankRowView known = fillMeasured(row, collection, model);
        model.addAttribute("patch", row);
        model.addAttribute("steps", patches.steps(row));
        model.addAttribute("locked", patches.locked(row.id()).stream().map(Parameter::id).collect(Collectors.joining(" ")));
        model.addAttribute("playable", Playable.of(row, collection.rules(), known.sound().measurement()).json());
        model.addAttribute("view", BenchView.of(row.patch()));
        model.addAttribute("controllers", Sweep.Hand.values());
        model.addAttribute("history", patches.history(row.id(), HISTORY_SHOWN));
        model.addAttribute("revisions", patches.revisions(row.id()));
        model.addAttribute("assets", assets.names(collection.id()));
        model.addAttribute("keyMapWords", KeyMapWords.of(row.patch()));
        model.addAttribute("looseEnds", LooseEnds.of(row.patch()));
        model.addAttribute("pads", versions.pads(row.id()).stream().collect(Collectors.toMap(PadRow::letter, p -> p)));
        model.addAttribute("qualities", Quality.values());
        model.addAttribute("variations", variations.cards(row.id(), collection.rules().phraseOf(row.category())));
        model.addAttribute("making", variations.progress(row.id()));
    }

    /** Loudness and portrait, as far as they are known. */
    BankRowView fillMeasured(PatchRow row, CollectionRow collection, Model model) {
        BankRowView known = rows.of(row.summary(), collection);
        Measurement measurement = known.sound().measurement();
        model.addAttribute("row", known);
        model.addAttribute("rules", collection.rules());
        model.addAttribute("failure", measurement != null ? null : measures.standing(row.summary(), collection.rules()).failed().get(row.id()));
        model.addAttribute("proposal", measurement == null ? null : Levelling.propose(row.patch(), measurement, collection.rules()));
        return known;
    }
}
