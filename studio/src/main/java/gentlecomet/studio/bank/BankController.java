package gentlecomet.studio.bank;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.measure.SoundView;
import gentlecomet.studio.page.PageContexts;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.PatchVersions;
import gentlecomet.studio.patch.Patches;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The slots of a bank. */
@Controller
class BankController {

    private final Banks banks;
    private final Collections collections;
    private final Patches patches;
    private final Measures measures;
    private final BankRows rows;
    private final PageContexts contexts;

    BankController(Banks banks, Collections collections, Patches patches, Measures measures, BankRows rows, PageContexts contexts) {
        this.banks = banks;
        this.collections = collections;
        this.patches = patches;
        this.measures = measures;
        this.rows = rows;
        this.contexts = contexts;
    }

    @GetMapping("/banks/{id}")
    String bank(@PathVariable long id, Model model) {
        model.addAttribute("context", contexts.ofBank("Bank " + fill(id, model).name(), "banks", id, 0));
        return "bank/bank";
    }

    @GetMapping("/banks/{id}/rows")
    String rowsAlone(@PathVariable long id, Model model) {
        fill(id, model);
        return "bank/bank :: slots";
    }

    /** The sounds of a bank by their portraits, for the home page. */
    @GetMapping("/banks/{id}/gallery")
    String gallery(@PathVariable long id, Model model) {
        BankRow bank = collections.bank(id);
        HouseRules rules = collections.get(bank.collectionId()).rules();
        List<PatchSummary> all = patches.inBank(id);
        Map<Long, Measurement> measured = measures.ofBank(id, all, rules);
        model.addAttribute("bank", bank);
        model.addAttribute("banks", collections.banks(bank.collectionId()));
        model.addAttribute("sounds", all.stream().map(p -> new GalleryItem(p.id(), p.name(), new SoundView(p.category(), measured.get(p.id()), rules))).toList());
        model.addAttribute("standing", measures.standing(id, rules));
        return "bank/gallery :: gallery";
    }

    /** A patch by its portrait. */
    record GalleryItem(long id, String name, SoundView sound) {
    }

    @PostMapping("/banks/{id}/patches")
    String newPatch(@PathVariable long id, @RequestParam(defaultValue = "0") int slot, @RequestParam(defaultValue = "") String start) {
        return "redirect:/patches/" + banks.newStart(id, slot, start);
    }

    @PostMapping("/patches/{id}/duplicate")
    String duplicate(@PathVariable long id, Model model) {
        banks.duplicate(id);
        return rowsAlone(patches.summary(id).bankId(), model);
    }

    @PostMapping("/patches/{id}/move")
    String move(@PathVariable long id, @RequestParam int slot, Model model) {
        banks.move(id, slot);
        return rowsAlone(patches.summary(id).bankId(), model);
    }

    @PostMapping("/patches/{id}/delete")
    String delete(@PathVariable long id, Model model) {
        long bank = patches.summary(id).bankId();
        patches.delete(id);
        return rowsAlone(bank, model);
    }

    @PostMapping("/patches/{id}/name")
    String rename(@PathVariable long id, @RequestParam long version, @RequestParam String name, Model model) {
        return oneRow(patches.edit(id, version, "", new PatchEdit.Rename(name)), model);
    }

    @PostMapping("/patches/{id}/category")
    String categorise(@PathVariable long id, @RequestParam long version, @RequestParam String category, Model model) {
        return oneRow(patches.edit(id, version, "", new PatchEdit.Categorise(category)), model);
    }

    @PostMapping("/patches/{id}/save-row")
    String save(@PathVariable long id, @RequestParam long version, Model model) {
        return oneRow(patches.save(id, version, ""), model);
    }

    /** Saves the patches that have changed since their last revision. @param patch patches with the version that the page shows, as "12.3" */
    @PostMapping("/banks/{id}/save")
    String saveAll(@PathVariable long id, @RequestParam(defaultValue = "") List<String> patch, @RequestParam(defaultValue = "") String note, Model model) {
        banks.save(PatchVersions.of(patch), note);
        return rowsAlone(id, model);
    }

    private String oneRow(PatchRow row, Model model) {
        BankRow bank = collections.bank(row.bankId());
        CollectionRow collection = collections.get(bank.collectionId());
        measures.ask(row, collection.rules());
        model.addAttribute("bank", bank);
        model.addAttribute("rules", collection.rules());
        model.addAttribute("categories", new CategoryOptions(collection.rules()));
        model.addAttribute("row", rows.of(row.summary(), collection));
        return "bank/bank :: slot";
    }

    private BankRow fill(long id, Model model) {
        BankRow bank = collections.bank(id);
        CollectionRow collection = collections.get(bank.collectionId());
        List<BankRowView> all = rows.of(id, collection);
        model.addAttribute("bank", bank);
        model.addAttribute("rules", collection.rules());
        model.addAttribute("categories", new CategoryOptions(collection.rules()));
        model.addAttribute("rows", all);
        model.addAttribute("standing", measures.standing(id, collection.rules()));
        model.addAttribute("unsaved", all.stream().filter(r -> !r.patch().saved()).count());
        return bank;
    }
}
