package gentlecomet.studio.bench;

import gentlecomet.craft.check.KeyMapWords;
import gentlecomet.craft.check.LooseEnds;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.bank.BankRows;
import gentlecomet.studio.bench.edit.EditFields;
import gentlecomet.studio.bench.edit.EditKinds;
import gentlecomet.studio.bench.vary.PatchVariations;
import gentlecomet.studio.bench.view.BenchLayer;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.levels.Levels;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.page.Findable;
import gentlecomet.studio.page.PageContexts;
import gentlecomet.studio.page.ProgressStream;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.work.Standing;
import java.util.List;
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

    private static final int LONGEST_GESTURE = 60;

    private final Patches patches;
    private final BenchModel bench;
    private final Collections collections;
    private final Measures measures;
    private final PatchVariations variations;
    private final Levels levels;
    private final BankRows rows;
    private final PageContexts contexts;
    private final ProgressStream progress;

    BenchController(Patches patches, BenchModel bench, Collections collections, Measures measures, PatchVariations variations, Levels levels, BankRows rows,
            PageContexts contexts, ProgressStream progress) {
        this.patches = patches;
        this.bench = bench;
        this.collections = collections;
        this.measures = measures;
        this.variations = variations;
        this.levels = levels;
        this.rows = rows;
        this.contexts = contexts;
        this.progress = progress;
    }

    /** A moved value bar. @param parameter its id */
    record ValueEdit(long version, String gesture, String parameter, double value) {
    }

    /** The state of a patch after an edit. @param brings whether the edit brings a list with it, so that the bench has to be shown anew */
    record State(long version, String undo, String redo, boolean saved, boolean brings) {
    }

    @GetMapping("/patches/{id}")
    String bench(@PathVariable long id, Model model) {
        PatchRow row = patches.get(id);
        model.addAttribute("context", contexts.ofBank(row.name(), "bench", row.bankId(), id));
        return bench.page(row, model);
    }

    /** The part of the bench that edits exchange. */
    @GetMapping("/patches/{id}/bench")
    String benchAlone(@PathVariable long id, Model model) {
        return bench.part(patches.get(id), model);
    }

    @PostMapping("/patches/{id}/values")
    @ResponseBody
    State setValue(@PathVariable long id, @RequestBody ValueEdit edit) {
        Parameter moved = parameter(edit.parameter());
        boolean listed = BenchLayer.brings(moved, patches.get(id).patch().value(moved.index()));
        String gesture = edit.gesture() == null ? "" : edit.gesture().substring(0, Math.min(LONGEST_GESTURE, edit.gesture().length()));
        PatchRow row = patches.edit(id, edit.version(), gesture, new PatchEdit.SetValue(moved, edit.value()));
        Patches.Steps steps = patches.steps(row);
        return new State(row.version(), steps.undo(), steps.redo(), row.saved(), listed != BenchLayer.brings(moved, edit.value()));
    }

    @PostMapping("/patches/{id}/edits")
    String edit(@PathVariable long id, @RequestParam long version, @RequestParam Map<String, String> form, Model model) {
        return bench.part(patches.edit(id, version, "", patch -> EditKinds.read(new EditFields(form), patch)), model);
    }

    /** Locks or unlocks a parameter. */
    @PostMapping("/patches/{id}/lock")
    @ResponseBody
    void lock(@PathVariable long id, @RequestParam String parameter, @RequestParam boolean on) {
        patches.lock(id, parameter(parameter), on);
    }

    @PostMapping("/patches/{id}/undo")
    String undo(@PathVariable long id, @RequestParam long version, Model model) {
        return bench.part(patches.undo(id, version), model);
    }

    @PostMapping("/patches/{id}/redo")
    String redo(@PathVariable long id, @RequestParam long version, Model model) {
        return bench.part(patches.redo(id, version), model);
    }

    @PostMapping("/patches/{id}/save")
    String save(@PathVariable long id, @RequestParam long version, @RequestParam(defaultValue = "") String note, Model model) {
        return bench.part(patches.save(id, version, note), model);
    }

    /** The patch as JSON, for the clipboard of parts. */
    @GetMapping(value = "/patches/{id}/content", produces = MediaType.APPLICATION_JSON_VALUE)
    @ResponseBody
    String content(@PathVariable long id) {
        return PatchFormat.write(patches.get(id).patch());
    }

    /** Level to target for this patch. */
    @PostMapping("/patches/{id}/level")
    String level(@PathVariable long id, @RequestParam long version, Model model) {
        return bench.part(levels.level(id, version), model);
    }

    /** Loudness and portrait, as far as they are known. */
    @GetMapping("/patches/{id}/measured")
    String measured(@PathVariable long id, Model model) {
        PatchRow row = patches.get(id);
        bench.fillMeasured(row, collections.of(row), model);
        return "bench/level :: measured";
    }

    /** Loose ends, and what the key map looks like, in words. */
    @GetMapping("/patches/{id}/words")
    String words(@PathVariable long id, Model model) {
        Patch patch = patches.get(id).patch();
        model.addAttribute("looseEnds", LooseEnds.of(patch));
        model.addAttribute("keyMapWords", KeyMapWords.of(patch));
        return "bench/words :: words";
    }

    @GetMapping("/patches/{id}/measuring")
    @ResponseBody
    SseEmitter measuring(@PathVariable long id) {
        CollectionRow collection = collections.ofBank(patches.summary(id).bankId());
        return progress.follow("measuring patch " + id, () -> {
            Standing standing = measures.standing(patches.summary(id), collection.rules());
            return new ProgressStream.Progress(standing.done(), 1, standing.failed().size());
        });
    }

    /** Asks for the measures of the patch as it stands, and of the variations beside it, ahead of everything. */
    @PostMapping("/patches/{id}/measure")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void measure(@PathVariable long id) {
        PatchRow row = patches.get(id);
        HouseRules rules = collections.of(row).rules();
        measures.ask(row, rules);
        variations.measure(id, rules);
    }

    /** What routes and macros can move, for the pickers: everything movable that means something as the patch stands. */
    @GetMapping("/patches/{id}/targets")
    @ResponseBody
    List<Findable.Place> targets(@PathVariable long id) {
        return BenchPlaces.targets(patches.get(id).patch());
    }

    private static Parameter parameter(String id) {
        Parameter found = Parameters.find(id == null ? "" : id);
        if (found == null) {
            throw new RefusedException("This version has no parameter \"" + (id == null ? "" : id.replaceAll("\\p{Cntrl}", "?")) + "\". Load the page again.");
        }
        return found;
    }
}
