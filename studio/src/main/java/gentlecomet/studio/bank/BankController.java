package gentlecomet.studio.bank;

import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.measure.SoundView;
import gentlecomet.studio.page.PageContexts;
import gentlecomet.studio.patch.PatchSummary;
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

    private static final int MOSAIC = 12;

    private final Banks banks;
    private final Collections collections;
    private final Patches patches;
    private final Measures measures;
    private final BankModel page;
    private final PageContexts contexts;

    BankController(Banks banks, Collections collections, Patches patches, Measures measures, BankModel page, PageContexts contexts) {
        this.banks = banks;
        this.collections = collections;
        this.patches = patches;
        this.measures = measures;
        this.page = page;
        this.contexts = contexts;
    }

    @GetMapping("/banks/{id}")
    String bank(@PathVariable long id, Model model) {
        model.addAttribute("context", contexts.ofBank("Bank " + page.whole(id, model).name(), "banks", id, 0));
        return "bank/bank";
    }

    @GetMapping("/banks/{id}/rows")
    String rowsAlone(@PathVariable long id, Model model) {
        page.whole(id, model);
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

    /** The first sounds of a collection, small, for the page of all collections. */
    @GetMapping("/collections/{id}/mosaic")
    String mosaic(@PathVariable long id, Model model) {
        HouseRules rules = collections.get(id).rules();
        BankRow bank = collections.banks(id).get(0);
        List<PatchSummary> first = patches.inBank(bank.id());
        Map<Long, Measurement> measured = measures.ofBank(bank.id(), first, rules);
        model.addAttribute("sounds", first.stream().filter(p -> measured.containsKey(p.id())).limit(MOSAIC)
                .map(p -> new GalleryItem(p.id(), p.name(), new SoundView(p.category(), measured.get(p.id()), rules))).toList());
        return "bank/gallery :: mosaic";
    }

    /** A patch by its portrait. */
    record GalleryItem(long id, String name, SoundView sound) {
    }

    @PostMapping("/banks/{id}/patches")
    String newPatch(@PathVariable long id, @RequestParam(defaultValue = "0") int slot, @RequestParam(defaultValue = "") String start) {
        return "redirect:/patches/" + banks.newStart(id, slot, start);
    }
}
