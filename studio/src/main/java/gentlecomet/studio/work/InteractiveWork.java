package gentlecomet.studio.work;

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
 * Short work on what somebody is looking at, in a thread of its own and the newest first, so that it never waits behind a bank or a release.
 * Nothing of it needs to outlive the program, since a page asks again.
 */
@Component
public class InteractiveWork {

    private static final Logger LOG = LoggerFactory.getLogger(InteractiveWork.class);

    private final Set<String> asked = ConcurrentHashMap.newKeySet();
    private final ThreadPoolExecutor thread = new ThreadPoolExecutor(1, 1, 0, TimeUnit.SECONDS, new NewestFirst(), task -> {
        Thread made = new Thread(task, "looked-at");
        made.setDaemon(true);
        return made;
    });

    /** Does it soon; asked for twice under one name it is done once. A failure is logged, and the next page that asks tries again. */
    public void soon(String name, Runnable work) {
        if (asked.add(name)) {
            thread.execute(() -> {
                try {
                    work.run();
                } catch (RuntimeException e) {
                    LOG.error("{} failed", name, e);
                } finally {
                    asked.remove(name);
                }
            });
        }
    }

    @PreDestroy
    void close() {
        thread.shutdownNow();
    }

    private static final class NewestFirst extends LinkedBlockingDeque<Runnable> {
        private static final long serialVersionUID = 1;

        @Override
        public boolean offer(Runnable task) {
            return offerFirst(task);
        }
    }
}
