package gentlecomet.studio.listening;

import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Listening rounds, their verdicts and notes. */
@Service
public class Rounds {

    /** What can be said of a patch. */
    static final List<String> VERDICTS = List.of("keep", "fix", "cut");
    private static final int LONGEST_NOTE = 1000;

    private final RoundStore store;
    private final Patches patches;

    Rounds(RoundStore store, Patches patches) {
        this.store = store;
        this.patches = patches;
    }

    public long start(long bankId) {
        return store.start(bankId);
    }

    /** The newest round of a bank. */
    public Optional<RoundRow> latest(long bankId) {
        return store.latest(bankId);
    }

    RoundRow get(long id) {
        return store.find(id).orElseThrow(() -> new MissingException("This listening round is no longer there."));
    }

    public Map<Long, Verdict> verdicts(long roundId) {
        return store.verdicts(roundId);
    }

    /** Keeps a note as it is typed; a verdict that has been given stays. */
    @Transactional
    public void note(long roundId, long patchId, String note) {
        get(roundId);
        if (note.length() > LONGEST_NOTE) {
            throw new RefusedException("A note has at most " + LONGEST_NOTE + " characters.", "note");
        }
        store.note(roundId, patchId, patches.summary(patchId).contentHash(), note);
    }

    /** Gives a verdict on a patch as it stands. */
    @Transactional
    public void give(long roundId, long patchId, String verdict, String note) {
        get(roundId);
        if (!VERDICTS.contains(verdict) || note.length() > LONGEST_NOTE) {
            throw new RefusedException("A verdict is keep, fix or cut; a note has at most " + LONGEST_NOTE + " characters.");
        }
        store.give(roundId, new Verdict(patchId, patches.summary(patchId).contentHash(), verdict, note));
    }

    /** The newest verdicts on the patches of a bank as they stand, by patch: keep, fix or cut. Those on earlier states are left out. */
    public Map<Long, String> standing(List<PatchSummary> bank, long bankId) {
        return standing(bank, store.latestVerdicts(bankId));
    }

    /** The same of a collection. */
    Map<Long, String> standingInCollection(List<PatchSummary> all, long collectionId) {
        return standing(all, store.latestInCollection(collectionId));
    }

    /** The newest verdict on a patch as it stands, empty when there is none. */
    public String standing(PatchSummary patch) {
        return store.latestOf(patch.id()).filter(v -> v.isOf(patch.contentHash())).map(Verdict::verdict).orElse("");
    }

    private static Map<Long, String> standing(List<PatchSummary> some, Map<Long, Verdict> verdicts) {
        return some.stream().filter(p -> verdicts.containsKey(p.id()) && verdicts.get(p.id()).isOf(p.contentHash()))
                .collect(Collectors.toMap(PatchSummary::id, p -> verdicts.get(p.id()).verdict()));
    }
}
