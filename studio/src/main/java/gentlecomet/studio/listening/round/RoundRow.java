package gentlecomet.studio.listening.round;

import gentlecomet.craft.listen.Question;
import java.time.Instant;
import java.util.List;

/**
 * A listening round without its places.
 *
 * @param phrases ids of the phrases that are played, none for each category's own
 * @param byHand  whether the reviewer plays herself
 * @param backing name of the loop beside it, empty for none
 * @param pause   silence between two patches in seconds
 * @param blind   whether names and pictures are hidden
 * @param places  how many there are
 */
public record RoundRow(long id, long collectionId, String name, Question question, List<String> phrases, boolean byHand, String backing, double pause, boolean blind,
        int places, Instant startedAt) {
}
