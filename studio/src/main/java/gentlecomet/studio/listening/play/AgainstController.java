package gentlecomet.studio.listening.play;

import gentlecomet.studio.listening.round.RoundRow;
import gentlecomet.studio.listening.round.Rounds;
import java.security.SecureRandom;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What a place of a round is held against, openly or blind. */
@RestController
class AgainstController {

    private final Rounds rounds;
    private final Opponents opponents;
    private final Trials trials;
    private final SecureRandom seeds = new SecureRandom();

    AgainstController(Rounds rounds, Opponents opponents, Trials trials) {
        this.rounds = rounds;
        this.opponents = opponents;
        this.trials = trials;
    }

    @GetMapping("/rounds/{id}/places/{place}/against")
    Opponents.Opponent against(@PathVariable long id, @PathVariable int place, @RequestParam String what) {
        RoundRow round = rounds.get(id);
        return opponents.find(round, rounds.place(id, place), what);
    }

    @PostMapping("/rounds/{id}/places/{place}/trials")
    Trials.State start(@PathVariable long id, @PathVariable int place, @RequestParam long reviewer, @RequestParam String what, @RequestParam int trials) {
        return this.trials.start(id, place, reviewer, what, trials, seeds.nextLong());
    }

    /** @param trial from 0 @param second whether X was taken for B */
    @PostMapping("/trials/{series}")
    Trials.State answer(@PathVariable long series, @RequestParam int trial, @RequestParam boolean second) {
        return trials.answer(series, trial, second);
    }
}
