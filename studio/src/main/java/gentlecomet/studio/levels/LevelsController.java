package gentlecomet.studio.levels;

import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.page.PageContexts;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

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

    private BankRow fill(long id, Model model) {
        BankRow bank = collections.bank(id);
        CollectionRow collection = collections.get(bank.collectionId());
        model.addAttribute("bank", bank);
        model.addAttribute("rules", collection.rules());
        model.addAttribute("groups", levels.groups(id, collection));
        model.addAttribute("standing", measures.standing(id, collection.rules()));
        return bank;
    }
}
