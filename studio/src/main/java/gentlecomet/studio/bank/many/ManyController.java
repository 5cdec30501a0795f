package gentlecomet.studio.bank.many;

import gentlecomet.studio.bank.Banks;
import gentlecomet.studio.bank.desk.Desk;
import gentlecomet.studio.bank.desk.DeskStep;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.ConflictException;
import gentlecomet.studio.page.RefusedException;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Work on chosen patches of a bank: looked at before it is done, done in one step, read and taken back. */
@Controller
class ManyController {

    private static final int STEPS_SHOWN = 100;

    private final DeskWork work;
    private final Desk desk;
    private final Banks banks;
    private final StepAnswers answers;
    private final Collections collections;

    ManyController(DeskWork work, Desk desk, Banks banks, StepAnswers answers, Collections collections) {
        this.work = work;
        this.desk = desk;
        this.banks = banks;
        this.answers = answers;
        this.collections = collections;
    }

    /** What a form would do with each patch. That it cannot be done, or not yet, is an answer as well: the form may be half filled in. */
    @PostMapping("/banks/{id}/desk/preview")
    String preview(@PathVariable long id, @ModelAttribute DeskForm form, Model model) {
        try {
            model.addAttribute("plan", work.preview(id, form));
            return "bank/answer :: preview";
        } catch (RefusedException | ConflictException e) {
            model.addAttribute("lacking", e.getMessage());
            return "bank/answer :: lacking";
        }
    }

    @PostMapping("/banks/{id}/desk")
    String perform(@PathVariable long id, @ModelAttribute DeskForm form, Model model) {
        return answers.begin(id, form.patch().size(), progress -> work.perform(id, form, progress), done -> done.changed().isEmpty() ? "Nothing was to be changed." : done.label() + ".", model);
    }

    /** Saves chosen patches; what has not changed since its last revision stays. */
    @PostMapping("/banks/{id}/save")
    String save(@PathVariable long id, @ModelAttribute DeskForm form, @RequestParam(defaultValue = "") String note, Model model) {
        return answers.begin(id, form.patch().size(), progress -> new Desk.Outcome(0, "", banks.save(form.versions(), note, progress), List.of()), done -> saved(done.changed().size()), model);
    }

    @PostMapping("/banks/{id}/desk/undo")
    String undo(@PathVariable long id, Model model) {
        return turn(id, desk.next(collections.ofBank(id).id()), true, model);
    }

    @PostMapping("/banks/{id}/desk/redo")
    String redo(@PathVariable long id, Model model) {
        return turn(id, desk.again(collections.ofBank(id).id()), false, model);
    }

    @PostMapping("/banks/{id}/desk/steps/{step}/back")
    String back(@PathVariable long id, @PathVariable long step, Model model) {
        return turn(id, Optional.of(desk.step(collections.ofBank(id).id(), step)), true, model);
    }

    @PostMapping("/banks/{id}/desk/steps/{step}/again")
    String again(@PathVariable long id, @PathVariable long step, Model model) {
        return turn(id, Optional.of(desk.step(collections.ofBank(id).id(), step)), false, model);
    }

    @GetMapping("/banks/{id}/desk/history")
    String history(@PathVariable long id, Model model) {
        model.addAttribute("steps", desk.history(collections.ofBank(id).id(), STEPS_SHOWN));
        model.addAttribute("bankId", id);
        return "bank/answer :: history";
    }

    private String turn(long id, Optional<DeskStep> step, boolean back, Model model) {
        if (step.isEmpty()) {
            throw new RefusedException(back ? "There is nothing to take back." : "There is nothing to do again.");
        }
        long collection = collections.ofBank(id).id();
        return answers.begin(id, step.get().patches(), progress -> back ? desk.takeBack(collection, step.get(), progress) : desk.redo(collection, step.get(), progress),
                done -> (back ? "Taken back: " : "Done again: ") + done.label() + ".", model);
    }

    private static String saved(int revisions) {
        return revisions == 0 ? "Everything is saved already." : revisions == 1 ? "One revision is saved." : revisions + " revisions are saved.";
    }
}
