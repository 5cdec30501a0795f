package gentlecomet.studio.bank.check;

import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.collection.NameChecks;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.soundcheck.Soundchecks;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** What the soundcheck says of the patch on the bench, a moment after the last move. */
@Controller
class LiveCheckController {

    private final Patches patches;
    private final Collections collections;
    private final NameChecks names;
    private final Soundchecks soundchecks;

    LiveCheckController(Patches patches, Collections collections, NameChecks names, Soundchecks soundchecks) {
        this.patches = patches;
        this.collections = collections;
        this.names = names;
        this.soundchecks = soundchecks;
    }

    /** Asks for it; what is known already is not asked for again. */
    @PostMapping("/patches/{id}/check")
    String ask(@PathVariable long id, Model model) {
        PatchRow row = patches.get(id);
        soundchecks.ask(row, collections.of(row).rules());
        return show(row, model);
    }

    @GetMapping("/patches/{id}/check")
    String look(@PathVariable long id, Model model) {
        return show(patches.get(id), model);
    }

    private String show(PatchRow row, Model model) {
        CollectionRow collection = collections.of(row);
        model.addAttribute("patch", row.summary());
        model.addAttribute("check", soundchecks.of(row.summary(), collection, names.of(row.summary(), collection)));
        model.addAttribute("standing", soundchecks.standing(row.summary(), collection.rules()));
        model.addAttribute("figures", soundchecks.probes(row, collection.rules()).map(ProbeFigure::of).orElse(List.of()));
        return "soundcheck/live :: live";
    }
}
