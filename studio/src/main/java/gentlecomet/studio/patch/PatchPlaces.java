package gentlecomet.studio.patch;

import gentlecomet.craft.curate.Arrangement;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.studio.page.ConflictException;
import gentlecomet.studio.page.MissingException;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Where patches stand: in a slot of a bank, or for {@value #TRASH_DAYS} days in the trash. Their history goes with them. */
@Service
public class PatchPlaces {

    /** Days for which what was deleted can come back. */
    public static final int TRASH_DAYS = 30;

    private final PlaceStore store;

    PatchPlaces(PlaceStore store) {
        this.store = store;
    }

    /** Where patches stand; those in the trash, and those that are gone, are left out. */
    public Map<Long, Placement> of(Collection<Long> patches) {
        return store.of(patches);
    }

    /** What stands in the slots of a bank. */
    public Map<Integer, Long> inBank(long bankId) {
        return store.inBank(bankId);
    }

    /** The free slots of a bank, in the order in which they are taken. @param from the slot to begin at, from 1 */
    public List<Integer> free(long bankId, int from) {
        return new Arrangement(CollectionFormat.SLOTS, store.inBank(bankId)).free(from);
    }

    /** Number of a bank's arrangement: it goes up whenever patches change places. */
    public long arrangement(long bankId) {
        return store.arrangement(bankId).orElseThrow(() -> new MissingException("This bank is no longer there."));
    }

    /**
     * Lets nobody else rearrange a bank until the transaction ends.
     *
     * @param seen the arrangement that the page shows, or 0 for whatever is there now
     * @throws ConflictException where it has another one by now
     */
    @Transactional
    public void hold(long bankId, long seen) {
        store.hold(List.of(bankId));
        if (seen != 0 && seen != arrangement(bankId)) {
            throw new ConflictException("Patches of this bank have changed places in another tab or window after this page was loaded.");
        }
    }

    /** Puts patches into slots, all or none; a patch without a placement goes into the trash. */
    @Transactional
    public void put(Map<Long, Placement> wanted) {
        Map<Long, Placement> before = store.of(wanted.keySet());
        Set<Long> banks = new HashSet<>();
        before.values().forEach(p -> banks.add(p.bankId()));
        Map<Long, Placement> placed = new LinkedHashMap<>();
        Set<Long> trashed = new HashSet<>();
        wanted.forEach((patch, to) -> {
            if (to == null) {
                trashed.add(patch);
            } else {
                placed.put(patch, to);
                banks.add(to.bankId());
            }
        });
        store.hold(banks);
        if (!trashed.isEmpty()) {
            store.trash(trashed);
        }
        if (!placed.isEmpty()) {
            store.put(placed);
        }
        store.rearranged(banks);
    }

    /** What a collection's trash holds, the newest first. */
    public List<TrashedPatch> trashed(long collectionId) {
        return store.trashed(collectionId);
    }

    /** Deletes patches of a collection's trash for ever. */
    @Transactional
    public void deleteForever(long collectionId, Collection<Long> patches) {
        store.deleteForever(collectionId, patches);
    }

    /** Deletes for ever what has been in the trash for its time. */
    @EventListener(ApplicationReadyEvent.class)
    @Transactional
    public void purge() {
        store.purge(TRASH_DAYS);
    }
}
