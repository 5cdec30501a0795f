package gentlecomet.studio.listening.play;

import gentlecomet.studio.listening.round.RoundPlace;
import gentlecomet.studio.listening.say.Remark;
import java.util.List;

/**
 * A place of a round, ready to be shown and played.
 *
 * @param heard   what is heard
 * @param rival   what it is held against from the beginning, null for nothing
 * @param change  what has become of the patch since, empty for nothing
 * @param remarks of the reviewer who listens, and of others where they may be seen
 */
record PlaceView(RoundPlace place, HeardView heard, HeardView rival, String change, List<Remark> remarks) {

    /**
     * One sound of a place.
     *
     * @param name     as it may be said: "Sound 7" while the round is blind
     * @param portrait empty while the round is blind, or while it has not been measured
     * @param playable for the player, with the gain at which it is heard
     * @param level    how loud it is heard, in words
     */
    record HeardView(String name, String category, String portrait, String description, String notes, String playable, String level) {
    }
}
