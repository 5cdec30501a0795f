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
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;

/** What is known about patches by measuring, and the jobs that find out what is not. */
@Service
public class Measures {

    private final MeasureStore store;
    private final PatchStore patches;
    private final Jobs jobs;

    public Measures(MeasureStore store, PatchStore patches, Jobs jobs) {
        this.store = store;
        this.patches = patches;
        this.jobs = jobs;
    }

    /** The measurement of a patch's working state, if it has been made. */
    public Optional<Measurement> of(PatchRow row, HouseRules rules) {
        return store.measurement(row.soundHash(), rules.phraseOf(row.category()));
    }

    /** Measurements of many patches, by patch id; those that are missing are asked for in the background, a single patch ahead of everything. */
    public Map<Long, Measurement> ofAll(List<PatchRow> rows, HouseRules rules) {
        Map<String, Measurement> found = store.measurements(rows.stream().map(PatchRow::soundHash).distinct().toList());
        Map<Long, Measurement> byPatch = new LinkedHashMap<>();
        for (PatchRow row : rows) {
            String phrase = rules.phraseOf(row.category());
            Measurement m = found.get(MeasureStore.key(row.soundHash(), phrase));
            if (m != null) {
                byPatch.put(row.id(), m);
            } else if (rows.size() == 1) {
                jobs.measureAhead(row.soundHash(), phrase, row.patch());
            } else {
                jobs.measure(row.soundHash(), phrase, row.patch());
            }
        }
        return byPatch;
    }

    /** How many patches of a bank have been measured in their working state. */
    public int measured(List<PatchRow> rows, HouseRules rules) {
        Map<String, Measurement> found = store.measurements(rows.stream().map(PatchRow::soundHash).distinct().toList());
        return (int) rows.stream().filter(r -> found.containsKey(MeasureStore.key(r.soundHash(), rules.phraseOf(r.category())))).count();
    }

    /** The trim that would bring a patch to the target, once it has been measured. */
    public Optional<Levelling.Proposal> proposal(PatchRow row, HouseRules rules) {
        return of(row, rules).map(m -> Levelling.propose(row.patch(), m, rules));
    }

    /** What the soundcheck says of the sounds of patches, by patch id; those not checked in their present state are left out. */
    public Map<Long, List<Finding>> findings(List<PatchRow> rows, HouseRules rules) {
        Map<String, List<Finding>> found = store.findings(rows.stream().map(PatchRow::soundHash).distinct().toList(), rulesHash(rules));
        Map<Long, List<Finding>> byPatch = new LinkedHashMap<>();
        for (PatchRow row : rows) {
            List<Finding> findings = found.get(MeasureStore.key(row.soundHash(), row.category()));
            if (findings != null) {
                byPatch.put(row.id(), findings);
            }
        }
        return byPatch;
    }

    /** Asks for the soundcheck of patches whose sound has not been checked. */
    public void check(List<PatchRow> rows, HouseRules rules) {
        String hash = rulesHash(rules);
        Map<Long, List<Finding>> known = findings(rows, rules);
        rows.stream().filter(row -> !known.containsKey(row.id()))
                .forEach(row -> jobs.check(row.soundHash(), row.category(), hash, rules, row.patch()));
    }

    /** Names of the other patches of a bank's collection, for each patch of the rows. */
    public List<String> otherNames(long collectionId, PatchRow row) {
        return patches.otherNames(collectionId, row.id());
    }

    /** Identity of house rules, by which findings are kept. */
    static String rulesHash(HouseRules rules) {
        return Hashes.of((Json.write(rules) + Soundcheck.RULES).getBytes(StandardCharsets.UTF_8));
    }
}
