package gentlecomet.studio.page;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Progress of background work as server-sent events. The database is asked once for everybody who watches the same thing, so work of other
 * machines shows too; a heartbeat finds out within seconds that a page has gone.
 */
@Component
public class ProgressStream {

    private static final Logger LOG = LoggerFactory.getLogger(ProgressStream.class);

    private static final long PERIOD_MS = 400;
    private static final long HEARTBEAT_MS = 1500;
    private static final long LONGEST_MS = 30 * 60 * 1000L;
    /** So often in a row the state may be unknown (a database that is busy or starts anew) before its pages are let go: ten seconds. */
    private static final int PATIENCE = 25;

    private final Map<String, Watched> watched = new ConcurrentHashMap<>();
    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "progress");
        thread.setDaemon(true);
        return thread;
    });

    ProgressStream() {
        this(PERIOD_MS);
    }

    /** @param periodMs from one look at what is watched to the next */
    ProgressStream(long periodMs) {
        clock.scheduleWithFixedDelay(this::tell, periodMs, periodMs, TimeUnit.MILLISECONDS);
    }

    /** How far something is. @param failed how much of it has failed and does not come any more */
    public record Progress(int done, int total, int failed) {
        boolean finished() {
            return done + failed >= total;
        }
    }

    /** Something that is watched. */
    private static final class Watched {
        private final Supplier<Progress> now;
        private final List<SseEmitter> watchers = new CopyOnWriteArrayList<>();
        private volatile Progress last;
        private volatile long toldAt = System.nanoTime();
        private int unknown;

        Watched(Supplier<Progress> now) {
            this.now = now;
        }
    }

    /**
     * Sends every change until the work is done or the page is closed.
     *
     * @param what the same for everybody who watches the same thing
     */
    public SseEmitter follow(String what, Supplier<Progress> now) {
        SseEmitter emitter = new SseEmitter(LONGEST_MS);
        watched.compute(what, (key, known) -> {
            Watched thing = known == null ? new Watched(now) : known;
            thing.watchers.add(emitter);
            if (thing.last != null && !send(emitter, thing.last)) {
                thing.watchers.remove(emitter);
            }
            return thing;
        });
        Runnable gone = () -> leave(what, emitter);
        emitter.onCompletion(gone);
        emitter.onTimeout(gone);
        emitter.onError(e -> gone.run());
        return emitter;
    }

    /** How many pages watch one thing. */
    public int watchers(String what) {
        Watched thing = watched.get(what);
        return thing == null ? 0 : thing.watchers.size();
    }

    private void leave(String what, SseEmitter emitter) {
        watched.computeIfPresent(what, (key, thing) -> {
            thing.watchers.remove(emitter);
            return thing.watchers.isEmpty() ? null : thing;
        });
    }

    private void tell() {
        watched.forEach((what, thing) -> {
            try {
                tell(what, thing);
            } catch (RuntimeException e) {
                LOG.warn("progress of {}: {}", what, e.getMessage());
                thing.unknown++;
                if (thing.unknown > PATIENCE) {
                    end(what, thing);
                } else {
                    tell(what, thing, thing.last, false);
                }
            }
        });
    }

    private void tell(String what, Watched thing) {
        Progress progress = thing.now.get();
        thing.unknown = 0;
        boolean changed = !progress.equals(thing.last);
        thing.last = progress;
        tell(what, thing, progress, changed);
        if (progress.finished()) {
            end(what, thing);
        }
    }

    private void tell(String what, Watched thing, Progress progress, boolean changed) {
        boolean silent = System.nanoTime() - thing.toldAt > HEARTBEAT_MS * 1_000_000;
        if (changed || silent) {
            thing.toldAt = System.nanoTime();
            for (SseEmitter emitter : thing.watchers) {
                if (!(changed ? send(emitter, progress) : beat(emitter))) {
                    leave(what, emitter);
                    emitter.complete();
                }
            }
        }
    }

    private void end(String what, Watched thing) {
        watched.remove(what, thing);
        thing.watchers.forEach(SseEmitter::complete);
    }

    private static boolean send(SseEmitter emitter, Progress progress) {
        return deliver(emitter, SseEmitter.event().name("progress").data(progress));
    }

    private static boolean beat(SseEmitter emitter) {
        return deliver(emitter, SseEmitter.event().comment("still here"));
    }

    private static boolean deliver(SseEmitter emitter, SseEmitter.SseEventBuilder event) {
        try {
            emitter.send(event);
            return true;
        } catch (IOException | IllegalStateException e) {
            // The page has gone; there is no one to tell.
            return false;
        }
    }

    @PreDestroy
    void close() {
        clock.shutdownNow();
    }
}
