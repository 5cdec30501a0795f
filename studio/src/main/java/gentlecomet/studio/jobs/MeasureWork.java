package gentlecomet.studio.jobs;

import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.studio.service.Assets;
import gentlecomet.studio.store.MeasureStore;
import jakarta.annotation.PreDestroy;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.LinkedBlockingDeque;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Measures one sound and keeps what was measured. What somebody is looking at is measured in a thread of its own, the newest first, so
 * that it never waits behind a bank or a release; nothing of that needs to outlive the program, since a page asks again.
 */
@Component
class MeasureWork {

    private static final Logger LOG = LoggerFactory.getLogger(MeasureWork.class);

    private final MeasureStore store;
    private final Assets assets;
    private final Set<String> asked = ConcurrentHashMap.newKeySet();
    private final ThreadPoolExecutor lookedAt = new ThreadPoolExecutor(1, 1, 0, TimeUnit.SECONDS, new NewestFirst(), task -> {
        Thread thread = new Thread(task, "measure-looked-at");
        thread.setDaemon(true);
        return thread;
    });

    MeasureWork(MeasureStore store, Assets assets) {
        this.store = store;
        this.assets = assets;
    }

    /** Measures, unless it is known already. */
    Measurement measure(Jobs.MeasureData job) {
        return store.measurement(job.soundHash(), job.phrase()).orElseGet(() -> {
            Measurement made = new Measuring(assets).measure(PatchFormat.read(job.patch(), "job"), Phrases.get(job.phrase()));
            store.save(job.soundHash(), job.phrase(), made);
            return made;
        });
    }

    /** Measures soon; asked for twice it is done once. A failure is logged, and the next page that asks tries again. */
    void measureAhead(Jobs.MeasureData job) {
        String key = job.soundHash() + " " + job.phrase();
        if (asked.add(key)) {
            lookedAt.execute(() -> {
                try {
                    measure(job);
                } catch (RuntimeException e) {
                    LOG.error("{} could not be measured", key, e);
                } finally {
                    asked.remove(key);
                }
            });
        }
    }

    @PreDestroy
    void close() {
        lookedAt.shutdownNow();
    }

    private static final class NewestFirst extends LinkedBlockingDeque<Runnable> {
        private static final long serialVersionUID = 1;

        @Override
        public boolean offer(Runnable task) {
            return offerFirst(task);
        }
    }
}
