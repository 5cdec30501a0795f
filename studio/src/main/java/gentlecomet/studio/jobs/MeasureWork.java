package gentlecomet.studio.jobs;

import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.studio.service.Assets;
import gentlecomet.studio.store.MeasureStore;
import gentlecomet.studio.store.WorkStore;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;

/** Measures one sound and keeps what was measured. */
@Component
class MeasureWork {

    private final MeasureStore store;
    private final WorkStore work;
    private final Assets assets;
    private final LookedAt lookedAt;

    MeasureWork(MeasureStore store, WorkStore work, Assets assets, LookedAt lookedAt) {
        this.store = store;
        this.work = work;
        this.assets = assets;
        this.lookedAt = lookedAt;
    }

    /** Measures, unless it is known already. */
    Measurement measure(Jobs.MeasureData job) {
        return store.measurement(job.soundHash(), job.phrase()).orElseGet(() -> {
            Measurement made = new Measuring(assets).measure(PatchFormat.read(job.patch(), "job"), Phrases.get(job.phrase()));
            store.save(job.soundHash(), job.phrase(), made);
            return made;
        });
    }

    /** Measures ahead of everything that waits; what cannot be measured is told as failed, so that no page waits for it. */
    void measureAhead(Jobs.MeasureData job) {
        lookedAt.soon("measure " + job.instance(), () -> {
            try {
                measure(job);
            } catch (DataAccessException e) {
                throw e;
            } catch (RuntimeException e) {
                work.fail(Jobs.MEASURE, job.instance(), JobConfiguration.reason(e));
                throw e;
            }
        });
    }
}
