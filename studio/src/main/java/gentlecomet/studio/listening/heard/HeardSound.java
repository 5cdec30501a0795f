package gentlecomet.studio.listening.heard;

import gentlecomet.studio.patch.PatchSummary;

/**
 * A state of a patch as it was heard.
 *
 * @param patchId 0 when the patch has been deleted for good
 */
public record HeardSound(long patchId, String name, String category, String contentHash, String soundHash) {

    /** A patch as it is now. */
    public static HeardSound of(PatchSummary patch) {
        return new HeardSound(patch.id(), patch.name(), patch.category(), patch.contentHash(), patch.soundHash());
    }
}
