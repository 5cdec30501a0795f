package gentlecomet.studio.bank;

import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.level.HouseStart;
import gentlecomet.craft.rules.FreeName;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.bank.desk.StepProgress;
import gentlecomet.studio.bank.start.CategoryStarts;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchPlaces;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.Patches;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What stands in the slots of banks. */
@Service
public class Banks {

    private final Collections collections;
    private final Patches patches;
    private final PatchPlaces places;
    private final CategoryStarts starts;

    Banks(Collections collections, Patches patches, PatchPlaces places, CategoryStarts starts) {
        this.starts = starts;
        this.collections = collections;
        this.patches = patches;
        this.places = places;
    }

    /** A neutral patch in a slot, or in the first free one when {@code slot} is 0. */
    @Transactional
    public long newPatch(long bankId, int slot) {
        return newFrom(bankId, slot, Patch.neutral("New Patch"), "New Patch", "New from neutral");
    }

    /**
     * A new patch from the start of a category, or from neutral where that is empty: with the house's macros and defaults, and at its loudness.
     *
     * @param slot 0 for the first free one
     */
    @Transactional
    public long newStart(long bankId, int slot, String category) {
        CollectionRow collection = collections.ofBank(bankId);
        HouseRules rules = collection.rules();
        if (!category.isEmpty() && rules.category(category).isEmpty()) {
            throw new RefusedException("The house rules have no category \"" + category.replaceAll("\\p{Cntrl}", "?") + "\".", "start");
        }
        if (category.isEmpty()) {
            return newPatch(bankId, slot);
        }
        Patch start = starts.of(collection.id(), category).map(own -> HouseStart.from(patches.get(own).patch(), category, rules)).orElseGet(() -> HouseStart.of(category, rules));
        return newFrom(bankId, slot, start, start.name(), "New from the start for " + category);
    }

    /** A variation of a patch in the next free slot, named after it with one more word where the house's length allows. */
    @Transactional
    public long variation(long parentId, Patch variation, String word) {
        PatchRow parent = patches.get(parentId);
        String wanted = FreeName.with(parent.name(), word, collections.of(parent).rules());
        Patch named = variation.withNaming(parent.patch().naming().withName(freeName(parent.bankId(), wanted)));
        return patches.insert(parent.bankId(), freeSlot(parent.bankId(), parent.slot()), named, "Variation of \"" + parent.name() + "\"");
    }

    /** A new patch that begins as a category's start or as another patch, in a slot or the first free one. */
    @Transactional
    public long newFrom(long bankId, int slot, Patch start, String name, String words) {
        if (slot != 0) {
            checkSlot(slot);
            if (!places.free(bankId, slot).contains(slot)) {
                throw new RefusedException("Slot " + slot + " is taken.");
            }
        }
        Patch named = start.withNaming(start.naming().withName(freeName(bankId, name)));
        return patches.insert(bankId, slot == 0 ? freeSlot(bankId, 1) : slot, named, words);
    }

    /** Saves many patches, all or none of them. @param versions of the patches as the page shows them, by patch @return those that had something to save @throws RefusedException where it was stopped */
    @Transactional
    public Set<Long> save(Map<Long, Long> versions, String note, StepProgress progress) {
        Set<Long> saved = new LinkedHashSet<>();
        versions.forEach((id, version) -> {
            int before = patches.summary(id).revision();
            if (patches.save(id, version, note).revision() != before) {
                saved.add(id);
            }
            progress.passed();
        });
        progress.last();
        return saved;
    }

    private static void checkSlot(int slot) {
        if (slot < 1 || slot > CollectionFormat.SLOTS) {
            throw new RefusedException("A bank has slots 1 to " + CollectionFormat.SLOTS + ".");
        }
    }

    /** A patch from elsewhere in the first free slot; it keeps its name, whatever the house says of it, unless another patch has that. */
    public long take(long bankId, Patch patch, String words) {
        String key = NameRules.key(patch.name());
        boolean taken = patches.names(collections.bank(bankId).collectionId()).stream().anyMatch(n -> NameRules.key(n).equals(key));
        Patch named = taken ? patch.withNaming(patch.naming().withName(freeName(bankId, patch.name()))) : patch;
        return patches.insert(bankId, freeSlot(bankId, 1), named, words);
    }

    /** How many patches a bank still takes. */
    int freeSlots(long bankId) {
        return places.free(bankId, 1).size();
    }

    private int freeSlot(long bankId, int from) {
        return places.free(bankId, from).stream().findFirst().orElseThrow(() -> new RefusedException("All " + CollectionFormat.SLOTS + " slots of this bank are taken."));
    }

    /** A name that no patch of the collection has and that the house allows, as near to the wanted one as that lets it be. */
    private String freeName(long bankId, String wanted) {
        CollectionRow collection = collections.ofBank(bankId);
        return FreeName.of(wanted, patches.names(collection.id()), collection.rules());
    }
}
