package gentlecomet.craft.release;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.measure.Measurement;

/**
 * One patch of a release.
 *
 * @param in          its bank
 * @param slot        its slot and the patch itself
 * @param revision    number of the saved revision
 * @param measurement what it measures, null where nobody has measured it
 */
public record ReleasePatch(ReleaseBank in, CollectionFile.Slot slot, int revision, Measurement measurement) {

    /** Place of its bank, from 0. */
    public int bank() {
        return in.position();
    }

    /** Name of its bank. */
    public String bankName() {
        return in.name();
    }
}
