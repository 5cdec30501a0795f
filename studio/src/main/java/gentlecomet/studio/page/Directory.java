package gentlecomet.studio.page;

import java.util.List;

/** Where a page is among collections and banks. The room of collections knows. */
public interface Directory {

    /** A collection or a bank by its name. */
    record Entry(long id, String name) {
    }

    /**
     * The surroundings of a page.
     *
     * @param bank       the bank in question, of a collection its first one
     * @param firstPatch the patch in the bank's first taken slot, 0 when the bank is empty
     */
    record Surroundings(Entry collection, Entry bank, long firstPatch, List<Entry> collections, List<Entry> banks) {
    }

    /** @throws MissingException when there is no such bank */
    Surroundings ofBank(long bankId);

    /** @throws MissingException when there is no such collection */
    Surroundings ofCollection(long collectionId);
}
