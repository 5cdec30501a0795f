package gentlecomet.studio.bank.many;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** Steps of the desk that a page follows, as they take longer than a moment. */
@Controller
class RunningStepController {

    private final LongSteps steps;
    private final StepAnswers answers;

    RunningStepController(LongSteps steps, StepAnswers answers) {
        this.steps = steps;
        this.answers = answers;
    }

    /** How far a step is, or what it has done. */
    @GetMapping("/banks/{id}/desk/running/{step}")
    String again(@PathVariable long id, @PathVariable long step, Model model) {
        return answers.again(id, step, model);
    }

    /** Stops a step, and takes back what it has done so far. */
    @PostMapping("/banks/{id}/desk/running/{step}/stop")
    String stop(@PathVariable long id, @PathVariable long step, Model model) {
        steps.stop(id, step);
        return answers.again(id, step, model);
    }
}
