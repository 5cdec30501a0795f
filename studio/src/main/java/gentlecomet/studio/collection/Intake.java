package gentlecomet.studio.collection;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.patch.Patches;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.IntConsumer;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes whole collections in from files. */
@Service
public class Intake {

    private static final String NOTE = "Imported";
    private static final int LONGEST_NAME = 80;

    private final CollectionStore store;
    private final CollectionCopyStore copies;
    private final Patches patches;
    private final Assets assets;

    Intake(CollectionStore store, CollectionCopyStore copies, Patches patches, Assets assets) {
        this.store = store;
        this.copies = copies;
        this.patches = patches;
        this.assets = assets;
    }

    /** A copy of a collection under a name of its own: working states and latest revisions. Answers its id. */
    @Transactional
    public long duplicate(CollectionRow collection) {
        return copies.copy(collection.id(), freeName(collection.name()));
    }

    /** The wanted name, or the nearest one that no collection has. */
    private String freeName(String wanted) {
        Set<String> taken = store.cards().stream().map(c -> c.name().toLowerCase(Locale.ROOT)).collect(Collectors.toSet());
        String name = wanted;
        for (int n = 2; taken.contains(name.toLowerCase(Locale.ROOT)); n++) {
            String number = " (" + n + ")";
            name = wanted.substring(0, Math.min(wanted.length(), LONGEST_NAME - number.length())) + number;
        }
        return name;
    }

    /** Takes a whole collection into a new one, or nothing of it; every patch arrives with revision 1. Answers the collection's id. */
    @Transactional
    public long take(CollectionFile file) {
        return take(file, done -> { });
    }

    /** The same. @param progress told how many patches have come in */
    @Transactional
    public long take(CollectionFile file, IntConsumer progress) {
        int done = 0;
        long id = store.insert(new CollectionDetails(freeName(file.name()), file.author(), file.licence(), "", file.about(), file.contact()), file.rules());
        addAssets(id, file);
        for (int b = 0; b < file.banks().size(); b++) {
            CollectionFile.Bank brought = file.banks().get(b);
            long bank = store.insertBank(id, b, brought.name(), brought.msb(), brought.lsb());
            for (CollectionFile.Slot slot : file.banks().get(b).slots()) {
                long patch = patches.insert(bank, slot.number(), slot.patch(), NOTE);
                patches.save(patch, 0, NOTE);
                if (slot.start()) {
                    store.beginWith(id, slot.patch().naming().category(), patch);
                }
                progress.accept(++done);
            }
        }
        return id;
    }

    /** Adds the sound files of a collection that is taken, each under the name that its patches give it. */
    public void addAssets(long collection, CollectionFile file) {
        Map<String, String> names = new TreeMap<>();
        file.banks().forEach(b -> b.slots().forEach(s -> s.patch().recordings().forEach(r -> names.put(r.hash(), r.name()))));
        file.assets().forEach((hash, content) -> assets.add(collection, content, names.getOrDefault(hash, hash)));
    }
}
