package gentlecomet.studio.soundcheck;

import gentlecomet.craft.check.Soundcheck;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.probe.Probes;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.work.BackgroundTask;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Judges everything that has been measured in a collection by other house rules; nothing is rendered. */
@Component
class JudgeTask implements BackgroundTask<JudgeTask.Data> {

    private final SoundcheckStore store;
    private final Patches patches;

    JudgeTask(SoundcheckStore store, Patches patches) {
        this.store = store;
        this.patches = patches;
    }

    /** @param rules as JSON */
    record Data(long collectionId, String rulesHash, String rules) {
        String id() {
            return collectionId + " " + rulesHash;
        }
    }

    @Override
    public String name() {
        return "judge";
    }

    @Override
    public Class<Data> dataType() {
        return Data.class;
    }

    @Override
    public void run(Data data) {
        HouseRules rules = Json.read(data.rules(), HouseRules.class);
        for (long id : store.probed(data.collectionId())) {
            PatchRow row;
            try {
                row = patches.get(id);
            } catch (MissingException e) {
                continue;
            }
            String hash = row.soundHash().strip();
            Optional<Probes> probes = store.probes(hash, rules.phraseOf(row.category()));
            if (probes.isPresent() && store.find(hash, row.category(), data.rulesHash()).isEmpty()) {
                store.save(hash, row.category(), data.rulesHash(), Soundcheck.judge(row.patch(), probes.get(), rules));
            }
        }
    }
}
