package gentlecomet.studio.listening.say;

/**
 * What a reviewer said at a place.
 *
 * @param rivalPlace the place that it was held against where a round puts its places in order, otherwise 0
 * @param answer     one of the question's
 */
public record Answer(int place, int rivalPlace, long reviewerId, String answer) {
}
