package gentlecomet.studio.bank.many;

import gentlecomet.studio.bank.desk.Desk;
import gentlecomet.studio.bank.desk.StepProgress;
import gentlecomet.studio.page.MissingException;
import jakarta.annotation.PreDestroy;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Function;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;

/**
 * Steps of the desk in threads of their own: most are done before anybody would see that they run; the page follows the others, and may stop them. A step that is done is
 * remembered for as long as a page may still ask for it.
 */
@Service
class LongSteps {

    private static final int AT_ONCE = 3;
    private static final long REMEMBERED_NS = TimeUnit.MINUTES.toNanos(5);

    private final Map<Long, Step> steps = new ConcurrentHashMap<>();
    private final AtomicLong last = new AtomicLong();
    private final long patienceMs;
    private final ExecutorService threads = Executors.newFixedThreadPool(AT_ONCE, task -> {
        Thread made = new Thread(task, "desk-step");
        made.setDaemon(true);
        return made;
    });

    /** @param patienceMs so long a request waits for a step before it answers how far it is */
    LongSteps(@Value("${comet.desk.patience-ms:350}") long patienceMs) {
        this.patienceMs = patienceMs;
    }

    /** A step that runs, or has run. @param said what is said of it when it is done @param begunAt by the clock of the machine, ns */
    record Step(long id, long bankId, StepProgress progress, Function<Desk.Outcome, String> said, Future<Desk.Outcome> outcome, long begunAt) {
    }

    /** What a request for a step can answer. @param done null while it runs */
    record Answer(Step step, Desk.Outcome done) {
    }

    /**
     * Begins a step and waits for it a little.
     *
     * @param patches how many it is about, as far as is known
     * @param said    what is said of it when it is done
     */
    Answer begin(long bankId, int patches, Function<StepProgress, Desk.Outcome> work, Function<Desk.Outcome, String> said) {
        forget();
        StepProgress progress = new StepProgress(patches);
        long id = last.incrementAndGet();
        Step step = new Step(id, bankId, progress, said, threads.submit(() -> work.apply(progress)), System.nanoTime());
        steps.put(id, step);
        return answer(step);
    }

    /** Waits a little for a step. What it was refused for is thrown. @throws MissingException where nothing is known of it */
    Answer again(long bankId, long id) {
        return answer(find(bankId, id));
    }

    /** Stops a step; one that is done already stays done. */
    void stop(long bankId, long id) {
        find(bankId, id).progress.stop();
    }

    private Step find(long bankId, long id) {
        Step step = steps.get(id);
        if (step == null || step.bankId != bankId) {
            throw new MissingException("This step is no longer under way. The history of the bank tells whether it was done.");
        }
        return step;
    }

    private Answer answer(Step step) {
        try {
            return new Answer(step, step.outcome.get(patienceMs, TimeUnit.MILLISECONDS));
        } catch (TimeoutException e) {
            return new Answer(step, null);
        } catch (ExecutionException e) {
            if (e.getCause() instanceof RuntimeException refused) {
                throw refused;
            }
            throw new IllegalStateException(e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return new Answer(step, null);
        }
    }

    private void forget() {
        steps.values().removeIf(s -> s.outcome.isDone() && System.nanoTime() - s.begunAt > REMEMBERED_NS);
    }

    @PreDestroy
    void close() {
        threads.shutdownNow();
    }
}
