package gentlecomet.studio.listening.mend;

import gentlecomet.craft.listen.Question;
import gentlecomet.craft.listen.RoundOrder;
import gentlecomet.studio.listening.heard.HeardSound;
import gentlecomet.studio.listening.round.RoundPlace;
import gentlecomet.studio.listening.round.RoundPlan;
import gentlecomet.studio.listening.round.Rounds;
import gentlecomet.studio.listening.say.Answers;
import gentlecomet.studio.listening.say.Remark;
import gentlecomet.studio.listening.verdict.Verdicts;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is to be mended, from the first "fix" until somebody keeps it. */
@Service
public class MendQueue {

    private final Verdicts verdicts;
    private final Answers answers;
    private final Rounds rounds;
    private final Patches patches;

    MendQueue(Verdicts verdicts, Answers answers, Rounds rounds, Patches patches) {
        this.verdicts = verdicts;
        this.answers = answers;
        this.rounds = rounds;
        this.patches = patches;
    }

    /** A patch to be mended. @param mended whether it sounds otherwise by now @param remarks on the sound that was criticised */
    public record Entry(PatchSummary patch, Verdicts.Said said, boolean mended, List<Remark> remarks) {
    }

    /** What is to be mended in a collection, what waits for the bench first. */
    public List<Entry> of(long collectionId) {
        Map<Long, PatchSummary> all = patches.inCollection(collectionId).stream().collect(Collectors.toMap(PatchSummary::id, Function.identity()));
        return verdicts.toMend(collectionId).stream().filter(s -> all.containsKey(s.patchId()))
                .map(s -> entry(all.get(s.patchId()), s))
                .sorted((a, b) -> a.mended() == b.mended() ? Integer.compare(a.patch().slot(), b.patch().slot()) : a.mended() ? 1 : -1).toList();
    }

    /** What was said of one patch that is to be mended, null where nothing is. */
    public Entry ofPatch(long patchId) {
        return verdicts.toMendOf(patchId).map(s -> entry(patches.summary(patchId), s)).orElse(null);
    }

    private Entry entry(PatchSummary patch, Verdicts.Said said) {
        return new Entry(patch, said, !said.present(), answers.remarks(said.patchId(), said.soundHash()));
    }

    /** Begins a short round of what has been mended, each against the sound that was criticised; answers its id. */
    @Transactional
    public long hearAgain(long collectionId, long seed) {
        List<RoundPlace> places = new ArrayList<>();
        for (Entry e : of(collectionId)) {
            if (e.mended()) {
                PatchSummary p = e.patch();
                places.add(new RoundPlace(places.size() + 1, HeardSound.of(p),
                        new HeardSound(p.id(), p.name(), p.category(), e.said().contentHash(), e.said().soundHash())));
            }
        }
        if (places.isEmpty()) {
            throw new RefusedException("Nothing has been mended yet: every patch of the queue sounds as it did.");
        }
        return rounds.start(collectionId, new RoundPlan("Mended, " + rounds.all(collectionId).size(), Question.VERDICT, 0, "", "", "all", RoundOrder.BANK, seed, List.of(), false, "", 0.5, false), places);
    }
}
