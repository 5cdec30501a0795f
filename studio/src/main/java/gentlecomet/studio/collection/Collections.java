package gentlecomet.studio.collection;

import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.RuleValues;
import gentlecomet.studio.page.Directory;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchPlaces;
import gentlecomet.studio.patch.PatchRow;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Collections, their banks and their house rules. */
@Service
public class Collections {

    private static final int LONGEST_BANK_NAME = 60;

    private static final int MOST_SELECT = 127;

    private final CollectionStore store;
    private final ApplicationEventPublisher events;

    Collections(CollectionStore store, ApplicationEventPublisher events) {
        this.store = store;
        this.events = events;
    }

    /** @throws MissingException when it is not there */
    public CollectionRow get(long id) {
        return store.find(id).orElseThrow(() -> new MissingException("This collection is no longer there."));
    }

    /** The names of all banks of the collections in use, by the name of their collection. */
    public Map<String, List<Directory.Entry>> bankNames() {
        return store.bankNames();
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
        long id = store.insert(CollectionDetails.typed(name, "", "", "", "", ""), HouseRules.DEFAULT);
        store.insertBank(id, 0, "Bank A", 0, 0);
        return id;
    }

    /** Says something else of a collection. */
    @Transactional
    public void describe(long id, CollectionDetails details) {
        get(id);
        store.update(id, details);
    }

    /** Every collection with its counts, those that are put away or deleted too; what was worked on last comes first. */
    public List<CollectionCard> cards() {
        return store.cards();
    }

    /** Puts a collection away, or takes it out again. Nothing of it changes. */
    @Transactional
    public void archive(long id, boolean archived) {
        get(id);
        store.archive(id, archived);
    }

    /** Puts a collection into the trash, or brings it back with everything it has. */
    @Transactional
    public void trash(long id, boolean trashed) {
        get(id);
        store.trash(id, trashed);
    }

    /** Deletes for ever what has been in the trash for its time. */
    @EventListener(ApplicationReadyEvent.class)
    @Transactional
    public void purge() {
        store.purge(PatchPlaces.TRASH_DAYS);
    }

    /** A new empty bank at the end. */
    @Transactional
    public long addBank(long collectionId, String name) {
        List<BankRow> banks = banks(collectionId);
        if (banks.size() >= CollectionFormat.MOST_BANKS) {
            throw new RefusedException("A collection has at most " + CollectionFormat.MOST_BANKS + " banks.", "name");
        }
        int lsb = banks.stream().filter(b -> b.msb() == 0).mapToInt(b -> b.lsb() + 1).filter(n -> n <= MOST_SELECT).max().orElse(0);
        return store.insertBank(collectionId, banks.size(), bankName(banks, 0, name), 0, lsb);
    }

    /** Gives a bank another name and the numbers by which MIDI calls it. @param msb and {@code lsb} from 0 to 127 */
    @Transactional
    public void renameBank(long bankId, String name, int msb, int lsb) {
        BankRow bank = bank(bankId);
        if (msb < 0 || msb > MOST_SELECT || lsb < 0 || lsb > MOST_SELECT) {
            throw new RefusedException("A MIDI bank number has two parts from 0 to 127 each.", msb < 0 || msb > MOST_SELECT ? "msb" : "lsb");
        }
        store.renameBank(bankId, bankName(banks(bank.collectionId()), bankId, name), msb, lsb);
    }

    private static String bankName(List<BankRow> banks, long own, String name) {
        String wanted = name.strip();
        if (wanted.isEmpty() || wanted.length() > LONGEST_BANK_NAME || wanted.chars().anyMatch(Character::isISOControl)) {
            throw new RefusedException("A bank needs a name of up to " + LONGEST_BANK_NAME + " characters.", "name");
        }
        if (banks.stream().anyMatch(b -> b.id() != own && b.name().equalsIgnoreCase(wanted))) {
            throw new RefusedException("Another bank is called \"" + wanted + "\".", "name");
        }
        return wanted;
    }

    /** Puts a bank before or behind its neighbour. */
    @Transactional
    public void moveBank(long bankId, boolean down) {
        BankRow bank = bank(bankId);
        List<Long> order = new ArrayList<>(banks(bank.collectionId()).stream().map(BankRow::id).toList());
        int at = order.indexOf(bankId);
        int to = down ? at + 1 : at - 1;
        if (to >= 0 && to < order.size()) {
            java.util.Collections.swap(order, at, to);
            store.orderBanks(order);
        }
    }

    /** Deletes a bank that holds no patch; the others move up. */
    @Transactional
    public void deleteBank(long bankId) {
        BankRow bank = bank(bankId);
        List<Long> others = banks(bank.collectionId()).stream().map(BankRow::id).filter(id -> id != bankId).toList();
        if (others.isEmpty()) {
            throw new RefusedException("A collection has at least one bank.");
        }
        if (bank.patches() > 0) {
            throw new RefusedException("The bank still holds " + bank.patches() + " patches.");
        }
        store.deleteBank(bankId);
        store.orderBanks(others);
    }

    /** Replaces the house rules. @param label what changes, in words @throws RefusedException when one of them has no meaning, with its field */
    @Transactional
    public void changeRules(long id, HouseRules changed, String label) {
        refuse(changed);
        store.keepRules(id, label);
        store.updateRules(id, changed);
        events.publishEvent(new RulesChanged(id, changed));
    }

    /** @throws RefusedException when one of the rules has no meaning, with its field */
    public static void refuse(HouseRules rules) {
        RuleValues.fault(rules).ifPresent(fault -> {
            throw new RefusedException(fault.message(), fault.field());
        });
    }

    /** What changed the rules last, in words; empty when nothing did. */
    public String lastRuleChange(long id) {
        return store.lastRuleChange(id).orElse("");
    }

    /** Takes the last change of the rules back. */
    @Transactional
    public void takeRulesBack(long id) {
        if (lastRuleChange(id).isEmpty()) {
            throw new RefusedException("There is no change of the rules to take back.");
        }
        store.takeRulesBack(id);
        events.publishEvent(new RulesChanged(id, get(id).rules()));
    }
}
