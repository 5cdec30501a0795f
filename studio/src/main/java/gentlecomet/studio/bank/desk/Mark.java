package gentlecomet.studio.bank.desk;

import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.patch.Placement;

/**
 * How a patch stood before or after a step.
 *
 * @param place       null in the trash, and before it was made
 * @param cursor      number of the edit that its working state came from
 * @param contentHash of that state
 */
record Mark(Placement place, int cursor, String contentHash) {

    /** @param state null where there is none */
    static Mark of(Patches.State state) {
        return state == null ? null : new Mark(state.place(), state.cursor(), state.contentHash());
    }
}
