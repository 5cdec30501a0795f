package gentlecomet.studio.soundcheck;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.Soundcheck;
import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.probe.Probes;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.RulesChanged;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.work.Standing;
import gentlecomet.studio.work.WorkQueue;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What the soundcheck says of patches, and the work that finds it out. */
@Service
public class Soundchecks {

    private final SoundcheckStore store;
    private final CheckRunStore runs;
    private final Waivers waivers;
    private final Patches patches;
    private final WorkQueue queue;
    private final SoundcheckTask task;
    private final JudgeTask judging;

    Soundchecks(SoundcheckStore store, CheckRunStore runs, Waivers waivers, Patches patches, WorkQueue queue, SoundcheckTask task, JudgeTask judging) {
        this.store = store;
        this.runs = runs;
        this.waivers = waivers;
        this.patches = patches;
        this.queue = queue;
        this.task = task;
        this.judging = judging;
    }

    /** Identity of what findings about sounds depend on in house rules, by which they are kept: names and plans may change. */
    public static String hash(HouseRules rules) {
        return Hashes.of(Json.compact(rules.ofSound()).getBytes(StandardCharsets.UTF_8));
    }

    /** What is known of one patch. @param breaches what its name and category break */
    public CheckResult of(PatchSummary patch, CollectionRow collection, List<NameRules.RuleViolation> breaches) {
        return store.find(patch.soundHash(), patch.category(), hash(collection.rules())).map(sound -> result(breaches, sound, waivers.ofPatch(patch.id()))).orElse(CheckResult.NONE);
    }

    /** What is known of the patches of a bank, by patch; a patch that has not been checked in its present state is left out. */
    public Map<Long, CheckResult> ofBank(long bankId, CollectionRow collection, Map<Long, List<NameRules.RuleViolation>> breaches) {
        Map<Long, Map<String, Waiver>> waived = waivers.ofBank(bankId);
        return store.ofBank(bankId, hash(collection.rules())).stream()
                .collect(Collectors.toMap(SoundcheckStore.Checked::patchId, c -> result(breaches.get(c.patchId()), c.findings(), waived.getOrDefault(c.patchId(), Map.of()))));
    }

    /** What is known of the sounds of a bank's patches, without what their names break. */
    public Map<Long, CheckResult> ofBank(long bankId, CollectionRow collection) {
        return sounds(store.ofBank(bankId, hash(collection.rules())), waivers.ofBank(bankId));
    }

    /** The same of a whole collection. */
    public Map<Long, CheckResult> ofCollection(CollectionRow collection) {
        return sounds(store.ofCollection(collection.id(), hash(collection.rules())), waivers.ofCollection(collection.id()));
    }

    private static Map<Long, CheckResult> sounds(List<SoundcheckStore.Checked> checked, Map<Long, Map<String, Waiver>> waived) {
        return checked.stream().collect(Collectors.toMap(SoundcheckStore.Checked::patchId, c -> CheckResult.of(c.findings(), waived.getOrDefault(c.patchId(), Map.of()))));
    }

    private static CheckResult result(List<NameRules.RuleViolation> breaches, List<Finding> sound, Map<String, Waiver> waived) {
        List<Finding> findings = new ArrayList<>();
        breaches.forEach(b -> findings.add(new Finding(b.rule(), b.grave() ? Finding.Severity.FAULT : Finding.Severity.WARNING, b.message(), Map.of(), "", "", null)));
        findings.addAll(sound);
        return CheckResult.of(findings, waived);
    }

    /** Faults of the sounds of a collection's patches that nobody has waived, by patch; what has not been checked is left out. */
    public Map<Long, Integer> faults(CollectionRow collection) {
        return store.faultsInCollection(collection.id(), hash(collection.rules()));
    }

    /** Faults of a collection's patches by rules that need not be its own: what these have judged before, or else what was measured, judged now. */
    Map<Long, Integer> faultsByRules(CollectionRow collection) {
        Map<Long, Integer> faults = new HashMap<>(faults(collection));
        for (long id : store.probed(collection.id())) {
            if (!faults.containsKey(id)) {
                PatchRow row = patches.get(id);
                probes(row, collection.rules()).ifPresent(p -> faults.put(id,
                        (int) Soundcheck.judge(row.patch(), p, collection.rules()).stream().filter(f -> f.severity() == Finding.Severity.FAULT).map(Finding::key).distinct().count()));
            }
        }
        return faults;
    }

