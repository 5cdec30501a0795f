package gentlecomet.studio.jobs;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.Soundcheck;
import gentlecomet.craft.format.FormatException;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.studio.service.Assets;
import gentlecomet.studio.service.Releases;
import gentlecomet.studio.service.RefusedException;
import gentlecomet.studio.store.MeasureStore;
import gentlecomet.studio.store.WorkStore;
import java.time.Duration;
import java.util.List;
import javax.sql.DataSource;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The background workers: measuring, checking and releasing, as tasks in PostgreSQL that survive a crash. */
@Configuration
class JobConfiguration {

    private static final Logger LOG = LoggerFactory.getLogger(JobConfiguration.class);
    private static final int TRIES = 3;
    private static final Duration BETWEEN_TRIES = Duration.ofSeconds(2);

    @Bean(initMethod = "start", destroyMethod = "stop")
    Scheduler scheduler(DataSource dataSource, MeasureStore store, WorkStore work, MeasureWork measuring, Assets assets, Releases releases,
            @Value("${comet.workers}") int workers) {
        int threads = workers > 0 ? workers : Math.max(1, Runtime.getRuntime().availableProcessors() - 1);
        var measure = Tasks.oneTime(Jobs.MEASURE, Jobs.MeasureData.class)
                .onFailure(threeTimes(work))
                .execute((instance, context) -> measuring.measure(instance.getData()));
        var check = Tasks.oneTime(Jobs.CHECK, Jobs.CheckData.class)
                .onFailure(threeTimes(work))
                .execute((instance, context) -> check(store, measuring, assets, instance.getData()));
        var release = Tasks.oneTime(Jobs.RELEASE, Long.class).execute((instance, context) -> {
            try {
                releases.build(instance.getData());
            } catch (RuntimeException e) {
                LOG.error("release {} failed", instance.getData(), e);
                releases.fail(instance.getData(), "the release could not be built: " + reason(e));
            }
        });
        // Work of a program that was killed in the middle of it is taken up again within a minute.
        // Asked for within a transaction, work is there when the transaction has ended, and not at all when it is taken back.
        return Scheduler.create(new TransactionAwareDataSourceProxy(dataSource), measure, check, release).threads(threads).pollingInterval(Duration.ofMillis(500))
                .heartbeatInterval(Duration.ofSeconds(10)).missedHeartbeatsLimit(4)
                .enableImmediateExecution().shutdownMaxWait(Duration.ofSeconds(2)).build();
    }

    /** Tries three times; after that the work is told as failed, and whoever asks again begins anew. */
    private static <T> FailureHandler<T> threeTimes(WorkStore work) {
        return (ended, operations) -> {
            if (ended.getExecution().consecutiveFailures + 1 < TRIES) {
                operations.reschedule(ended, ended.getTimeDone().plus(BETWEEN_TRIES));
                return;
            }
            var instance = ended.getExecution().taskInstance;
            LOG.error("{} {} failed {} times", instance.getTaskName(), instance.getId(), TRIES, ended.getCause().orElse(null));
            work.fail(instance.getTaskName(), instance.getId(), ended.getCause().map(JobConfiguration::reason).orElse("it was interrupted"));
            operations.stop();
        };
    }

    /** A failure in words for people: ours are sentences, anything else stays in the log. */
    static String reason(Throwable e) {
        return e instanceof FormatException || e instanceof RefusedException ? e.getMessage() : "something went wrong inside Gentle Comet, see its log";
    }

    private static void check(MeasureStore store, MeasureWork measuring, Assets assets, Jobs.CheckData job) {
        if (store.checked(job.soundHash(), job.category(), job.rulesHash())) {
            return;
        }
        HouseRules rules = Json.read(job.rules(), HouseRules.class);
        Patch patch = PatchFormat.read(job.patch(), "job");
        Phrase phrase = Phrases.get(rules.phraseOf(job.category()));
        Measurement measurement = measuring.measure(new Jobs.MeasureData(job.soundHash(), phrase.id(), job.patch()));
        List<Finding> findings = new Soundcheck(rules, assets).sound(patch, measurement, phrase);
        store.saveFindings(job.soundHash(), job.category(), job.rulesHash(), findings);
    }
}
