package gentlecomet.studio.listening.mend;

import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.listening.say.Reviewers;
import gentlecomet.studio.page.PageContexts;
import gentlecomet.studio.patch.Patches;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** The queue of what listening wants mended. */
@Controller
class MendController {

    private final MendQueue queue;
    private final Collections collections;
    private final Patches patches;
    private final Reviewers reviewers;
    private final PageContexts contexts;

    MendController(MendQueue queue, Collections collections, Patches patches, Reviewers reviewers, PageContexts contexts) {
        this.queue = queue;
        this.collections = collections;
        this.patches = patches;
        this.reviewers = reviewers;
        this.contexts = contexts;
    }

    @GetMapping("/collections/{id}/mend")
    String queue(@PathVariable long id, Model model) {
        model.addAttribute("bank", collections.banks(id).get(0));
        model.addAttribute("entries", queue.of(id));
        model.addAttribute("context", contexts.ofBank("To mend", "listening", collections.banks(id).get(0).id(), 0));
        model.addAttribute("collection", collections.get(id));
        return "listening/mend";
    }

    /** A short round of what has been mended. */
    @PostMapping("/collections/{id}/mend/round")
    String again(@PathVariable long id) {
        if (reviewers.all(id).isEmpty()) {
            reviewers.named(id, Reviewers.FIRST);
        }
        return "redirect:/rounds/" + queue.hearAgain(id, 1);
    }

    /** What was said of a patch, to stand beside it on the bench. */
    @GetMapping("/patches/{id}/said")
    String said(@PathVariable long id, Model model) {
        model.addAttribute("collection", collections.ofBank(patches.summary(id).bankId()).id());
        model.addAttribute("entry", queue.ofPatch(id));
        return "listening/mend :: said";
    }
}
