package gentlecomet.studio.bank.check;

import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.PageContexts;
import gentlecomet.studio.page.ProgressStream;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.soundcheck.Soundchecks;
import gentlecomet.studio.work.Standing;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The soundcheck of a bank, as a list of work. */
@Controller
class SoundcheckController {

    private final Collections collections;
    private final Patches patches;
    private final WorkList list;
    private final Soundchecks soundchecks;
    private final PageContexts contexts;
    private final ProgressStream progress;

    SoundcheckController(Collections collections, Patches patches, WorkList list, Soundchecks soundchecks, PageContexts contexts, ProgressStream progress) {
        this.collections = collections;
        this.patches = patches;
        this.list = list;
        this.soundchecks = soundchecks;
        this.contexts = contexts;
        this.progress = progress;
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

    /** What there is to say of the bank as a whole. */
    @GetMapping("/banks/{id}/soundcheck/bank")
    String bank(@PathVariable long id, Model model) {
        CollectionRow collection = collections.ofBank(id);
        model.addAttribute("bankFindings", list.ofBank(id, collection));
        Map<Long, String> names = patches.inBank(id).stream().collect(Collectors.toMap(PatchSummary::id, PatchSummary::name));
        model.addAttribute("names", names);
        return "soundcheck/soundcheck :: bank";
    }

    /** Everything on paper. */
    @GetMapping("/banks/{id}/soundcheck/report")
    String report(@PathVariable long id, Model model) {
        model.addAttribute("context", contexts.ofBank("Soundcheck report " + fill(id, model).name(), "soundcheck", id, 0));
        model.addAttribute("bankFindings", list.ofBank(id, collections.ofBank(id)));
        return "soundcheck/report";
    }

    /** Asks for everything that has not been checked in its present state. */
    @PostMapping("/banks/{id}/soundcheck")
    String run(@PathVariable long id, Model model) {
        soundchecks.askForBank(id, collections.ofBank(id).rules());
        return rowsAlone(id, model);
    }

    @PostMapping("/banks/{id}/soundcheck/cancel")
    String cancel(@PathVariable long id, Model model) {
        soundchecks.cancel(id, collections.ofBank(id).rules());
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
        model.addAttribute("bank", bank);
        model.addAttribute("collectionId", collection.id());
        model.addAttribute("work", list.of(id, collection));
        model.addAttribute("standing", soundchecks.standing(id, collection.rules()));
        return bank;
    }
}
