package gentlecomet.studio.soundcheck;

import java.time.OffsetDateTime;

/**
 * A finding that somebody lets stand, for the sound that the patch had then: it comes back when the sound changes.
 *
 * @param finding  its key
 * @param revision of the patch at that time
 * @param holds    whether the sound is still the one it was given for
 */
public record Waiver(long patchId, String finding, int revision, String reason, String person, OffsetDateTime at, boolean holds) {
}
