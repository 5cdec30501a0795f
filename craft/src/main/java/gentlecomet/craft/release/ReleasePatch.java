package gentlecomet.craft.release;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.measure.Measurement;

/**
 * One patch of a release.
 *
 * @param bank        place of its bank, from 0
 * @param bankName    name of its bank
 * @param slot        its slot and the patch itself
 * @param revision    number of the saved revision
 * @param measurement what it measures, null where nobody has measured it
 */
public record ReleasePatch(int bank, String bankName, CollectionFile.Slot slot, int revision, Measurement measurement) {
}
