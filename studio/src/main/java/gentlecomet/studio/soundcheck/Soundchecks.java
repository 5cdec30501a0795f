package gentlecomet.studio.soundcheck;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.work.Standing;
import gentlecomet.studio.work.WorkQueue;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** What the soundcheck says of patches, and the work that finds it out. */
@Service
public class Soundchecks {

    private final SoundcheckStore store;
    private final Patches patches;
    private final WorkQueue queue;
    private final SoundcheckTask task;

    Soundchecks(SoundcheckStore store, Patches patches, WorkQueue queue, SoundcheckTask task) {
        this.store = store;
        this.patches = patches;
        this.queue = queue;
        this.task = task;
    }

    /** Identity of house rules, by which findings are kept. */
    static String hash(HouseRules rules) {
        return Hashes.of(Json.compact(rules).getBytes(StandardCharsets.UTF_8));
    }

    /** What is known of one patch. @param breaches what its name and category break */
    public CheckResult of(PatchSummary patch, CollectionRow collection, List<NameRules.RuleViolation> breaches) {
        return store.find(patch.soundHash(), patch.category(), hash(collection.rules())).map(sound -> result(breaches, sound)).orElse(CheckResult.NONE);
    }

    /** What is known of the patches of a bank, by patch; a patch that has not been checked in its present state is left out. */
    public Map<Long, CheckResult> ofBank(long bankId, CollectionRow collection, Map<Long, List<NameRules.RuleViolation>> breaches) {
        return store.ofBank(bankId, hash(collection.rules())).stream()
                .collect(Collectors.toMap(SoundcheckStore.Checked::patchId, c -> result(breaches.get(c.patchId()), c.findings())));
    }

    private static CheckResult result(List<NameRules.RuleViolation> breaches, List<Finding> sound) {
        List<Finding> findings = new ArrayList<>();
        breaches.forEach(b -> findings.add(new Finding(b.rule(), Finding.Severity.FAULT, b.message(), Map.of(), "", "")));
        findings.addAll(sound);
        return new CheckResult(findings);
    }

    /** Faults of the sounds of a collection's patches, by patch; what has not been checked is left out. */
    public Map<Long, Integer> faults(CollectionRow collection) {
        return store.faultsInCollection(collection.id(), hash(collection.rules())).stream()
                .collect(Collectors.toMap(SoundcheckStore.Faults::patchId, SoundcheckStore.Faults::faults));
    }

    /** Asks for the soundcheck of a bank's patches whose sound has not been checked; what has failed is tried again. */
    public void askForBank(long bankId, HouseRules rules) {
        String hash = hash(rules);
        Set<Long> known = checked(bankId, hash);
        String text = Json.compact(rules);
        queue.ask(task, patches.inBank(bankId).stream().filter(p -> !known.contains(p.id())).map(p -> data(patches.get(p.id()), hash, text))
                .map(d -> new WorkQueue.Item<>(d.id(), d)).toList());
    }

    private static SoundcheckTask.Data data(PatchRow row, String hash, String rules) {
        return new SoundcheckTask.Data(row.soundHash().strip(), row.category(), hash, rules, PatchFormat.write(row.patch()));
    }

    /** How far the soundcheck of a bank is. */
    public Standing standing(long bankId, HouseRules rules) {
        String hash = hash(rules);
        Set<Long> known = checked(bankId, hash);
        List<PatchSummary> bank = patches.inBank(bankId);
        Map<Long, String> missing = bank.stream().filter(p -> !known.contains(p.id()))
                .collect(Collectors.toMap(PatchSummary::id, p -> SoundcheckTask.id(p.soundHash(), p.category(), hash), (a, b) -> a, LinkedHashMap::new));
        return queue.standing(task, missing, bank.size());
    }

    private Set<Long> checked(long bankId, String hash) {
        return store.faultsInBank(bankId, hash).stream().map(SoundcheckStore.Faults::patchId).collect(Collectors.toSet());
    }
}
