package gentlecomet.studio.patch;

import java.util.List;

/**
 * What lists show of a patch in its working state, read without its content.
 *
 * @param version  goes up with every change; an edit names the version it was made on
 * @param revision number of the latest saved revision, 0 when there is none
 * @param saved    whether the working state is the latest revision
 * @param pattern  what it does with held keys, in words; empty where keys play as they are pressed
 */
public record PatchSummary(long id, long bankId, int slot, long version, String name, String category, List<String> tags, String author,
        String contentHash, String soundHash, int revision, boolean saved, String pattern) {

    /** How far it has been saved: saved, edited, or new. */
    public String state() {
        return revision == 0 ? "new" : saved ? "saved" : "edited";
    }

    /** The same in words. */
    public String stateText() {
        return revision == 0 ? "never saved" : saved ? "r" + revision : "r" + revision + " + edits";
    }
}
