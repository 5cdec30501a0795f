package gentlecomet.studio.work;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.stereotype.Component;

/** Background work of the tests, found by the scan for components: counts what it is asked to do. The first try of what is called "twice ..." fails. */
@Component
public class CountingTask implements BackgroundTask<CountingTask.Data> {

    private final Map<String, AtomicInteger> runs = new ConcurrentHashMap<>();

    /** What is counted. */
    public record Data(String name) {
    }

    @Override
    public String name() {
        return "counting";
    }

    @Override
    public Class<Data> dataType() {
        return Data.class;
    }

    @Override
    public void run(Data data) {
        if (runs.computeIfAbsent(data.name(), n -> new AtomicInteger()).incrementAndGet() == 1 && data.name().startsWith("twice")) {
            throw new IllegalStateException("the first try");
        }
    }

    /** How often something has been tried. */
    int runs(String name) {
        return runs.getOrDefault(name, new AtomicInteger()).get();
    }
}
