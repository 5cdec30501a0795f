package gentlecomet.studio.patch;

import gentlecomet.sound.patch.Patch;

/** The latest revision of a patch, and where it stands. @param id of the patch @param bankPosition from 0 */
public record ShippedPatch(long id, int bankPosition, String bankName, int slot, int revision, String soundHash, Patch patch) {
}
