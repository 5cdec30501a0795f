package gentlecomet.studio.listening.round;

import gentlecomet.craft.listen.Question;
import gentlecomet.craft.listen.RoundOrder;
import java.util.List;

/**
 * What a new round is to be.
 *
 * @param bankId   the bank whose patches are heard, 0 for those of all banks
 * @param filter   line of the desk's filter that they must fit, empty for all
 * @param category id of a category, empty for all
 * @param only     {@code all}, {@code fix} for those to be mended, {@code changed} since their last verdict, or {@code unheard}
 * @param phrases  ids, none for each category's own
 */
public record RoundPlan(String name, Question question, long bankId, String filter, String category, String only, RoundOrder order, long seed, List<String> phrases,
        boolean byHand, String backing, double pause, boolean blind) {
}
