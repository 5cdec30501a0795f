package gentlecomet.studio.work;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.serializer.Serializer;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import gentlecomet.craft.format.Json;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;

/** The background workers: whatever tasks the rooms declare, kept in PostgreSQL so that they survive a crash. */
@Configuration
class WorkConfiguration {

    private static final Logger LOG = LoggerFactory.getLogger(WorkConfiguration.class);
    private static final Duration BETWEEN_TRIES = Duration.ofSeconds(2);

    @Bean(initMethod = "start", destroyMethod = "stop")
    Scheduler scheduler(DataSource dataSource, WorkStore store, List<BackgroundTask<?>> declared, @Value("${comet.workers}") int workers,
            @Value("${comet.heartbeat}") Duration heartbeat) {
        int threads = workers > 0 ? workers : Math.max(1, Runtime.getRuntime().availableProcessors() - 1);
        List<Task<?>> tasks = declared.stream().<Task<?>>map(task -> task(task, store)).toList();
        // Work of a program that was killed in the middle of it is taken up again after four heartbeats that did not come.
        // Asked for within a transaction, work is there when the transaction has ended, and not at all when it is taken back.
        return Scheduler.create(new TransactionAwareDataSourceProxy(dataSource), tasks).threads(threads).pollingInterval(Duration.ofMillis(500))
                .heartbeatInterval(heartbeat).missedHeartbeatsLimit(4).serializer(new JsonSerializer())
                .shutdownMaxWait(Duration.ofSeconds(2)).build();
    }

    private static <T> Task<T> task(BackgroundTask<T> task, WorkStore store) {
        return Tasks.oneTime(task.name(), task.dataType()).onFailure(severalTimes(task, store)).execute((instance, context) -> task.run(instance.getData()));
    }

    /** Tries as often as the task says; after that the work is told as failed, and whoever asks again begins anew. */
    private static <T> FailureHandler<T> severalTimes(BackgroundTask<T> task, WorkStore store) {
        return (ended, operations) -> {
            if (ended.getExecution().consecutiveFailures + 1 < task.tries()) {
                operations.reschedule(ended, ended.getTimeDone().plus(BETWEEN_TRIES));
                return;
            }
            var instance = ended.getExecution().taskInstance;
            LOG.error("{} {} failed {} times", instance.getTaskName(), instance.getId(), task.tries(), ended.getCause().orElse(null));
            String reason = ended.getCause().map(Reason::of).orElse("it was interrupted");
            store.fail(instance.getTaskName(), instance.getId(), reason);
            task.failed(task.dataType().cast(instance.getData()), reason);
            operations.stop();
        };
    }

    /** Does not wait for the next look into the queue when something has just been asked for. */
    @Component
    static class Starter {
        private final Scheduler scheduler;

        Starter(Scheduler scheduler) {
            this.scheduler = scheduler;
        }

        @TransactionalEventListener(fallbackExecution = true)
        void asked(WorkQueue.Asked asked) {
            scheduler.triggerCheckForDueExecutions();
        }
    }

    /** Data of tasks as JSON, which every version of the program can read or refuse. */
    private static final class JsonSerializer implements Serializer {
        @Override
        public byte[] serialize(Object data) {
            return data == null ? null : Json.compact(data).getBytes(StandardCharsets.UTF_8);
        }

        @Override
        public <T> T deserialize(Class<T> type, byte[] data) {
            return data == null ? null : Json.read(new String(data, StandardCharsets.UTF_8), type);
        }
    }
}
