package gentlecomet.studio.bench.vary;

import jakarta.annotation.PreDestroy;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * The making of variations, in a thread of its own so that measuring goes on beside it. One patch has one piece of it at a time: a new one takes the place of the old.
 * What has been made is kept; what has not is made again by whoever asks again, so nothing of it outlives the program.
 */
@Component
class VariationWork {

    private static final Logger LOG = LoggerFactory.getLogger(VariationWork.class);

    private final ConcurrentHashMap<Long, Job> jobs = new ConcurrentHashMap<>();
    private final ExecutorService thread = Executors.newSingleThreadExecutor(task -> {
        Thread made = new Thread(task, "variations");
        made.setDaemon(true);
        return made;
    });

    /** One piece of it, told by the work itself. */
    static final class Job {
        private final int asked;
        private volatile int made;
        private volatile boolean stopped;
        private volatile boolean over;
        private volatile String fault = "";

        private Job(int asked) {
            this.asked = asked;
        }

        boolean goesOn() {
            return !stopped;
        }

        void madeOne() {
            made++;
        }
    }

    void start(long patchId, int asked, Consumer<Job> work) {
        Job job = new Job(asked);
        Job former = jobs.put(patchId, job);
        if (former != null) {
            former.stopped = true;
        }
        thread.execute(() -> {
            try {
                if (job.goesOn()) {
                    work.accept(job);
                }
            } catch (RuntimeException e) {
                LOG.error("variations of patch {} failed", patchId, e);
                job.fault = "Making variations ended early: an error that is in the log.";
            } finally {
                job.over = true;
            }
        });
    }

    void stop(long patchId) {
        Job job = jobs.get(patchId);
        if (job != null) {
            job.stopped = true;
        }
    }

    VariationProgress progress(long patchId) {
        Job job = jobs.get(patchId);
        return job == null ? VariationProgress.NONE : new VariationProgress(job.made, job.asked, !job.over && !job.stopped, job.fault);
    }

    @PreDestroy
    void close() {
        jobs.values().forEach(job -> job.stopped = true);
        thread.shutdownNow();
    }
}
