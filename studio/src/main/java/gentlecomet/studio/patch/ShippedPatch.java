package gentlecomet.studio.patch;

import gentlecomet.craft.release.ReleaseBank;
import gentlecomet.sound.patch.Patch;

/** The latest revision of a patch, and where it stands. @param id of the patch */
public record ShippedPatch(long id, ReleaseBank bank, int slot, int revision, String soundHash, Patch patch) {
}
