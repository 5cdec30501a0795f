package gentlecomet.studio.soundcheck;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.Soundcheck;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.probe.Probes;
import gentlecomet.craft.probe.Probing;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.work.BackgroundTask;
import java.util.List;
import org.springframework.stereotype.Component;

/** Checks one sound and keeps what was measured and what was found. */
@Component
class SoundcheckTask implements BackgroundTask<SoundcheckTask.Data> {

    private final SoundcheckStore store;
    private final Measures measures;
    private final Assets assets;

    SoundcheckTask(SoundcheckStore store, Measures measures, Assets assets) {
        this.store = store;
        this.measures = measures;
        this.assets = assets;
    }

    /** A sound as a category's under house rules. @param patchId of the patch whose sound it is @param rules as JSON @param patch as JSON */
    record Data(long patchId, String soundHash, String category, String rulesHash, String rules, String patch) {
        String id() {
            return SoundcheckTask.id(soundHash, category, rulesHash);
        }
    }

    /** Id of the soundcheck of a sound as a category's under house rules. */
    static String id(String soundHash, String category, String rulesHash) {
        return soundHash.strip() + " " + category + " " + rulesHash;
    }

    @Override
    public String name() {
        return "check";
    }

    @Override
    public Class<Data> dataType() {
        return Data.class;
    }

    @Override
    public void run(Data data) {
        if (store.find(data.soundHash(), data.category(), data.rulesHash()).isEmpty()) {
            HouseRules rules = Json.read(data.rules(), HouseRules.class);
            Patch patch = PatchFormat.read(data.patch(), "work");
            List<Finding> findings = Soundcheck.judge(patch, probe(data.patchId(), patch, data.soundHash(), rules), rules);
            store.save(data.soundHash(), data.category(), data.rulesHash(), findings);
        }
    }

    /** What is measured of a sound, from the store or by rendering what is not known of an earlier state of the patch. */
    Probes probe(long patchId, Patch patch, String soundHash, HouseRules rules) {
        String phrase = rules.phraseOf(patch.naming().category());
        return store.probes(soundHash, phrase).orElseGet(() -> {
            Probes made = new Probing(assets).probe(patch, rules.phrase(phrase), measures.measure(patch, soundHash, rules), store.latestProbes(patchId, phrase).orElse(null));
            store.saveProbes(soundHash, phrase, made);
            return made;
        });
    }
}
