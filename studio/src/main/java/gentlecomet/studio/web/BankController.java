package gentlecomet.studio.web;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.StartPatches;
import gentlecomet.craft.level.Levelling;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.service.Banks;
import gentlecomet.studio.service.Measures;
import gentlecomet.studio.service.PatchEditing;
import gentlecomet.studio.store.CollectionStore.BankRow;
import gentlecomet.studio.store.CollectionStore.CollectionRow;
import gentlecomet.studio.store.PatchStore;
import gentlecomet.studio.store.PatchStore.PatchRow;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The bank and its levels. */
@Controller
class BankController {

    private final Banks banks;
    private final PatchStore patches;
    private final PatchEditing editing;
    private final Measures measures;
    private final BankRows rows;
    private final Frames frames;
    private final ProgressStream progress;

    BankController(Banks banks, PatchStore patches, PatchEditing editing, Measures measures, BankRows rows, Frames frames,
            ProgressStream progress) {
        this.banks = banks;
        this.patches = patches;
        this.editing = editing;
        this.measures = measures;
        this.rows = rows;
        this.frames = frames;
        this.progress = progress;
    }

    @GetMapping("/banks/{id}")
    String bank(@PathVariable long id, Model model) {
        fill(id, "banks", "Bank", model);
        return "bank";
    }

    @GetMapping("/banks/{id}/rows")
    String rowsAlone(@PathVariable long id, Model model) {
        fill(id, "banks", "Bank", model);
        return "bank :: slots";
    }

    @GetMapping("/banks/{id}/levels")
    String levels(@PathVariable long id, Model model) {
        fill(id, "levels", "Levels", model);
        return "levels";
    }

    @GetMapping("/banks/{id}/levels/rows")
    String levelRows(@PathVariable long id, Model model) {
        fill(id, "levels", "Levels", model);
        return "levels :: ladder";
    }

    /** How many patches have been measured. */
    @GetMapping("/banks/{id}/measuring")
    @ResponseBody
    SseEmitter measuring(@PathVariable long id) {
        CollectionRow collection = banks.collection(banks.bank(id).collectionId());
        return progress.follow(() -> {
            List<PatchRow> inBank = patches.inBank(id);
            return new ProgressStream.Progress(measures.measured(inBank, collection.rules()), inBank.size());
        });
    }

    @PostMapping("/banks/{id}/patches")
    String newPatch(@PathVariable long id, @RequestParam(defaultValue = "0") int slot, @RequestParam(defaultValue = "") String start) {
        if (start.isEmpty()) {
            return "redirect:/patches/" + banks.newPatch(id, slot);
        }
        Patch begin = StartPatches.of(start);
        return "redirect:/patches/" + banks.newFrom(id, slot, begin, begin.name(), "New from the start for " + start);
    }

    @PostMapping("/patches/{id}/duplicate")
    String duplicate(@PathVariable long id, Model model) {
        banks.duplicate(id);
        return rowsAlone(editing.get(id).bankId(), model);
    }

    @PostMapping("/patches/{id}/move")
    String move(@PathVariable long id, @RequestParam int slot, Model model) {
        banks.move(id, slot);
        return rowsAlone(editing.get(id).bankId(), model);
    }

    @PostMapping("/patches/{id}/delete")
    String delete(@PathVariable long id, Model model) {
        long bank = editing.get(id).bankId();
        banks.delete(id);
        return rowsAlone(bank, model);
    }

    @PostMapping("/patches/{id}/name")
    String rename(@PathVariable long id, @RequestParam String name, Model model) {
        return oneRow(editing.edit(id, 0, "", new PatchEdit.Rename(name)), model);
    }

    @PostMapping("/patches/{id}/category")
    String categorise(@PathVariable long id, @RequestParam String category, Model model) {
        return oneRow(editing.edit(id, 0, "", new PatchEdit.Categorise(category)), model);
    }

    @PostMapping("/patches/{id}/save-row")
    String save(@PathVariable long id, Model model) {
        return oneRow(editing.save(id, 0, ""), model);
    }

    /** Brings the chosen patches, or all, to the target; those that have not been measured yet stay as they are. */
    @PostMapping("/banks/{id}/level")
    String level(@PathVariable long id, @RequestParam(required = false) List<Long> patch, Model model) {
        CollectionRow collection = banks.collection(banks.bank(id).collectionId());
        List<Long> chosen = patches.inBank(id).stream().filter(r -> patch == null || patch.contains(r.id()))
                .filter(r -> measures.of(r, collection.rules()).isPresent()).map(PatchRow::id).toList();
        banks.apply(chosen, row -> new PatchEdit.SetValue(Parameters.at(PatchParameters.LEVEL_TRIM),
                measures.proposal(row, collection.rules()).map(Levelling.Proposal::trimDb).orElse(0.0)));
        return levelRows(id, model);
    }

    /** Saves every patch that has changed since its last revision. */
    @PostMapping("/banks/{id}/save")
    String saveAll(@PathVariable long id, @RequestParam(defaultValue = "") String note, Model model) {
        patches.inBank(id).stream().filter(r -> !r.saved()).forEach(r -> editing.save(r.id(), 0, note));
        return rowsAlone(id, model);
    }

    private String oneRow(PatchRow row, Model model) {
        BankRow bank = banks.bank(row.bankId());
        CollectionRow collection = banks.collection(bank.collectionId());
        model.addAttribute("bank", bank);
        model.addAttribute("rules", collection.rules());
        model.addAttribute("row", rows.one(row, collection));
        return "bank :: slot";
    }

    private void fill(long id, String place, String title, Model model) {
        BankRow bank = banks.bank(id);
        CollectionRow collection = banks.collection(bank.collectionId());
        List<BankRows.Row> all = rows.of(bank, collection);
        model.addAttribute("frame", frames.of(title + " " + bank.name(), place, id, 0));
        model.addAttribute("bank", bank);
        model.addAttribute("rules", collection.rules());
        model.addAttribute("rows", all);
        model.addAttribute("measuring", all.stream().anyMatch(r -> !r.measured()));
        model.addAttribute("unsaved", all.stream().filter(r -> !r.patch().saved()).count());
    }
}
