package gentlecomet.studio.measure;

import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.work.BackgroundTask;
import java.util.List;
import org.springframework.stereotype.Component;

/** Measures one sound and keeps what was measured. */
@Component
class MeasureTask implements BackgroundTask<MeasureTask.Data> {

    private final MeasureStore store;
    private final FingerprintStore fingerprints;
    private final Assets assets;

    MeasureTask(MeasureStore store, FingerprintStore fingerprints, Assets assets) {
        this.store = store;
        this.fingerprints = fingerprints;
        this.assets = assets;
    }

    /** A sound and the phrase it is measured by. @param patch as JSON @param own the phrase where it is one of the house, else null */
    record Data(String soundHash, String phrase, String patch, Phrase own) {
        String id() {
            return MeasureTask.id(soundHash, phrase);
        }
    }

    /** Id of measuring a sound by a phrase. */
    static String id(String soundHash, String phrase) {
        return soundHash.strip() + " " + phrase;
    }

    @Override
    public String name() {
        return "measure";
    }

    @Override
    public Class<Data> dataType() {
        return Data.class;
    }

    @Override
    public void run(Data data) {
        measure(data);
    }

    /** Measures, unless it is known already. */
    Measurement measure(Data data) {
        return store.find(data.soundHash(), data.phrase()).orElseGet(() -> {
            Patch patch = PatchFormat.read(data.patch(), "work");
            Measuring measuring = new Measuring(assets);
            Measurement made = measuring.measure(patch, data.own() == null ? Phrases.get(data.phrase()) : data.own());
            if (fingerprints.find(List.of(data.soundHash())).isEmpty()) {
                fingerprints.save(data.soundHash(), measuring.fingerprint(patch));
            }
            store.save(data.soundHash(), data.phrase(), made);
            return made;
        });
    }
}
