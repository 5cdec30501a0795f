package gentlecomet.studio.service;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.Soundcheck;
import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.level.Levelling;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.studio.jobs.Jobs;
import gentlecomet.studio.store.MeasureStore;
import gentlecomet.studio.store.PatchStore;
import gentlecomet.studio.store.PatchStore.PatchRow;
import gentlecomet.studio.store.WorkStore;
import java.nio.charset.StandardCharsets;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;

/** What is known about patches by measuring, and the jobs that find out what is not. Looking asks for nothing; {@code ask} does. */
@Service
public class Measures {

    private final MeasureStore store;
    private final PatchStore patches;
    private final WorkStore work;
    private final Jobs jobs;

    public Measures(MeasureStore store, PatchStore patches, WorkStore work, Jobs jobs) {
        this.store = store;
        this.patches = patches;
        this.work = work;
        this.jobs = jobs;
    }

    /**
     * How far the work on some patches is.
     *
     * @param waiting whether any of it waits or runs
     * @param failed  why work has failed, by patch
     */
    public record Standing(int done, int total, boolean waiting, Map<Long, String> failed) {
        /** What has failed does not come any more, so nobody waits for it. */
        public boolean over() {
            return done + failed.size() >= total;
        }
    }

    /** The measurement of a patch's working state, if it has been made. */
    public Optional<Measurement> of(PatchRow row, HouseRules rules) {
        return store.measurement(row.soundHash(), rules.phraseOf(row.category()));
    }

    /** Measurements of many patches, by patch id; those that have not been made are left out. */
    public Map<Long, Measurement> ofAll(List<PatchRow> rows, HouseRules rules) {
        Map<String, Measurement> found = store.measurements(sounds(rows));
        Map<Long, Measurement> byPatch = new LinkedHashMap<>();
        for (PatchRow row : rows) {
            Measurement m = found.get(MeasureStore.key(row.soundHash(), rules.phraseOf(row.category())));
            if (m != null) {
                byPatch.put(row.id(), m);
            }
        }
        return byPatch;
    }

    /** Asks for the measurements that have not been made, in the background; a single patch comes ahead of everything. What has failed is tried again. */
    public void ask(List<PatchRow> rows, HouseRules rules) {
        Map<Long, Measurement> known = ofAll(rows, rules);
        List<PatchRow> missing = rows.stream().filter(r -> !known.containsKey(r.id())).toList();
        work.forget(Jobs.MEASURE, missing.stream().map(r -> measuring(r, rules)).toList());
        for (PatchRow row : missing) {
            String phrase = rules.phraseOf(row.category());
            if (rows.size() == 1) {
                jobs.measureAhead(row.soundHash(), phrase, row.patch());
            } else {
                jobs.measure(row.soundHash(), phrase, row.patch());
            }
        }
    }

    /** How far measuring is. */
    public Standing measuring(List<PatchRow> rows, HouseRules rules) {
        Set<String> found = store.measured(sounds(rows));
        List<PatchRow> missing = rows.stream().filter(r -> !found.contains(MeasureStore.key(r.soundHash(), rules.phraseOf(r.category())))).toList();
        return standing(Jobs.MEASURE, rows, missing, r -> measuring(r, rules));
    }

    /** The trim that would bring a patch to the target, once it has been measured. */
    public Optional<Levelling.Proposal> proposal(PatchRow row, HouseRules rules) {
        return of(row, rules).map(m -> Levelling.propose(row.patch(), m, rules));
    }

    /** What the soundcheck says of the sounds of patches, by patch id; those not checked in their present state are left out. */
    public Map<Long, List<Finding>> findings(List<PatchRow> rows, HouseRules rules) {
        Map<String, List<Finding>> found = store.findings(sounds(rows), rulesHash(rules));
        Map<Long, List<Finding>> byPatch = new LinkedHashMap<>();
        for (PatchRow row : rows) {
            List<Finding> findings = found.get(MeasureStore.key(row.soundHash(), row.category()));
            if (findings != null) {
                byPatch.put(row.id(), findings);
            }
        }
        return byPatch;
    }

    /** Asks for the soundcheck of patches whose sound has not been checked; what has failed is tried again. */
    public void check(List<PatchRow> rows, HouseRules rules) {
        String hash = rulesHash(rules);
        Map<Long, List<Finding>> known = findings(rows, rules);
        List<PatchRow> missing = rows.stream().filter(row -> !known.containsKey(row.id())).toList();
        work.forget(Jobs.CHECK, missing.stream().map(r -> Jobs.checking(r.soundHash(), r.category(), hash)).toList());
        missing.forEach(row -> jobs.check(row.soundHash(), row.category(), hash, rules, row.patch()));
    }

    /** How far the soundcheck is. */
    public Standing checking(List<PatchRow> rows, HouseRules rules) {
        String hash = rulesHash(rules);
        Set<String> found = store.checked(sounds(rows), hash);
        List<PatchRow> missing = rows.stream().filter(r -> !found.contains(MeasureStore.key(r.soundHash(), r.category()))).toList();
        return standing(Jobs.CHECK, rows, missing, r -> Jobs.checking(r.soundHash(), r.category(), hash));
    }

    private Standing standing(String task, List<PatchRow> rows, List<PatchRow> missing, java.util.function.Function<PatchRow, String> instance) {
        List<String> instances = missing.stream().map(instance).distinct().toList();
        Map<String, String> failed = work.failed(task, instances);
        Map<Long, String> byPatch = new LinkedHashMap<>();
        missing.forEach(r -> {
            String reason = failed.get(instance.apply(r));
            if (reason != null) {
                byPatch.put(r.id(), reason);
            }
        });
        return new Standing(rows.size() - missing.size(), rows.size(), !work.waiting(task, instances).isEmpty(), byPatch);
    }

    private static Collection<String> sounds(List<PatchRow> rows) {
        return rows.stream().map(PatchRow::soundHash).distinct().toList();
    }

    private static String measuring(PatchRow row, HouseRules rules) {
        return Jobs.measuring(row.soundHash(), rules.phraseOf(row.category()));
    }

    /** Names of the other patches of a bank's collection, for each patch of the rows. */
    public List<String> otherNames(long collectionId, PatchRow row) {
        return patches.otherNames(collectionId, row.id());
    }

    /** Identity of house rules, by which findings are kept. */
    public static String rulesHash(HouseRules rules) {
        return Hashes.of((Json.write(rules) + Soundcheck.RULES).getBytes(StandardCharsets.UTF_8));
    }
}
