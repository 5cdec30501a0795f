package gentlecomet.studio.web;

import gentlecomet.craft.check.KeyMapWords;
import gentlecomet.craft.check.LooseEnds;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.edit.Together;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.format.PatchRules;
import gentlecomet.craft.level.GainMatch;
import gentlecomet.craft.level.Levelling;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.service.Assets;
import gentlecomet.studio.service.Banks;
import gentlecomet.studio.service.Measures;
import gentlecomet.studio.service.PatchEditing;
import gentlecomet.studio.service.RefusedException;
import gentlecomet.studio.store.CollectionStore.CollectionRow;
import gentlecomet.studio.store.PatchStore.PatchRow;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The bench: one patch, edited by hand. */
@Controller
class BenchController {

    private final PatchEditing editing;
    private final BenchModel bench;
    private final Banks banks;
    private final Measures measures;
    private final Assets assets;
    private final BankRows rows;
    private final Frames frames;
    private final ProgressStream progress;

    BenchController(PatchEditing editing, BenchModel bench, Banks banks, Measures measures, Assets assets, BankRows rows, Frames frames,
            ProgressStream progress) {
        this.assets = assets;
        this.editing = editing;
        this.bench = bench;
        this.banks = banks;
        this.measures = measures;
        this.rows = rows;
        this.frames = frames;
        this.progress = progress;
    }

    /** A moved value bar. */
    record ValueEdit(long version, String gesture, int index, double value) {
    }

    /** The state of a patch after an edit. @param brings whether the edit brings a list with it, so that the bench has to be shown anew */
    record State(long version, String undo, String redo, boolean saved, boolean brings) {
    }

    @GetMapping("/patches/{id}")
    String bench(@PathVariable long id, Model model) {
        PatchRow row = editing.get(id);
        bench.fill(row, model);
        model.addAttribute("frame", frames.of(row.name(), "bench", row.bankId(), id));
        return "bench";
    }

    /** The part of the bench that edits exchange. */
    @GetMapping("/patches/{id}/bench")
    String benchAlone(@PathVariable long id, Model model) {
        return bench.part(editing.get(id), model);
    }

    @PostMapping("/patches/{id}/values")
    @ResponseBody
    State setValue(@PathVariable long id, @RequestBody ValueEdit edit) {
        if (edit.index() < 0 || edit.index() >= Parameters.COUNT) {
            throw new RefusedException("There is no such parameter.");
        }
        Parameter moved = Parameters.at(edit.index());
        boolean stacked = BenchLayer.stacked(moved, editing.get(id).patch().value(edit.index()));
        String gesture = edit.gesture() == null ? "" : edit.gesture().substring(0, Math.min(60, edit.gesture().length()));
        PatchRow row = editing.edit(id, edit.version(), gesture, new PatchEdit.SetValue(moved, edit.value()));
        PatchEditing.Steps steps = editing.steps(row);
        return new State(row.version(), steps.undo(), steps.redo(), row.saved(), stacked != BenchLayer.stacked(moved, edit.value()));
    }

    @PostMapping("/patches/{id}/edits")
    String edit(@PathVariable long id, @RequestParam long version, @RequestParam Map<String, String> form, Model model) {
        PatchRow row = editing.get(id);
        return bench.part(editing.edit(id, version, "", EditForm.read(form, row.patch())), model);
    }

    /** Locks or unlocks a parameter. */
    @PostMapping("/patches/{id}/lock")
    @ResponseBody
    void lock(@PathVariable long id, @RequestParam String parameter, @RequestParam boolean on) {
        Parameter found = Parameters.find(parameter);
        if (found == null) {
            throw new RefusedException("There is no such parameter.");
        }
        editing.lock(id, found, on);
    }

    @PostMapping("/patches/{id}/undo")
    String undo(@PathVariable long id, @RequestParam long version, Model model) {
        return bench.part(editing.undo(id, version), model);
    }

    @PostMapping("/patches/{id}/redo")
    String redo(@PathVariable long id, @RequestParam long version, Model model) {
        return bench.part(editing.redo(id, version), model);
    }

