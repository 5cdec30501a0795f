package gentlecomet.studio.collection;

import gentlecomet.studio.page.Directory;
import gentlecomet.studio.page.MissingException;
import java.util.List;
import org.springframework.stereotype.Component;

/** Tells every page where it is. */
@Component
class CollectionDirectory implements Directory {

    private final CollectionStore store;

    CollectionDirectory(CollectionStore store) {
        this.store = store;
    }

    @Override
    public Surroundings ofBank(long bankId) {
        BankRow bank = store.findBank(bankId).orElseThrow(() -> new MissingException("This bank is no longer there."));
        return around(bank, store.banks(bank.collectionId()));
    }

    @Override
    public Surroundings ofCollection(long collectionId) {
        List<BankRow> banks = store.banks(collectionId);
        if (banks.isEmpty()) {
            throw new MissingException("This collection is no longer there.");
        }
        return around(banks.get(0), banks);
    }

    private Surroundings around(BankRow bank, List<BankRow> banks) {
        List<Entry> collections = store.names();
        Entry own = collections.stream().filter(c -> c.id() == bank.collectionId()).findFirst()
                .orElseThrow(() -> new MissingException("This collection is no longer there."));
        return new Surroundings(own, new Entry(bank.id(), bank.name()), bank.firstPatch(), collections,
                banks.stream().map(b -> new Entry(b.id(), b.name())).toList());
    }
}
