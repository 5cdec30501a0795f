package gentlecomet.studio.service;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
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
        bank(bankId);
        int place = slot == 0 ? freeSlot(bankId, 1) : slot;
        return patches.insert(bankId, place, Patch.neutral(freeName(bankId, "New Patch")), "New from neutral");
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
        int longest = collectionOf(parent).rules().nameMaxLength();
        String[] words = parent.name().split(" ");
        String wanted = parent.name() + " " + word;
        if (wanted.length() > longest || words.length > 3) {
            words[words.length - 1] = word;
            wanted = String.join(" ", words);
        }
        Patch named = sibling.withNaming(parent.patch().naming().withName(freeName(parent.bankId(), wanted.length() > longest ? parent.name() : wanted)));
        return patches.insert(parent.bankId(), freeSlot(parent.bankId(), parent.slot()), named, "Sibling of \"" + parent.name() + "\"");
    }

    /** A new patch that begins as a category's start or as another patch, in a slot or the first free one. */
    @Transactional
    public long newFrom(long bankId, int slot, Patch start, String name, String words) {
        bank(bankId);
        Patch named = start.withNaming(start.naming().withName(freeName(bankId, name)));
        return patches.insert(bankId, slot == 0 ? freeSlot(bankId, 1) : slot, named, words);
    }

    /** Moves a patch one slot up or down; a patch in the way changes places with it. */
    @Transactional
    public void move(long patchId, int slot) {
        PatchRow row = editing.get(patchId);
        if (slot < 1 || slot > CollectionFormat.SLOTS) {
            throw new RefusedException("A bank has slots 1 to " + CollectionFormat.SLOTS + ".");
        }
        patches.exchange(row.bankId(), row.slot(), slot);
    }

    @Transactional
    public void delete(long patchId) {
        editing.get(patchId);
        patches.delete(patchId);
    }

    /** Gives many patches a new level trim, each as a step that can be undone. */
    @Transactional
    public void apply(List<Long> patchIds, java.util.function.Function<PatchRow, PatchEdit> edit) {
        for (long id : patchIds) {
            editing.edit(id, 0, "", edit.apply(editing.get(id)));
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

    private String freeName(long bankId, String wanted) {
        Set<String> taken = patches.inBank(bankId).stream().map(PatchRow::name).collect(Collectors.toSet());
        String stem = wanted.replaceAll(" \\d+$", "");
        stem = stem.length() > 60 ? stem.substring(0, 60) : stem;
        String name = wanted;
        for (int n = 2; taken.contains(name); n++) {
            name = stem + " " + n;
        }
        return name;
    }
}
