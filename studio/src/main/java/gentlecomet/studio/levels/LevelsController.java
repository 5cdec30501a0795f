package gentlecomet.studio.levels;

import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.page.PageContexts;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchVersions;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The levels of a bank. */
@Controller
class LevelsController {

    private final Collections collections;
    private final Levels levels;
    private final Measures measures;
    private final PageContexts contexts;

    LevelsController(Collections collections, Levels levels, Measures measures, PageContexts contexts) {
        this.collections = collections;
        this.levels = levels;
        this.measures = measures;
        this.contexts = contexts;
    }

    @GetMapping("/banks/{id}/levels")
    String levels(@PathVariable long id, Model model) {
        model.addAttribute("context", contexts.ofBank("Levels " + fill(id, model).name(), "levels", id, 0));
        return "levels/levels";
    }

    @GetMapping("/banks/{id}/levels/rows")
    String rowsAlone(@PathVariable long id, Model model) {
        fill(id, model);
        return "levels/levels :: ladder";
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
        levels.level(id, PatchVersions.of(patch));
        measures.askForBank(id, collections.ofBank(id).rules());
        return rowsAlone(id, model);
    }

    private BankRow fill(long id, Model model) {
        BankRow bank = collections.bank(id);
        CollectionRow collection = collections.get(bank.collectionId());
        model.addAttribute("bank", bank);
        model.addAttribute("rules", collection.rules());
        model.addAttribute("rows", levels.ofBank(id, collection));
        model.addAttribute("standing", measures.standing(id, collection.rules()));
        return bank;
    }
}
