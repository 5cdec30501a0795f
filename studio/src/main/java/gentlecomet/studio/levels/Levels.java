package gentlecomet.studio.levels;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.level.Levelling;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Brings patches to the house loudness by their level trim. */
@Service
public class Levels {

    private final Collections collections;
    private final Patches patches;
    private final Measures measures;

    Levels(Collections collections, Patches patches, Measures measures) {
        this.collections = collections;
        this.patches = patches;
        this.measures = measures;
    }

    /** The patches of a bank on the ladder, by slot. */
    List<LevelRow> ofBank(long bankId, CollectionRow collection) {
        List<PatchSummary> bank = patches.inBank(bankId);
        Map<Long, Measurement> measured = measures.ofBank(bankId, bank, collection.rules());
        Map<Long, Double> trims = patches.trims(bankId);
        return bank.stream().map(p -> LevelRow.of(p, measured.get(p.id()), trims.get(p.id()), collection.rules())).toList();
    }

    /** Brings patches of a bank to the target; those that have not been measured stay as they are. @param versions as the page shows them, by patch */
    @Transactional
    public void level(long bankId, Map<Long, Long> versions) {
        CollectionRow collection = collections.ofBank(bankId);
        Map<Long, Measurement> measured = measures.ofBank(bankId, patches.inBank(bankId), collection.rules());
        versions.forEach((id, version) -> {
            Measurement m = measured.get(id);
            if (m != null) {
                patches.edit(id, version, "", trim(Levelling.propose(patches.get(id).patch(), m, collection.rules())));
            }
        });
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
