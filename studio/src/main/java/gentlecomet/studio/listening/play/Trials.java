package gentlecomet.studio.listening.play;

import gentlecomet.craft.listen.BlindTrials;
import gentlecomet.studio.listening.round.RoundPlace;
import gentlecomet.studio.listening.round.RoundRow;
import gentlecomet.studio.listening.round.Rounds;
import gentlecomet.studio.listening.say.Reviewers;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.page.RefusedException;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A/B/X trials: whether a reviewer hears a difference at all, as a number. */
@Service
public class Trials {

    private static final int FEWEST = 4;
    private static final int MOST = 100;

    private final TrialStore store;
    private final Rounds rounds;
    private final Reviewers reviewers;
    private final Opponents opponents;

    Trials(TrialStore store, Rounds rounds, Reviewers reviewers, Opponents opponents) {
        this.store = store;
        this.rounds = rounds;
        this.reviewers = reviewers;
        this.opponents = opponents;
    }

    /**
     * Where a series stands.
     *
     * @param done   how many have been answered
     * @param second whether X of the next trial is B
     * @param result in words once all have been answered, until then empty: whoever sees it before stops when it suits
     */
    public record State(long id, int trials, int done, boolean second, String result) {
    }

    /** The result of a finished series. @param chance of as many right answers by guessing */
    public record Result(int place, long reviewerId, String against, int right, int trials, double chance) {

        public String words() {
            return String.format(Locale.ROOT, "%d of %d right: %s%s by guessing", right, trials, chance < 0.001 ? "less than 0.1" : String.format(Locale.ROOT, "%.1f", 100 * chance), " %")
                    + (chance < BlindTrials.SIGNIFICANT ? ", so the difference is heard." : ", so no difference has been shown.");
        }
    }

    /** Begins a series at a place. */
    @Transactional
    public State start(long roundId, int place, long reviewerId, String against, int trials, long seed) {
        if (trials < FEWEST || trials > MOST) {
            throw new RefusedException("A series has " + FEWEST + " to " + MOST + " trials.", "trials");
        }
        RoundRow round = rounds.get(roundId);
        RoundPlace at = rounds.place(roundId, place);
        reviewers.get(reviewerId, round.collectionId());
        Opponents.Opponent opponent = opponents.find(round, at, against);
        return state(get(store.insert(new TrialStore.Series(0, roundId, place, reviewerId, against, opponent.name(), opponent.contentHash(), seed, trials, ""))));
    }

    /** Takes the answer of a trial. @param trial from 0 @param second whether the listener takes X for B */
    @Transactional
    public State answer(long id, int trial, boolean second) {
        TrialStore.Series series = get(id);
        store.answer(id, trial, BlindTrials.second(series.seed(), trial) == second);
        return state(get(id));
    }

    /** Finished series of a round. */
    public List<Result> results(long roundId) {
        return store.of(roundId).stream().filter(s -> s.answers().length() == s.trials()).map(Trials::result).toList();
    }

    private TrialStore.Series get(long id) {
        return store.find(id).orElseThrow(() -> new MissingException("This series of trials is no longer there."));
    }

    private static Result result(TrialStore.Series s) {
        return new Result(s.place(), s.reviewerId(), s.againstName(), s.right(), s.trials(), BlindTrials.byChance(s.right(), s.trials()));
    }

    private static State state(TrialStore.Series s) {
        int done = s.answers().length();
        return new State(s.id(), s.trials(), done, BlindTrials.second(s.seed(), done), done == s.trials() ? result(s).words() : "");
    }
}