    @PostMapping("/patches/{id}/save")
    String save(@PathVariable long id, @RequestParam long version, @RequestParam(defaultValue = "") String note, Model model) {
        return bench.part(editing.save(id, version, note), model);
    }

    /** The patch as JSON, for the clipboard of parts. */
    @GetMapping(value = "/patches/{id}/content", produces = MediaType.APPLICATION_JSON_VALUE)
    @ResponseBody
    String content(@PathVariable long id) {
        return PatchFormat.write(editing.get(id).patch());
    }

    /** Level to target for this patch. */
    @PostMapping("/patches/{id}/level")
    String level(@PathVariable long id, @RequestParam long version, Model model) {
        PatchRow row = editing.get(id);
        Levelling.Proposal proposal = measures.proposal(row, banks.collectionOf(row).rules())
                .orElseThrow(() -> new RefusedException("The patch is still being measured; try again in a moment."));
        return bench.part(editing.edit(id, version, "", new PatchEdit.SetValue(Parameters.at(PatchParameters.LEVEL_TRIM), proposal.trimDb())), model);
    }

    /** Brings the output of an effect, or of a layer's filters, to the loudness of what goes into it. */
    @PostMapping("/patches/{id}/match")
    String match(@PathVariable long id, @RequestParam long version, @RequestParam int layer, @RequestParam int slot, Model model) {
        PatchRow row = editing.get(id);
        if (layer < -1 || layer >= Parameters.LAYERS || slot < (layer < 0 ? 0 : GainMatch.FILTERS) || slot >= (layer < 0 ? PatchParameters.EFFECTS : LayerParameters.EFFECTS)) {
            throw new RefusedException("There is no such effect.");
        }
        try {
            GainMatch.Result found = new GainMatch(assets).match(row.patch(), Phrases.get(banks.collectionOf(row).rules().phraseOf(row.category())), layer, slot);
            String words = String.format(Locale.ROOT, "%s matched: %.1f LUFS before, %.1f after, %+.1f dB", found.slot().place(), found.beforeLufs(),
                    found.afterLufs(), found.db());
            return bench.part(editing.edit(id, version, "", new Together(words, List.of(new PatchEdit.SetValue(found.slot(), found.db())))), model);
        } catch (IllegalArgumentException e) {
            throw new RefusedException("Nothing is heard before or after it, so there is nothing to match.");
        }
    }

    /** Loudness and portrait, as far as they are known. */
    @GetMapping("/patches/{id}/measured")
    String measured(@PathVariable long id, Model model) {
        PatchRow row = editing.get(id);
        CollectionRow collection = banks.collectionOf(row);
        model.addAttribute("row", rows.one(row, collection));
        model.addAttribute("rules", collection.rules());
        model.addAttribute("failure", measures.measuring(List.of(row), collection.rules()).failed().get(row.id()));
        return "bench-level :: measured";
    }

    /** Loose ends, and what the key map looks like, in words. */
    @GetMapping("/patches/{id}/words")
    String words(@PathVariable long id, Model model) {
        Patch patch = editing.get(id).patch();
        model.addAttribute("looseEnds", LooseEnds.of(patch));
        model.addAttribute("keyMapWords", KeyMapWords.of(patch));
        return "bench-words :: words";
    }

    @GetMapping("/patches/{id}/measuring")
    @ResponseBody
    SseEmitter measuring(@PathVariable long id) {
        CollectionRow collection = banks.collectionOf(editing.get(id));
        return progress.follow("measuring patch " + id, () -> {
            Measures.Standing standing = measures.measuring(List.of(editing.get(id)), collection.rules());
            return new ProgressStream.Progress(standing.done(), 1, standing.failed().size());
        });
    }

    /** Asks for the measures of the patch as it stands, and of the siblings beside it, ahead of everything. */
    @PostMapping("/patches/{id}/measure")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void measure(@PathVariable long id) {
        PatchRow row = editing.get(id);
        measures.ask(List.of(row), banks.collectionOf(row).rules());
        bench.askForSiblings(row);
    }

    static String targetName(Parameter p) {
        return PatchRules.name(p);
    }
}
