package gentlecomet.studio.web;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Progress of background work as server-sent events. What is stored is asked, so work of other machines shows too. */
@Component
class ProgressStream {

    private static final Logger LOG = LoggerFactory.getLogger(ProgressStream.class);

    private static final long PERIOD_MS = 400;
    private static final long LONGEST_MS = 30 * 60 * 1000L;

    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "progress");
        thread.setDaemon(true);
        return thread;
    });

    /** How far something is. */
    record Progress(int done, int total) {
        boolean finished() {
            return done >= total;
        }
    }

    /** Sends every change until the work is done or the page is closed. */
    SseEmitter follow(Supplier<Progress> now) {
        SseEmitter emitter = new SseEmitter(LONGEST_MS);
        AtomicReference<Progress> last = new AtomicReference<>();
        AtomicReference<Future<?>> task = new AtomicReference<>();
        Runnable stop = () -> {
            Future<?> running = task.get();
            if (running != null) {
                running.cancel(false);
            }
        };
        emitter.onCompletion(stop);
        emitter.onTimeout(stop);
        emitter.onError(e -> stop.run());
        task.set(clock.scheduleWithFixedDelay(() -> {
            try {
                Progress progress = now.get();
                if (!progress.equals(last.getAndSet(progress))) {
                    emitter.send(SseEmitter.event().name("progress").data(progress));
                }
                if (progress.finished()) {
                    emitter.complete();
                    stop.run();
                }
            } catch (IOException e) {
                // The page has gone; there is no one to tell.
                emitter.complete();
                stop.run();
            } catch (RuntimeException e) {
                LOG.warn("progress: {}", e.getMessage());
                emitter.complete();
                stop.run();
            }
        }, 0, PERIOD_MS, TimeUnit.MILLISECONDS));
        return emitter;
    }

    @PreDestroy
    void close() {
        clock.shutdownNow();
    }
}
