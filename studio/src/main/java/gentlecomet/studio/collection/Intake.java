package gentlecomet.studio.collection;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.release.ReleaseCheck;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.patch.Patches;
import java.io.InputStream;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes whole collections in from files. */
@Service
public class Intake {

    private static final String NOTE = "Imported";

    private final CollectionStore store;
    private final Patches patches;
    private final Assets assets;

    Intake(CollectionStore store, Patches patches, Assets assets) {
        this.store = store;
        this.patches = patches;
        this.assets = assets;
    }

    /** Takes the archive of a release. @param name of the file, for what is said of it @throws gentlecomet.craft.format.FormatException when it cannot be taken */
    @Transactional
    public long take(InputStream archive, String name) {
        return take(ReleaseCheck.read(archive, name));
    }

    /** Takes a whole collection into a new one, or nothing of it; every patch arrives with revision 1. Answers the collection's id. */
    @Transactional
    public long take(CollectionFile file) {
        long id = store.insert(file.name(), file.author(), file.licence(), file.rules());
        Map<String, String> names = new TreeMap<>();
        file.banks().forEach(b -> b.slots().forEach(s -> s.patch().recordings().forEach(r -> names.put(r.hash(), r.name()))));
        file.assets().forEach((hash, content) -> assets.add(id, content, names.getOrDefault(hash, hash)));
        for (int b = 0; b < file.banks().size(); b++) {
            long bank = store.insertBank(id, b, file.banks().get(b).name());
            for (CollectionFile.Slot slot : file.banks().get(b).slots()) {
                patches.save(patches.insert(bank, slot.number(), slot.patch(), NOTE), 0, NOTE);
            }
        }
        return id;
    }
}
