package gentlecomet.studio.collection;

/**
 * A bank without its patches.
 *
 * @param position   from 0
 * @param firstPatch the patch in its first taken slot, 0 when it is empty
 * @param patches    how many stand in it
 * @param msb        the number by which MIDI calls it, its upper seven bits (controller 0)
 * @param lsb        its lower seven bits (controller 32)
 */
public record BankRow(long id, long collectionId, int position, String name, long firstPatch, int patches, int msb, int lsb) {
}
