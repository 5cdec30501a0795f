package gentlecomet.studio.bank.mend;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.SoundcheckRules;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.bank.desk.Deed;
import gentlecomet.studio.bank.desk.Desk;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.soundcheck.CheckResult;
import gentlecomet.studio.soundcheck.Soundchecks;
import gentlecomet.studio.work.Standing;
import gentlecomet.studio.work.WorkQueue;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Repairs of findings: tried in the background, shown, and applied as one step that can be taken back. */
@Service
public class Mendings {

    private final MendingStore store;
    private final MendTask task;
    private final WorkQueue queue;
    private final Patches patches;
    private final Soundchecks soundchecks;
    private final Desk desk;

    Mendings(MendingStore store, MendTask task, WorkQueue queue, Patches patches, Soundchecks soundchecks, Desk desk) {
        this.store = store;
        this.task = task;
        this.queue = queue;
        this.patches = patches;
        this.soundchecks = soundchecks;
        this.desk = desk;
    }

    /** A finding of a patch as it sounds. */
    private record Mendable(long patchId, String finding, String soundHash) {
    }

    /** Whether a rule has repairs at all. */
    public static boolean hasRepairs(Finding finding) {
        return SoundcheckRules.find(finding.rule()).filter(r -> !r.repairs().isEmpty()).isPresent();
    }

    /** What came of mending a finding of a patch as it sounds now; nothing where it has not been tried. */
    public Optional<MendingRow> of(PatchSummary patch, String finding, HouseRules rules) {
        return store.find(patch.id(), finding, patch.soundHash().strip(), Soundchecks.hash(rules));
    }

    /** Tries to mend a finding that somebody is looking at, ahead of everything that waits. */
    public void tryNow(PatchRow row, String finding, HouseRules rules) {
        MendTask.Data data = data(row, finding, rules);
        queue.ahead(task, new WorkQueue.Item<>(data.id(), data));
    }

    /** Why the last try failed; empty where it did not. */
    public String failure(PatchSummary patch, String finding, HouseRules rules) {
        return queue.standing(task, Map.of(patch.id(), MendTask.id(patch.id(), finding, patch.soundHash().strip(), Soundchecks.hash(rules))), 1).failure();
    }

    /**
     * Repairs of several findings of a bank.
     *
     * @param tried  what came of those that have been tried
     * @param behind findings of patches that have an earlier one among them, which comes first
     */
    public record OfMany(Standing standing, List<MendingRow> tried, int behind) {
    }

    /** Findings with repairs that can be tried beside each other: one of each patch. */
    private record Turn(List<Mendable> first, int behind) {
    }

    /** Tries to mend findings of a bank. */
    @Transactional
    public void tryMany(long bankId, CollectionRow collection, ChosenFindings findings) {
        Set<Mendable> tried = tried(bankId, collection).keySet();
        queue.ask(task, turn(bankId, collection, findings).first().stream().filter(m -> !tried.contains(m)).map(m -> data(patches.get(m.patchId()), m.finding(), collection.rules()))
                .map(d -> new WorkQueue.Item<>(d.id(), d)).toList());
    }

    /** How far that is, and what came of it. */
    public OfMany ofMany(long bankId, CollectionRow collection, ChosenFindings findings) {
        Turn turn = turn(bankId, collection, findings);
        Map<Mendable, MendingRow> tried = tried(bankId, collection);
        String hash = Soundchecks.hash(collection.rules());
        Map<Long, String> missing = new LinkedHashMap<>();
        turn.first().stream().filter(m -> !tried.containsKey(m)).forEach(m -> missing.put(m.patchId(), MendTask.id(m.patchId(), m.finding(), m.soundHash(), hash)));
        return new OfMany(queue.standing(task, missing, turn.first().size()), turn.first().stream().filter(tried::containsKey).map(tried::get).toList(), turn.behind());
    }

    private Map<Mendable, MendingRow> tried(long bankId, CollectionRow collection) {
        Map<Mendable, MendingRow> tried = new HashMap<>();
        store.ofBank(bankId, Soundchecks.hash(collection.rules())).forEach(t -> tried.put(new Mendable(t.row().patchId(), t.row().finding(), t.soundHash()), t.row()));
        return tried;
    }

    private Turn turn(long bankId, CollectionRow collection, ChosenFindings findings) {
        List<Mendable> first = new ArrayList<>();
        int behind = 0;
        Map<Long, CheckResult> checks = soundchecks.ofBank(bankId, collection);
        for (PatchSummary patch : patches.inBank(bankId)) {
            CheckResult check = checks.getOrDefault(patch.id(), CheckResult.NONE);
            if (check.checked()) {
                // One at a time for each patch: a second repair would not know of the first.
                List<Finding> own = check.findings().stream().filter(f -> findings.has(patch.id(), f) && hasRepairs(f)).toList();
                own.stream().findFirst().ifPresent(f -> first.add(new Mendable(patch.id(), f.key(), patch.soundHash().strip())));
                behind += Math.max(0, own.size() - 1);
            }
        }
        return new Turn(first, behind);
    }

    /**
     * Applies repairs that work, as one step of the bank's history.
     *
     * @param versions of the patches as the page shows them
     * @throws RefusedException where none of them works
     */
    @Transactional
    public Desk.Outcome apply(CollectionRow collection, List<MendingRow> mendings, Map<Long, Long> versions) {
        List<Deed> deeds = new ArrayList<>();
        String words = "";
        for (MendingRow m : mendings) {
            if (m.works()) {
                Patch mended = PatchFormat.read(m.patch(), "mended");
                Patch present = patches.get(m.patchId()).patch();
                words = m.words();
                deeds.add(new Deed.Edit(m.patchId(), versions.getOrDefault(m.patchId(), 0L), new PatchEdit.Restore(mended.withNaming(present.naming()), "Mended " + m.finding().strip() + ": " + m.words())));
            }
        }
        if (deeds.isEmpty()) {
            throw new RefusedException("No repair of these works, so nothing was changed.");
        }
        List<String> rules = mendings.stream().filter(MendingRow::works).map(m -> m.finding().split(" ")[0]).distinct().toList();
        return desk.perform(collection.id(), "Mend " + (rules.size() == 1 ? rules.get(0) : "findings") + (deeds.size() == 1 ? ": " + words : " of " + deeds.size() + " patches"), deeds);
    }

    private static MendTask.Data data(PatchRow row, String finding, HouseRules rules) {
        return new MendTask.Data(row.id(), finding, row.soundHash().strip(), Soundchecks.hash(rules), Json.compact(rules), PatchFormat.write(row.patch()));
    }
}
