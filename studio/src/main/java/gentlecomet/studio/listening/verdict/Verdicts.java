package gentlecomet.studio.listening.verdict;

import gentlecomet.studio.listening.heard.HeardSound;
import gentlecomet.studio.listening.heard.HeardStates;
import gentlecomet.studio.listening.verdict.VerdictStore.Vote;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What was said of patches. A verdict belongs to a sound: a patch that sounds otherwise has lost it, one that has another name has not. The owner's word
 * decides; without it all reviewers have to say the same, otherwise the patch is "split".
 */
@Service
public class Verdicts {

    private static final Set<String> WORDS = Set.of("keep", "fix", "cut", "none");
    private static final int LONGEST_NOTE = 1000;

    private final VerdictStore store;
    private final HeardStates states;
    private final Patches patches;

    Verdicts(VerdictStore store, HeardStates states, Patches patches) {
        this.store = store;
        this.states = states;
        this.patches = patches;
    }

    /** The newest thing that was said of a patch. @param present whether it still sounds so @param contentHash the state that it was said of */
    public record Said(long patchId, String verdict, boolean present, String contentHash, String soundHash) {
    }

    /** Verdicts on the patches of a bank as they sound now, by patch: keep, fix, cut or split. */
    public Map<Long, String> standing(long bankId) {
        return standing(store.inBank(bankId));
    }

    /** The same of a collection. */
    public Map<Long, String> standingInCollection(long collectionId) {
        return standing(store.inCollection(collectionId));
    }

    /** The verdict on a patch as it sounds now, empty when there is none. */
    public String standing(PatchSummary patch) {
        return standing(store.on(patch.id())).getOrDefault(patch.id(), "");
    }

    /** The owner's words on patches as they sound now, by patch. */
    public Map<Long, String> finalWords(long collectionId) {
        return store.inCollection(collectionId).stream().filter(v -> v.present() && v.reviewerId() == 0).collect(Collectors.toMap(Vote::patchId, Vote::verdict));
    }

    private static Map<Long, String> standing(List<Vote> votes) {
        Map<Long, String> standing = new HashMap<>();
        votes.stream().filter(Vote::present).collect(Collectors.groupingBy(Vote::patchId)).forEach((patch, said) -> standing.put(patch, verdict(said)));
        return standing;
    }

    private static String verdict(List<Vote> said) {
        return said.stream().filter(v -> v.reviewerId() == 0).map(Vote::verdict).findFirst().orElseGet(() -> {
            List<String> kinds = said.stream().map(Vote::verdict).distinct().toList();
            return kinds.size() == 1 ? kinds.get(0) : "split";
        });
    }

    /** Patches of a bank that were kept when they were last heard, but have been given another sound since. */
    public Set<Long> departed(long bankId) {
        Map<Long, Vote> newest = new HashMap<>();
        store.inBank(bankId).forEach(v -> newest.put(v.patchId(), v));
        return newest.values().stream().filter(v -> v.verdict().equals("keep") && !v.present()).map(Vote::patchId).collect(Collectors.toSet());
    }

    /** The newest thing that was said of each patch of a collection, whatever it sounded like then. */
    public Map<Long, Said> newest(long collectionId) {
        Map<Long, Said> newest = new HashMap<>();
        store.inCollection(collectionId).forEach(v -> newest.put(v.patchId(), new Said(v.patchId(), v.verdict(), v.present(), v.contentHash(), v.soundHash())));
        return newest;
    }

    /**
     * Patches that somebody wants mended and nobody has closed: each with the sound that was criticised last. A reviewer's later verdict takes the place of
     * her own; the owner's word takes the place of all before it.
     */
    public List<Said> toMend(long collectionId) {
        return toMend(store.inCollection(collectionId));
    }

    /** The same of one patch. */
    public Optional<Said> toMendOf(long patchId) {
        return toMend(store.on(patchId)).stream().findFirst();
    }

    private static List<Said> toMend(List<Vote> votes) {
        Map<Long, Map<Long, Vote>> newest = new LinkedHashMap<>();
        for (Vote vote : votes) {
            Map<Long, Vote> ofPatch = newest.computeIfAbsent(vote.patchId(), p -> new LinkedHashMap<>());
            if (vote.reviewerId() == 0) {
                ofPatch.clear();
            }
            ofPatch.remove(vote.reviewerId());
            ofPatch.put(vote.reviewerId(), vote);
        }
        return newest.values().stream().flatMap(ofPatch -> ofPatch.values().stream().filter(v -> v.verdict().equals("fix")).reduce((a, b) -> b).stream())
                .map(v -> new Said(v.patchId(), v.verdict(), v.present(), v.contentHash(), v.soundHash())).toList();
    }

    /** The newest sound of a patch that was kept, other than a given one. */
    public Optional<Said> approvedBefore(long patchId, String soundHash) {
        return store.on(patchId).stream().filter(v -> v.verdict().equals("keep") && !v.soundHash().strip().equals(soundHash.strip()))
                .map(v -> new Said(patchId, "keep", v.present(), v.contentHash(), v.soundHash())).reduce((a, b) -> b);
    }

    /** Mean ratings from 1 to 5 of patches as they sound now, by patch. */
    public Map<Long, Double> ratings(long collectionId) {
        return store.ratings(collectionId);
    }

    /** The owner's word on a patch as it sounds now; answers what counts of it from now on. @param verdict keep, fix or cut; none takes it back */
    @Transactional
    public String say(long patchId, String verdict, String note) {
        if (!WORDS.contains(verdict) || note.length() > LONGEST_NOTE) {
            throw new RefusedException("The final word is keep, fix, cut or none; its note has at most " + LONGEST_NOTE + " characters.", "note");
        }
        PatchRow row = patches.get(patchId);
        HeardSound heard = HeardSound.of(row.summary());
        states.keep(heard, 0);
        store.say(heard, verdict, note);
        return standing(row.summary());
    }
}
