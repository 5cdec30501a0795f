package gentlecomet.studio.page;

import static org.awaitility.Awaitility.await;
import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class ProgressStreamTest {

    private final ProgressStream streams = new ProgressStream(20);

    @AfterEach
    void close() {
        streams.close();
    }

    /** A database that does not answer for a moment ends nothing: who watches goes on when it answers again. */
    @Test
    void aStateThatIsUnknownForAWhileIsWaitedFor() {
        AtomicInteger asked = new AtomicInteger();
        streams.follow("work", () -> {
            if (asked.incrementAndGet() <= 20) {
                throw new IllegalStateException("no connection");
            }
            return new ProgressStream.Progress(asked.get() < 23 ? 1 : 2, 2, 0);
        });
        await().until(() -> streams.watchers("work") == 0);
        assertEquals(23, asked.get(), "it ends with the work, not before");
    }

    /** What never answers again, as a collection that was deleted, lets its pages go after the 26th time. */
    @Test
    void aStateThatStaysUnknownLetsItsPagesGo() {
        AtomicInteger asked = new AtomicInteger();
        streams.follow("gone", () -> {
            asked.incrementAndGet();
            throw new MissingException("gone");
        });
        await().until(() -> streams.watchers("gone") == 0);
        assertEquals(26, asked.get());
    }
}
