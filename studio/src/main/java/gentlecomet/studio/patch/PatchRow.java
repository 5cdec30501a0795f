package gentlecomet.studio.patch;

import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.pattern.Patterns;

/**
 * A patch in its working state.
 *
 * @param cursor   number of the edit that the working state comes from
 * @param version  goes up with every change; an edit names the version it was made on
 * @param revision number of the latest saved revision, 0 when there is none
 * @param saved    whether the working state is the latest revision
 */
public record PatchRow(long id, long bankId, int slot, int cursor, long version, Patch patch, String contentHash, String soundHash, int revision, boolean saved) {

    public String name() {
        return patch.name();
    }

    public String category() {
        return patch.naming().category();
    }

    /** The same without its content. */
    public PatchSummary summary() {
        return new PatchSummary(id, bankId, slot, version, name(), category(), patch.naming().tags(), patch.naming().author(),
                contentHash, soundHash, revision, saved, Patterns.words(patch));
    }
}
