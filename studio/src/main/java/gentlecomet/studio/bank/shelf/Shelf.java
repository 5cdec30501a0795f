package gentlecomet.studio.bank.shelf;

import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.rules.Category;
import gentlecomet.studio.bank.desk.Deed;
import gentlecomet.studio.bank.desk.Desk;
import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchPlaces;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.patch.Placement;
import gentlecomet.studio.patch.TrashedPatch;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The banks of a collection as wholes: merged, split, deleted; and what comes back from the trash. */
@Service
public class Shelf {

    private final Collections collections;
    private final Patches patches;
    private final PatchPlaces places;
    private final Desk desk;

    Shelf(Collections collections, Patches patches, PatchPlaces places, Desk desk) {
        this.collections = collections;
        this.patches = patches;
        this.places = places;
        this.desk = desk;
    }

    /** Puts all patches of a bank into the free slots of another one of its collection, and deletes it. */
    @Transactional
    public void merge(long bankId, long intoId) {
        BankRow from = collections.bank(bankId);
        BankRow into = collections.bank(intoId);
        if (from.collectionId() != into.collectionId() || bankId == intoId) {
            throw new RefusedException("A bank is merged into another one of its collection.", "into");
        }
        List<PatchSummary> moving = patches.inBank(bankId);
        List<Integer> free = places.free(intoId, 1);
        if (free.size() < moving.size()) {
            throw new RefusedException("The " + moving.size() + " patches of " + from.name() + " do not fit: " + into.name() + " has " + free.size() + " free slots.", "into");
        }
        List<Deed> deeds = new ArrayList<>();
        for (int i = 0; i < moving.size(); i++) {
            deeds.add(new Deed.Place(moving.get(i).id(), new Placement(intoId, free.get(i))));
        }
        desk.perform(from.collectionId(), "Merge " + from.name() + " into " + into.name(), deeds);
        collections.deleteBank(bankId);
    }

    /** Gives every category of a bank a bank of its own, in the order of the house's plan; patches without one stay. */
    @Transactional
    public void split(long bankId) {
        BankRow bank = collections.bank(bankId);
        CollectionRow collection = collections.get(bank.collectionId());
        Map<String, List<PatchSummary>> groups = new LinkedHashMap<>();
        collection.rules().categories().forEach(c -> groups.put(c.id(), new ArrayList<>()));
        patches.inBank(bankId).forEach(p -> groups.getOrDefault(p.category(), new ArrayList<>()).add(p));
        groups.values().removeIf(List::isEmpty);
        if (groups.size() < 2) {
            throw new RefusedException("All patches of this bank are of one category.");
        }
        int banks = collections.banks(collection.id()).size();
        if (banks + groups.size() > CollectionFormat.MOST_BANKS) {
            throw new RefusedException("The bank has patches of " + groups.size() + " categories; with those that are there that would be more than " + CollectionFormat.MOST_BANKS + " banks.");
        }
        List<Deed> deeds = new ArrayList<>();
        groups.forEach((category, some) -> {
            long own = collections.addBank(collection.id(), bank.name() + " " + collection.rules().category(category).map(Category::name).orElse(category));
            for (int i = 0; i < some.size(); i++) {
                deeds.add(new Deed.Place(some.get(i).id(), new Placement(own, i + 1)));
            }
        });
        desk.perform(collection.id(), "Split " + bank.name() + " by category", deeds);
    }

    /** Deletes a bank; its patches go into the trash. */
    @Transactional
    public void delete(long bankId) {
        BankRow bank = collections.bank(bankId);
        if (collections.banks(bank.collectionId()).size() < 2) {
            throw new RefusedException("A collection has at least one bank.");
        }
        List<Deed> deeds = new ArrayList<>();
        patches.inBank(bankId).forEach(p -> deeds.add(new Deed.Place(p.id(), null)));
        desk.perform(bank.collectionId(), "Delete " + bank.name() + " with " + deeds.size() + (deeds.size() == 1 ? " patch" : " patches"), deeds);
        collections.deleteBank(bankId);
    }

    /** Brings patches back from the trash: where they stood, or into the next free slot. Answers sentences about those that stand elsewhere. */
    @Transactional
    public List<String> restore(long collectionId, Set<Long> chosen) {
        List<BankRow> banks = collections.banks(collectionId);
        Map<Long, List<Integer>> free = new LinkedHashMap<>();
        banks.forEach(b -> free.put(b.id(), new ArrayList<>(places.free(b.id(), 1))));
        List<Deed> deeds = new ArrayList<>();
        List<String> elsewhere = new ArrayList<>();
        for (TrashedPatch t : places.trashed(collectionId)) {
            if (chosen.contains(t.id())) {
                Placement to = place(t, free, banks);
                deeds.add(new Deed.Place(t.id(), to));
                if (to.bankId() != t.bankId() || to.slot() != t.slot()) {
                    elsewhere.add("\"" + t.name() + "\" stands in slot " + to.slot() + " of " + banks.stream().filter(b -> b.id() == to.bankId()).findFirst().orElseThrow().name() + ".");
                }
            }
        }
        if (deeds.isEmpty()) {
            throw new RefusedException("Choose what is to come back.");
        }
        desk.perform(collectionId, "Bring back " + (deeds.size() == 1 ? "one patch" : deeds.size() + " patches"), deeds);
        return elsewhere;
    }

    private static Placement place(TrashedPatch t, Map<Long, List<Integer>> free, List<BankRow> banks) {
        List<Integer> own = free.get(t.bankId());
        if (own != null && own.remove(Integer.valueOf(t.slot()))) {
            return new Placement(t.bankId(), t.slot());
        }
        if (own != null && !own.isEmpty()) {
            return new Placement(t.bankId(), own.remove(0));
        }
        for (BankRow bank : banks) {
            if (!free.get(bank.id()).isEmpty()) {
                return new Placement(bank.id(), free.get(bank.id()).remove(0));
            }
        }
        throw new RefusedException("No bank of this collection has room; nothing was brought back.");
    }
}
