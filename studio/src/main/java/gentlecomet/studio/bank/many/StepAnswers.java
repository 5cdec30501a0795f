package gentlecomet.studio.bank.many;

import gentlecomet.studio.bank.BankModel;
import gentlecomet.studio.bank.desk.Desk;
import gentlecomet.studio.bank.desk.StepProgress;
import java.util.function.Function;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** Answers a page that has asked for a step of the desk: with the rows it has changed, or with how far it is. */
@Controller
class StepAnswers {

    private final LongSteps steps;
    private final BankModel page;

    StepAnswers(LongSteps steps, BankModel page) {
        this.steps = steps;
        this.page = page;
    }

    /** Begins a step. @return the piece of page that answers */
    String begin(long bankId, int patches, Function<StepProgress, Desk.Outcome> work, Function<Desk.Outcome, String> said, Model model) {
        return answer(bankId, steps.begin(bankId, patches, work, said), model);
    }

    /** How far a step is, or what it has done. */
    @GetMapping("/banks/{id}/desk/running/{step}")
    String again(@PathVariable long id, @PathVariable long step, Model model) {
        return answer(id, steps.again(id, step), model);
    }

    /** Stops a step, and takes back what it has done so far. */
    @PostMapping("/banks/{id}/desk/running/{step}/stop")
    String stop(@PathVariable long id, @PathVariable long step, Model model) {
        steps.stop(id, step);
        return answer(id, steps.again(id, step), model);
    }

    private String answer(long bankId, LongSteps.Answer answer, Model model) {
        if (answer.done() == null) {
            model.addAttribute("running", answer.step());
            model.addAttribute("bankId", bankId);
            return "bank/answer :: running";
        }
        page.answer(bankId, answer.done(), answer.step().said(answer.done()), model);
        return "bank/answer :: answer";
    }
}
