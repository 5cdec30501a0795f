package gentlecomet.studio.bank.desk;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.patch.Placement;

/** One thing that is to be done at the desk; many make a step. */
public sealed interface Deed {

    /** Changes a patch. @param version the one that the page shows, or 0 for whatever is there now */
    record Edit(long patch, long version, PatchEdit edit) implements Deed {
    }

    /** Puts a patch into a slot, or into the trash where {@code to} is null. */
    record Place(long patch, Placement to) implements Deed {
    }

    /** Puts a new patch into a free slot. @param words first line of its history */
    record Create(Placement to, Patch content, String words) implements Deed {
    }
}
