package gentlecomet.studio.bench.part;

import gentlecomet.craft.edit.PastePart;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.page.RefusedException;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Parts that the people of a collection keep to start from. */
@Service
public class KeptParts {

    private static final int MOST = 500;
    private static final int LONGEST_NAME = 60;

    private final KeptPartStore store;

    KeptParts(KeptPartStore store) {
        this.store = store;
    }

    /** Those that fit a part, by name. @param part start of the ids of its parameters */
    public List<KeptPart> of(long collectionId, String part) {
        return store.of(collectionId, PastePart.kind(part));
    }

    /**
     * Keeps a part of a patch as it stands; one of the same kind and name is written over.
     *
     * @throws RefusedException where there is no such part, the name cannot be used, or enough are kept
     */
    @Transactional
    public void keep(long collectionId, Patch patch, String part, String name) {
        String tidy = name.strip().replaceAll("\\s+", " ");
        if (tidy.isEmpty() || tidy.length() > LONGEST_NAME || tidy.chars().anyMatch(Character::isISOControl)) {
            throw new RefusedException(tidy.isEmpty() ? "A part that is kept needs a name." : "The name has " + tidy.length() + " characters; at most " + LONGEST_NAME + " can be kept.");
        }
        if (store.count(collectionId) >= MOST) {
            throw new RefusedException("This collection keeps " + MOST + " parts; remove one first.");
        }
        Patch alone = new PastePart(patch, part, part).apply(Patch.neutral(tidy));
        store.keep(collectionId, PastePart.kind(part), tidy, part, PatchFormat.write(alone));
    }

    @Transactional
    public void remove(long collectionId, long id) {
        store.remove(collectionId, id);
    }
}
