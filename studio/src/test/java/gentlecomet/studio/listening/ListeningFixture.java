package gentlecomet.studio.listening;

import gentlecomet.craft.listen.Question;
import gentlecomet.craft.listen.RoundOrder;
import gentlecomet.studio.listening.round.RoundPlan;
import gentlecomet.studio.listening.round.Rounds;
import java.util.List;

/** Rounds for tests. */
public final class ListeningFixture {

    private ListeningFixture() {
    }

    public static RoundPlan plan(String name, Question question, boolean blind) {
        return new RoundPlan(name, question, 0, "", "", "all", blind ? RoundOrder.SHUFFLED : RoundOrder.BANK, 5, List.of(), false, "", 0, blind);
    }

    /** A round of patches that fit a line of the desk's filter. */
    public static RoundPlan plan(String name, String filter) {
        return new RoundPlan(name, Question.VERDICT, 0, filter, "", "all", RoundOrder.BANK, 5, List.of(), false, "", 0, false);
    }

    /** Begins a round of all patches of a collection that asks for verdicts. */
    public static long start(Rounds rounds, long collection, String name) {
        return rounds.start(collection, plan(name, Question.VERDICT, false));
    }

    /** The place at which a patch is heard. */
    public static int place(Rounds rounds, long round, long patch) {
        return rounds.places(round).stream().filter(p -> p.heard().patchId() == patch).findFirst().orElseThrow().place();
    }
}
