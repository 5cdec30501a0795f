package gentlecomet.studio.work;

import gentlecomet.craft.format.Json;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Asks for background work. The same work asked for twice is done once: its id says what it is. Within a transaction it is asked for when that ends. */
@Component
public class WorkQueue {

    private final WorkStore store;
    private final ApplicationEventPublisher events;
    private final InteractiveWork interactive;

    WorkQueue(WorkStore store, ApplicationEventPublisher events, InteractiveWork interactive) {
        this.store = store;
        this.events = events;
        this.interactive = interactive;
    }

    /** One piece of work. @param id what it is, in words: the same for the same work */
    public record Item<T>(String id, T data) {
    }

    /** Tells the scheduler that there is something to do. */
    record Asked() {
    }

    /** Puts work into the queue in one statement; what waits or runs already stays as it is, and what has failed is tried again. */
    @Transactional
    public <T> void ask(BackgroundTask<T> task, List<Item<T>> items) {
        if (items.isEmpty()) {
            return;
        }
        store.forgetFailures(task.name(), items.stream().map(Item::id).toList());
        store.insert(task.name(), items.stream().map(Item::id).toArray(String[]::new),
                items.stream().map(i -> Json.compact(i.data()).getBytes(StandardCharsets.UTF_8)).toArray(byte[][]::new));
        events.publishEvent(new Asked());
    }

    /** Does one piece soon, ahead of everything that waits, as somebody is looking at it. What has failed is tried again, and what cannot be done is told as failed, so that no page waits for it. */
    public <T> void ahead(BackgroundTask<T> task, Item<T> item) {
        store.forgetFailures(task.name(), List.of(item.id()));
        interactive.soon(task.name() + " " + item.id(), () -> {
            try {
                task.run(item.data());
            } catch (DataAccessException e) {
                throw e;
            } catch (RuntimeException e) {
                store.fail(task.name(), item.id(), Reason.of(e));
                throw e;
            }
        });
    }

    /**
     * How far the work on some things is.
     *
     * @param missing ids of the work that has not been done, by the id of the thing it is for
     * @param total   how many things there are
     */
    public Standing standing(BackgroundTask<?> task, Map<Long, String> missing, int total) {
        List<String> ids = missing.values().stream().distinct().toList();
        Map<String, String> failed = store.failed(task.name(), ids);
        Map<Long, String> reasons = new LinkedHashMap<>();
        missing.forEach((thing, id) -> {
            if (failed.containsKey(id)) {
                reasons.put(thing, failed.get(id));
            }
        });
        return new Standing(total - missing.size(), total, !store.waiting(task.name(), ids).isEmpty(), reasons);
    }

    /** Takes work that waits out of the queue; what runs goes on. @return how much it was */
    @Transactional
    public int cancel(BackgroundTask<?> task, List<String> ids) {
        return store.cancel(task.name(), ids);
    }
}