    /** What was measured of a patch as its category's; nothing where it has not been. */
    public Optional<Probes> probes(PatchRow row, HouseRules rules) {
        return store.probes(row.soundHash().strip(), rules.phraseOf(row.category()));
    }

    /** The same of any state of a patch, rendered where it has not been. */
    public Probes probe(long patchId, Patch state, HouseRules rules) {
        return task.probe(patchId, state, Hashes.sound(state), rules);
    }

    /** Keeps what was measured of a state elsewhere, and what the rules say of it. */
    public void keep(Patch state, Probes probes, HouseRules rules) {
        String soundHash = Hashes.sound(state);
        store.saveProbes(soundHash, rules.phraseOf(state.naming().category()), probes);
        store.save(soundHash, state.naming().category(), hash(rules), Soundcheck.judge(state, probes, rules));
    }

    private static List<String> keys(SoundcheckStore.Checked checked) {
        return checked.findings().stream().map(Finding::key).toList();
    }

    /** Asks for the soundcheck of a bank's patches whose sound has not been checked; what has failed is tried again. What is known now is what later findings are compared with. */
    @Transactional
    public void askForBank(long bankId, HouseRules rules) {
        String hash = hash(rules);
        Map<Long, List<String>> known = new HashMap<>();
        store.ofBank(bankId, hash).forEach(c -> known.put(c.patchId(), keys(c)));
        // Of a patch that has changed what was known before counts.
        Map<Long, List<String>> seen = new HashMap<>(runs.last(bankId).map(CheckRun::seen).orElse(Map.of()));
        store.before(bankId, hash).forEach(c -> seen.put(c.patchId(), keys(c)));
        seen.putAll(known);
        runs.save(bankId, new CheckRunStore.Seen(seen));
        String text = Json.compact(rules);
        queue.ask(task, patches.inBank(bankId).stream().filter(p -> !known.containsKey(p.id())).map(p -> data(patches.get(p.id()), hash, text))
                .map(d -> new WorkQueue.Item<>(d.id(), d)).toList());
    }

    /** Takes what has been asked for and has not begun out of the queue. */
    @Transactional
    public int cancel(long bankId, HouseRules rules) {
        String hash = hash(rules);
        return queue.cancel(task, patches.inBank(bankId).stream().map(p -> SoundcheckTask.id(p.soundHash(), p.category(), hash)).toList());
    }

    /** Checks a patch that somebody is working on, ahead of everything that waits. */
    public void ask(PatchRow row, HouseRules rules) {
        SoundcheckTask.Data data = data(row, hash(rules), Json.compact(rules));
        queue.ahead(task, new WorkQueue.Item<>(data.id(), data));
    }

    /** Other rules judge what has been measured, in the background. */
    @EventListener
    void rulesChanged(RulesChanged change) {
        JudgeTask.Data data = new JudgeTask.Data(change.collectionId(), hash(change.rules()), Json.compact(change.rules()));
        queue.ask(judging, List.of(new WorkQueue.Item<>(data.id(), data)));
    }

    /** What a voice of each patch of a bank costs, in plain voices, where it has been measured. */
    public Map<Long, Double> costs(long bankId) {
        return store.costs(bankId);
    }

    /** What was known when the last run of a bank was asked for; nothing before the first. */
    public Optional<CheckRun> lastRun(long bankId) {
        return runs.last(bankId);
    }

    private static SoundcheckTask.Data data(PatchRow row, String hash, String rules) {
        return new SoundcheckTask.Data(row.id(), row.soundHash().strip(), row.category(), hash, rules, PatchFormat.write(row.patch()));
    }

    /** How far the soundcheck of one patch is. */
    public Standing standing(PatchSummary patch, HouseRules rules) {
        String hash = hash(rules);
        boolean known = store.find(patch.soundHash(), patch.category(), hash).isPresent();
        return queue.standing(task, known ? Map.of() : Map.of(patch.id(), SoundcheckTask.id(patch.soundHash(), patch.category(), hash)), 1);
    }

    /** How far the soundcheck of a bank is. */
    public Standing standing(long bankId, HouseRules rules) {
        String hash = hash(rules);
        Set<Long> known = store.faultsInBank(bankId, hash).keySet();
        List<PatchSummary> bank = patches.inBank(bankId);
        Map<Long, String> missing = bank.stream().filter(p -> !known.contains(p.id()))
                .collect(Collectors.toMap(PatchSummary::id, p -> SoundcheckTask.id(p.soundHash(), p.category(), hash), (a, b) -> a, LinkedHashMap::new));
        return queue.standing(task, missing, bank.size());
    }
}
