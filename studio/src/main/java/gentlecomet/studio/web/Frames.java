package gentlecomet.studio.web;

import gentlecomet.studio.service.Banks;
import gentlecomet.studio.store.CollectionStore;
import gentlecomet.studio.store.CollectionStore.BankRow;
import gentlecomet.studio.store.CollectionStore.CollectionRow;
import gentlecomet.studio.store.PatchStore;
import java.util.List;
import org.springframework.stereotype.Component;

/** What every page shows around its own content. */
@Component
class Frames {

    private final CollectionStore collections;
    private final Banks banks;
    private final PatchStore patches;

    Frames(CollectionStore collections, Banks banks, PatchStore patches) {
        this.collections = collections;
        this.banks = banks;
        this.patches = patches;
    }

    /**
     * The rail and the title.
     *
     * @param title   of the page
     * @param place   id of the rail's entry that is lit
     * @param bank    the bank that the entries of the rail lead to
     * @param patchId the patch that "Bench" leads to, 0 when the bank is empty
     */
    record Frame(String title, String place, CollectionRow collection, BankRow bank, long patchId, List<CollectionRow> collections,
            List<BankRow> banks) {
    }

    Frame of(String title, String place, long bankId, long patchId) {
        BankRow bank = banks.bank(bankId);
        CollectionRow collection = banks.collection(bank.collectionId());
        long patch = patchId != 0 ? patchId : patches.inBank(bankId).stream().findFirst().map(PatchStore.PatchRow::id).orElse(0L);
        return new Frame(title, place, collection, bank, patch, collections.all(), collections.banks(collection.id()));
    }

    Frame ofCollection(String title, String place, long collectionId) {
        banks.collection(collectionId);
        return of(title, place, collections.banks(collectionId).get(0).id(), 0);
    }
}
