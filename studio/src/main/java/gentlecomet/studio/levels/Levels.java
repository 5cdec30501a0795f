package gentlecomet.studio.levels;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.level.Levelling;
import gentlecomet.craft.measure.Fingerprint;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.measure.Fingerprints;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;

/** Brings patches to the house loudness by their level trim. */
@Service
public class Levels {

    private final Collections collections;
    private final Patches patches;
    private final Measures measures;
    private final Fingerprints fingerprints;

    Levels(Collections collections, Patches patches, Measures measures, Fingerprints fingerprints) {
        this.collections = collections;
        this.patches = patches;
        this.measures = measures;
        this.fingerprints = fingerprints;
    }

    /** The patches of a bank on the ladder, by slot. */
    public List<LevelRow> ofBank(long bankId, CollectionRow collection) {
        List<PatchSummary> bank = patches.inBank(bankId);
        Map<Long, Measurement> measured = measures.ofBank(bankId, bank, collection.rules());
        Map<Long, Double> trims = patches.trims(bankId);
        Map<String, Fingerprint> prints = fingerprints.of(bank.stream().map(PatchSummary::soundHash).toList());
        return bank.stream().map(p -> LevelRow.of(p, measured.get(p.id()), trims.get(p.id()), prints.get(p.soundHash()), collection.rules())).toList();
    }

    /** The same in groups of a category, in the order of the house's plan; patches without a category of the house come last. */
    List<LevelGroup> groups(long bankId, CollectionRow collection) {
        Map<String, List<LevelRow>> byCategory = new LinkedHashMap<>();
        collection.rules().categories().forEach(c -> byCategory.put(c.id(), new ArrayList<>()));
        List<LevelRow> others = new ArrayList<>();
        ofBank(bankId, collection).forEach(r -> byCategory.getOrDefault(r.patch().category(), others).add(r));
        List<LevelGroup> groups = new ArrayList<>();
        byCategory.forEach((id, rows) -> groups.add(new LevelGroup(collection.rules().category(id).orElseThrow().name(), collection.rules().targetOf(id), rows)));
        groups.add(new LevelGroup("No category", collection.rules().targetLufs(), others));
        groups.removeIf(g -> g.rows().isEmpty());
        return groups;
    }

    /** Brings one patch to the target. @param version as the page shows it */
    public PatchRow level(long patchId, long version) {
        PatchRow row = patches.get(patchId);
        CollectionRow collection = collections.of(row);
        Measurement m = measures.of(row.summary(), collection.rules())
                .orElseThrow(() -> new RefusedException("The patch is still being measured; try again in a moment."));
        return patches.edit(patchId, version, "", trim(Levelling.propose(row.patch(), m, collection.rules())));
    }

    private static PatchEdit trim(Levelling.Proposal proposal) {
        return new PatchEdit.SetValue(Parameters.at(PatchParameters.LEVEL_TRIM), proposal.trimDb());
    }
}
