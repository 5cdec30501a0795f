package gentlecomet.studio.bank.mend;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.Mending;
import gentlecomet.craft.check.Soundcheck;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.probe.Probes;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.soundcheck.Soundchecks;
import gentlecomet.studio.work.BackgroundTask;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Tries to mend one finding of a sound, and keeps what came of it. */
@Component
class MendTask implements BackgroundTask<MendTask.Data> {

    private final MendingStore store;
    private final Soundchecks soundchecks;
    private final Assets assets;

    MendTask(MendingStore store, Soundchecks soundchecks, Assets assets) {
        this.store = store;
        this.soundchecks = soundchecks;
        this.assets = assets;
    }

    /** @param finding its key @param rules as JSON @param patch as JSON */
    record Data(long patchId, String finding, String soundHash, String rulesHash, String rules, String patch) {
        String id() {
            return MendTask.id(patchId, finding, soundHash, rulesHash);
        }
    }

    /** Id of mending a finding of a patch as it sounds, under house rules. */
    static String id(long patchId, String finding, String soundHash, String rulesHash) {
        return patchId + " " + finding + " " + soundHash.substring(0, 16) + " " + rulesHash.substring(0, 16);
    }

    @Override
    public String name() {
        return "mend";
    }

    @Override
    public Class<Data> dataType() {
        return Data.class;
    }

    @Override
    public void run(Data data) {
        if (store.find(data.patchId(), data.finding(), data.soundHash(), data.rulesHash()).isPresent()) {
            return;
        }
        HouseRules rules = Json.read(data.rules(), HouseRules.class);
        Patch patch = PatchFormat.read(data.patch(), "work");
        Probes probes = soundchecks.probe(data.patchId(), patch, rules);
        Optional<Finding> finding = Soundcheck.judge(patch, probes, rules).stream().filter(f -> f.key().equals(data.finding())).findFirst();
        MendingRow row;
        if (finding.isEmpty()) {
            row = new MendingRow(data.patchId(), data.finding(), "", null, List.of("It is not found any more."), List.of());
        } else {
            Mending.Outcome outcome = new Mending(rules, assets).mend(patch, probes, finding.get());
            if (outcome.works()) {
                // Whoever takes it finds it checked.
                soundchecks.keep(outcome.patch(), outcome.probes(), rules);
            }
            row = new MendingRow(data.patchId(), data.finding(), outcome.words(), outcome.works() ? PatchFormat.write(outcome.patch()) : null, outcome.told(), outcome.left());
        }
        store.save(row, data.soundHash(), data.rulesHash());
    }
}
