package gentlecomet.studio.web;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.level.Levelling;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.studio.service.Banks;
import gentlecomet.studio.service.Measures;
import gentlecomet.studio.service.PatchEditing;
import gentlecomet.studio.service.RefusedException;
import gentlecomet.studio.store.CollectionStore.BankRow;
import gentlecomet.studio.store.CollectionStore.CollectionRow;
import gentlecomet.studio.store.PatchStore;
import gentlecomet.studio.store.PatchStore.PatchRow;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;
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
        return progress.follow("measuring " + id, () -> {
            Measures.Standing standing = measures.measuring(patches.inBank(id), collection.rules());
            return new ProgressStream.Progress(standing.done(), standing.total(), standing.failed().size());
        });
    }

    /** Asks for everything that has not been measured in its present state. */
    @PostMapping("/banks/{id}/measure")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void measure(@PathVariable long id) {
        measures.ask(patches.inBank(id), banks.collection(banks.bank(id).collectionId()).rules());
    }

    @PostMapping("/banks/{id}/patches")
    String newPatch(@PathVariable long id, @RequestParam(defaultValue = "0") int slot, @RequestParam(defaultValue = "") String start) {
        return "redirect:/patches/" + banks.newStart(id, slot, start);
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
    String rename(@PathVariable long id, @RequestParam long version, @RequestParam String name, Model model) {
        return oneRow(editing.edit(id, version, "", new PatchEdit.Rename(name)), model);
    }

    @PostMapping("/patches/{id}/category")
    String categorise(@PathVariable long id, @RequestParam long version, @RequestParam String category, Model model) {
        return oneRow(editing.edit(id, version, "", new PatchEdit.Categorise(category)), model);
    }

    @PostMapping("/patches/{id}/save-row")
    String save(@PathVariable long id, @RequestParam long version, Model model) {
        return oneRow(editing.save(id, version, ""), model);
    }

    /**
     * Brings the chosen patches to the target; those that have not been measured yet stay as they are.
     *
     * @param patch patches with the version that the page shows, as "12.3"
     */
    @PostMapping("/banks/{id}/level")
    String level(@PathVariable long id, @RequestParam(defaultValue = "") List<String> patch, Model model) {
        if (patch.isEmpty()) {
            throw new RefusedException("Choose the patches to level first.");
        }
        CollectionRow collection = banks.collection(banks.bank(id).collectionId());
        Map<Long, Long> versions = versions(patch);
        Map<Long, Measurement> measured = measures.ofAll(patches.inBank(id), collection.rules());
        versions.keySet().retainAll(measured.keySet());
        banks.apply(versions, row -> new PatchEdit.SetValue(Parameters.at(PatchParameters.LEVEL_TRIM),
                Levelling.propose(row.patch(), measured.get(row.id()), collection.rules()).trimDb()));
        measures.ask(patches.inBank(id), collection.rules());
        return levelRows(id, model);
    }

    /** Saves the patches that have changed since their last revision, as the page shows them. @param patch as for levelling */
    @PostMapping("/banks/{id}/save")
    String saveAll(@PathVariable long id, @RequestParam(defaultValue = "") List<String> patch, @RequestParam(defaultValue = "") String note, Model model) {
        banks.save(versions(patch), note);
        return rowsAlone(id, model);
    }

    private static Map<Long, Long> versions(List<String> patch) {
        Map<Long, Long> versions = new LinkedHashMap<>();
        for (String text : patch) {
            if (!text.matches("\\d{1,18}\\.\\d{1,18}")) {
                throw new RefusedException("The page is older than this program. Load it again and repeat the last step.");
            }
            versions.put(Long.parseLong(text.substring(0, text.indexOf('.'))), Long.parseLong(text.substring(text.indexOf('.') + 1)));
        }
        return versions;
    }

    private String oneRow(PatchRow row, Model model) {
        BankRow bank = banks.bank(row.bankId());
        CollectionRow collection = banks.collection(bank.collectionId());
        model.addAttribute("bank", bank);
        model.addAttribute("rules", collection.rules());
        measures.ask(List.of(row), collection.rules());
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
        rows.addStanding(all.stream().map(BankRows.Row::patch).toList(), collection.rules(), model);
        model.addAttribute("unsaved", all.stream().filter(r -> !r.patch().saved()).count());
    }
}
