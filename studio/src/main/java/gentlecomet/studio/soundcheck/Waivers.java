package gentlecomet.studio.soundcheck;

import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchSummary;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Lets findings stand, with a reason, until the sound changes. */
@Service
public class Waivers {

    private static final int LONGEST_REASON = 500;
    private static final int LONGEST_NAME = 80;
    private static final int LONGEST_KEY = 200;

    private final WaiverStore store;

    Waivers(WaiverStore store) {
        this.store = store;
    }

    /** @throws RefusedException without a reason */
    @Transactional
    public void waive(PatchSummary patch, String finding, String reason, String person) {
        String why = reason.strip();
        if (why.isEmpty() || why.length() > LONGEST_REASON) {
            throw new RefusedException("Say why the finding may stand, in up to " + LONGEST_REASON + " characters.", "reason");
        }
        if (person.strip().length() > LONGEST_NAME || finding.isBlank() || finding.length() > LONGEST_KEY) {
            throw new RefusedException("A name has up to " + LONGEST_NAME + " characters.", "person");
        }
        store.save(patch.id(), finding, patch.soundHash().strip(), patch.revision(), why, person.strip());
    }

    @Transactional
    public void takeBack(long patchId, String finding) {
        store.remove(patchId, finding);
    }

    /** Of a patch, by finding; those that no longer hold as well. */
    public Map<String, Waiver> ofPatch(long patchId) {
        return byFinding(store.ofPatch(patchId)).getOrDefault(patchId, Map.of());
    }

    /** Of a bank's patches, by patch and finding. */
    public Map<Long, Map<String, Waiver>> ofBank(long bankId) {
        return byFinding(store.ofBank(bankId));
    }

    /** The same of a collection's. */
    Map<Long, Map<String, Waiver>> ofCollection(long collectionId) {
        return byFinding(store.ofCollection(collectionId));
    }

    private static Map<Long, Map<String, Waiver>> byFinding(List<Waiver> all) {
        Map<Long, Map<String, Waiver>> waivers = new HashMap<>();
        all.forEach(w -> waivers.computeIfAbsent(w.patchId(), id -> new HashMap<>()).put(w.finding(), w));
        return waivers;
    }
}
