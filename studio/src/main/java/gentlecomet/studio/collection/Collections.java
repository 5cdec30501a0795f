package gentlecomet.studio.collection;

import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.RuleValues;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Collections, their banks and their house rules. */
@Service
public class Collections {

    private static final int LONGEST_NAME = 80;

    private final CollectionStore store;

    Collections(CollectionStore store) {
        this.store = store;
    }

    /** @throws MissingException when it is not there */
    public CollectionRow get(long id) {
        return store.find(id).orElseThrow(() -> new MissingException("This collection is no longer there."));
    }

    /** The collection that a bank belongs to. */
    public CollectionRow ofBank(long bankId) {
        return store.ofBank(bankId).orElseThrow(() -> new MissingException("This bank is no longer there."));
    }

    /** The collection that a patch belongs to. */
    public CollectionRow of(PatchRow patch) {
        return ofBank(patch.bankId());
    }

    /** @throws MissingException when it is not there */
    public BankRow bank(long id) {
        return store.findBank(id).orElseThrow(() -> new MissingException("This bank is no longer there."));
    }

    /** The banks of a collection in their order. */
    public List<BankRow> banks(long collectionId) {
        return store.banks(collectionId);
    }

    /** A new collection with one empty bank and the default house rules; answers its id. */
    @Transactional
    public long create(String name) {
        if (name.isBlank() || name.strip().length() > LONGEST_NAME) {
            throw new RefusedException("A collection needs a name of up to " + LONGEST_NAME + " characters.", "name");
        }
        long id = store.insert(name.strip(), "", "", HouseRules.DEFAULT);
        store.insertBank(id, 0, "Bank A");
        return id;
    }

    /** Replaces the house rules. @throws RefusedException when one of them has no meaning, with its field */
    @Transactional
    public void changeRules(long id, HouseRules changed) {
        RuleValues.fault(changed).ifPresent(fault -> {
            throw new RefusedException(fault.message(), fault.field());
        });
        store.updateRules(id, changed);
    }
}
