package gentlecomet.studio.soundcheck;

import gentlecomet.craft.check.SoundcheckRules;
import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.collection.NameChecks;
import gentlecomet.studio.page.PageContexts;
import gentlecomet.studio.page.ProgressStream;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.work.Standing;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The soundcheck of a bank. */
@Controller
class SoundcheckController {

    private final Collections collections;
    private final Patches patches;
    private final NameChecks names;
    private final Soundchecks soundchecks;
    private final PageContexts contexts;
    private final ProgressStream progress;

    SoundcheckController(Collections collections, Patches patches, NameChecks names, Soundchecks soundchecks, PageContexts contexts, ProgressStream progress) {
        this.collections = collections;
        this.patches = patches;
        this.names = names;
        this.soundchecks = soundchecks;
        this.contexts = contexts;
        this.progress = progress;
    }

    /** A patch and what was found about it. */
    record Row(PatchSummary patch, CheckResult check) {
    }

    @GetMapping("/banks/{id}/soundcheck")
    String soundcheck(@PathVariable long id, Model model) {
        model.addAttribute("context", contexts.ofBank("Soundcheck " + fill(id, model).name(), "soundcheck", id, 0));
        return "soundcheck/soundcheck";
    }

    @GetMapping("/banks/{id}/soundcheck/rows")
    String rowsAlone(@PathVariable long id, Model model) {
        fill(id, model);
        return "soundcheck/soundcheck :: findings";
    }

    /** Asks for everything that has not been checked in its present state. */
    @PostMapping("/banks/{id}/soundcheck")
    String run(@PathVariable long id, Model model) {
        soundchecks.askForBank(id, collections.ofBank(id).rules());
        return rowsAlone(id, model);
    }

    @GetMapping("/banks/{id}/soundcheck/progress")
    @ResponseBody
    SseEmitter follow(@PathVariable long id) {
        CollectionRow collection = collections.ofBank(id);
        return progress.follow("checking " + id, () -> {
            Standing standing = soundchecks.standing(id, collection.rules());
            return new ProgressStream.Progress(standing.done(), standing.total(), standing.failed().size());
        });
    }

    private BankRow fill(long id, Model model) {
        BankRow bank = collections.bank(id);
        CollectionRow collection = collections.get(bank.collectionId());
        List<PatchSummary> all = patches.inBank(id);
        Map<Long, CheckResult> checks = soundchecks.ofBank(id, collection, names.ofBank(all, collection));
        List<Row> rows = all.stream().map(p -> new Row(p, checks.getOrDefault(p.id(), CheckResult.NONE))).toList();
        model.addAttribute("bank", bank);
        model.addAttribute("rows", rows);
        model.addAttribute("families", SoundcheckRules.FAMILIES);
        model.addAttribute("unchecked", rows.stream().filter(r -> !r.check().checked()).count());
        model.addAttribute("faulty", rows.stream().filter(r -> r.check().faults() > 0).count());
        model.addAttribute("standing", soundchecks.standing(id, collection.rules()));
        return bank;
    }
}
