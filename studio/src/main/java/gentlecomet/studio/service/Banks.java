package gentlecomet.studio.service;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.level.HouseStart;
import gentlecomet.craft.rules.FreeName;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.store.CollectionStore;
import gentlecomet.studio.store.CollectionStore.BankRow;
import gentlecomet.studio.store.CollectionStore.CollectionRow;
import gentlecomet.studio.store.PatchStore;
import gentlecomet.studio.store.PatchStore.PatchRow;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Collections, banks and what stands in their slots. */
@Service
public class Banks {

    private final CollectionStore collections;
    private final PatchStore patches;
    private final PatchEditing editing;
    private final Assets assets;

    public Banks(CollectionStore collections, PatchStore patches, PatchEditing editing, Assets assets) {
        this.assets = assets;
        this.collections = collections;
        this.patches = patches;
        this.editing = editing;
    }

    public BankRow bank(long id) {
        return collections.findBank(id).orElseThrow(() -> new MissingException("This bank is no longer there."));
    }

    public CollectionRow collection(long id) {
        return collections.find(id).orElseThrow(() -> new MissingException("This collection is no longer there."));
    }

    public CollectionRow collectionOf(PatchRow row) {
        return collection(bank(row.bankId()).collectionId());
    }

    /** A new collection with one empty bank and the default house rules. */
    @Transactional
    public long create(String name) {
        if (name.isBlank() || name.strip().length() > 80) {
            throw new RefusedException("A collection needs a name of up to 80 characters.");
        }
        long id = collections.insert(name.strip(), "", "", HouseRules.DEFAULT);
        collections.insertBank(id, 0, "Bank A");
        return id;
    }

    /** Takes a whole collection from files into a new one, or nothing of it. Every patch arrives with revision 1. */
    @Transactional
    public long take(CollectionFile file) {
        long id = collections.insert(file.name(), file.author(), file.licence(), file.rules());
        takeAssets(id, file);
        for (int b = 0; b < file.banks().size(); b++) {
            long bank = collections.insertBank(id, b, file.banks().get(b).name());
            for (CollectionFile.Slot slot : file.banks().get(b).slots()) {
                long patch = patches.insert(bank, slot.number(), slot.patch(), "Imported");
                patches.insertRevision(patches.find(patch).orElseThrow(), "Imported");
            }
        }
        return id;
    }

    private void takeAssets(long id, CollectionFile file) {
        Map<String, String> names = new TreeMap<>();
        file.banks().forEach(b -> b.slots().forEach(s -> s.patch().recordings().forEach(r -> names.put(r.hash(), r.name()))));
        file.assets().forEach((hash, content) -> assets.add(id, content, names.getOrDefault(hash, hash)));
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
        HouseRules rules = collection(bank(bankId).collectionId()).rules();
        if (!category.isEmpty() && rules.category(category).isEmpty()) {
            throw new RefusedException("The house rules have no category \"" + category.replaceAll("\\p{Cntrl}", "?") + "\".", "start");
        }
        if (category.isEmpty()) {
            return newPatch(bankId, slot);
        }
        Patch start = HouseStart.of(category, rules);
        return newFrom(bankId, slot, start, start.name(), "New from the start for " + category);
    }

    /** A copy in the next free slot, under a name of its own. */
    @Transactional
    public long duplicate(long patchId) {
        PatchRow row = editing.get(patchId);
        Patch copy = row.patch().withNaming(row.patch().naming().withName(freeName(row.bankId(), row.name())));
        return patches.insert(row.bankId(), freeSlot(row.bankId(), row.slot()), copy, "Copy of \"" + row.name() + "\"");
    }

    /** A sibling of a patch in the next free slot, named after it with one more word where the house's length allows. */
    @Transactional
    public long sibling(long parentId, Patch sibling, String word) {
        PatchRow parent = editing.get(parentId);
        String wanted = FreeName.with(parent.name(), word, collectionOf(parent).rules());
        Patch named = sibling.withNaming(parent.patch().naming().withName(freeName(parent.bankId(), wanted)));
        return patches.insert(parent.bankId(), freeSlot(parent.bankId(), parent.slot()), named, "Sibling of \"" + parent.name() + "\"");
    }

    /** A new patch that begins as a category's start or as another patch, in a slot or the first free one. */
    @Transactional
    public long newFrom(long bankId, int slot, Patch start, String name, String words) {
        bank(bankId);
        if (slot != 0) {
            checkSlot(slot);
            if (patches.names(bankId).stream().anyMatch(n -> n.slot() == slot)) {
                throw new RefusedException("Slot " + slot + " is taken.");
            }
        }
        Patch named = start.withNaming(start.naming().withName(freeName(bankId, name)));
        return patches.insert(bankId, slot == 0 ? freeSlot(bankId, 1) : slot, named, words);
    }

    /** Moves a patch one slot up or down; a patch in the way changes places with it. */
    @Transactional
    public void move(long patchId, int slot) {
        PatchRow row = editing.get(patchId);
        checkSlot(slot);
        patches.exchange(row.bankId(), row.slot(), slot);
    }

    @Transactional
    public void delete(long patchId) {
        editing.get(patchId);
        patches.delete(patchId);
    }

    /** Edits many patches, each as a step that can be undone. @param versions of the patches as the page shows them, by id */
    @Transactional
    public void apply(Map<Long, Long> versions, Function<PatchRow, PatchEdit> edit) {
        versions.forEach((id, version) -> editing.edit(id, version, "", edit.apply(editing.get(id))));
    }

    /** Saves many patches, all or none of them. @param versions of the patches as the page shows them, by id */
    @Transactional
    public void save(Map<Long, Long> versions, String note) {
        versions.forEach((id, version) -> editing.save(id, version, note));
    }

    private static void checkSlot(int slot) {
        if (slot < 1 || slot > CollectionFormat.SLOTS) {
            throw new RefusedException("A bank has slots 1 to " + CollectionFormat.SLOTS + ".");
        }
    }

    private int freeSlot(long bankId, int from) {
        Set<Integer> taken = patches.inBank(bankId).stream().map(PatchRow::slot).collect(Collectors.toSet());
        for (int i = 0; i < CollectionFormat.SLOTS; i++) {
            int slot = (from - 1 + i) % CollectionFormat.SLOTS + 1;
            if (!taken.contains(slot)) {
                return slot;
            }
        }
        throw new RefusedException("All " + CollectionFormat.SLOTS + " slots of this bank are taken.");
    }

    /** A name that no patch of the collection has and that the house allows, as near to the wanted one as that lets it be. */
    private String freeName(long bankId, String wanted) {
        CollectionRow collection = collection(bank(bankId).collectionId());
        return FreeName.of(wanted, patches.otherNames(collection.id(), 0), collection.rules());
    }
}
