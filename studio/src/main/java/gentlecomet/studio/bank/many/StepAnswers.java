package gentlecomet.studio.bank.many;

import gentlecomet.studio.bank.BankModel;
import gentlecomet.studio.bank.desk.Desk;
import gentlecomet.studio.bank.desk.StepProgress;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Answers a page that has asked for a step of the desk: with the rows it has changed, or with how far it is. */
@Component
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

    /** How far a step is, or what it has done. @return the piece of page that answers */
    String again(long bankId, long step, Model model) {
        return answer(bankId, steps.again(bankId, step), model);
    }

    private String answer(long bankId, LongSteps.Answer answer, Model model) {
        if (answer.done() == null) {
            model.addAttribute("running", answer.step());
            model.addAttribute("bankId", bankId);
            return "bank/answer :: running";
        }
        page.answer(bankId, answer.done(), answer.step().said().apply(answer.done()), model);
        return "bank/answer :: answer";
    }
}
