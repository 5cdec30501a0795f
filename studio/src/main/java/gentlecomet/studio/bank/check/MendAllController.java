package gentlecomet.studio.bank.check;

import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.SoundcheckRules;
import gentlecomet.studio.bank.mend.MendingRow;
import gentlecomet.studio.bank.mend.Mendings;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The repairs of every finding of a rule in a bank. */
@Controller
class MendAllController {

    private final Patches patches;
    private final Collections collections;
    private final Mendings mendings;

    MendAllController(Patches patches, Collections collections, Mendings mendings) {
        this.patches = patches;
        this.collections = collections;
        this.mendings = mendings;
    }

    /** Tries them in the background. */
    @PostMapping("/banks/{id}/mending")
    String mend(@PathVariable long id, @RequestParam String rule, Model model) {
        mendings.tryAll(id, collections.ofBank(id), rule);
        return show(id, rule, model);
    }

    @GetMapping("/banks/{id}/mending")
    String show(@PathVariable long id, @RequestParam String rule, Model model) {
        SoundcheckRule found = SoundcheckRules.find(rule).orElseThrow(() -> new MissingException("There is no rule \"" + rule + "\"."));
        Mendings.OfRule all = mendings.ofRule(id, collections.ofBank(id), rule);
        model.addAttribute("rule", found);
        model.addAttribute("standing", all.standing());
        model.addAttribute("mendings", all.tried());
        model.addAttribute("working", all.tried().stream().filter(MendingRow::works).count());
        model.addAttribute("patches", patches.inBank(id).stream().collect(Collectors.toMap(PatchSummary::id, p -> p)));
        return "soundcheck/finding :: all";
    }

    /** Takes every repair that works, as one step. */
    @PostMapping("/banks/{id}/mending/apply")
    String apply(@PathVariable long id, @RequestParam String rule, Model model) {
        CollectionRow collection = collections.ofBank(id);
        model.addAttribute("done", mendings.apply(collection, mendings.ofRule(id, collection, rule).tried(), Map.of()));
        return show(id, rule, model);
    }
}
