package gentlecomet.studio.web;

import gentlecomet.craft.check.Soundcheck;
import gentlecomet.studio.service.Banks;
import gentlecomet.studio.service.Measures;
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
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The soundcheck of a bank. */
@Controller
class SoundcheckController {

    private final Banks banks;
    private final PatchStore patches;
    private final Measures measures;
    private final BankRows rows;
    private final Frames frames;
    private final ProgressStream progress;

    SoundcheckController(Banks banks, PatchStore patches, Measures measures, BankRows rows, Frames frames, ProgressStream progress) {
        this.banks = banks;
        this.patches = patches;
        this.measures = measures;
        this.rows = rows;
        this.frames = frames;
        this.progress = progress;
    }

    @GetMapping("/banks/{id}/soundcheck")
    String soundcheck(@PathVariable long id, Model model) {
        fill(id, model);
        return "soundcheck";
    }

    @GetMapping("/banks/{id}/soundcheck/rows")
    String rowsAlone(@PathVariable long id, Model model) {
        fill(id, model);
        return "soundcheck :: findings";
    }

    /** Asks for everything that has not been checked in its present state. */
    @PostMapping("/banks/{id}/soundcheck")
    String run(@PathVariable long id, Model model) {
        measures.check(patches.inBank(id), banks.collection(banks.bank(id).collectionId()).rules());
        fill(id, model);
        return "soundcheck :: findings";
    }

    @GetMapping("/banks/{id}/soundcheck/progress")
    @ResponseBody
    SseEmitter follow(@PathVariable long id) {
        CollectionRow collection = banks.collection(banks.bank(id).collectionId());
        return progress.follow("checking " + id, () -> {
            Measures.Standing standing = measures.checking(patches.inBank(id), collection.rules());
            return new ProgressStream.Progress(standing.done(), standing.total(), standing.failed().size());
        });
    }

    private void fill(long id, Model model) {
        BankRow bank = banks.bank(id);
        CollectionRow collection = banks.collection(bank.collectionId());
        List<BankRows.Row> all = rows.of(bank, collection);
        Measures.Standing standing = measures.checking(all.stream().map(BankRows.Row::patch).toList(), collection.rules());
        model.addAttribute("frame", frames.of("Soundcheck " + bank.name(), "soundcheck", id, 0));
        model.addAttribute("bank", bank);
        model.addAttribute("rows", all);
        model.addAttribute("families", Soundcheck.FAMILIES);
        model.addAttribute("unchecked", all.stream().filter(r -> r.findings() == null).count());
        model.addAttribute("faulty", all.stream().filter(r -> r.faults() > 0).count());
        model.addAttribute("running", standing.waiting());
        model.addAttribute("failed", standing.failed().size());
        model.addAttribute("failure", standing.failed().values().stream().findFirst().orElse(""));
    }
}
