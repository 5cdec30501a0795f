package gentlecomet.studio.patch;

import gentlecomet.sound.patch.Patch;

/** The latest revision of a patch, and where it stands. @param bankPosition from 0 */
public record ShippedPatch(int bankPosition, String bankName, int slot, int revision, String soundHash, Patch patch) {
}
