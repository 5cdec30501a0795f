package gentlecomet.studio.listening.say;

/**
 * A note of a reviewer at a place.
 *
 * @param beat the moment of the phrase, null for all of it
 * @param key  the key that was played, null for none
 */
public record Remark(long id, int place, Reviewer reviewer, String words, Double beat, Integer key) {
}
