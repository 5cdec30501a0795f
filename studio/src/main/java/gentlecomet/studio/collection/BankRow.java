package gentlecomet.studio.collection;

/** A bank without its patches. @param position from 0 @param firstPatch the patch in its first taken slot, 0 when it is empty */
public record BankRow(long id, long collectionId, int position, String name, long firstPatch) {
}
