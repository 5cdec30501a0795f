package gentlecomet.studio.jobs;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.Soundcheck;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.studio.service.Assets;
import gentlecomet.studio.service.Releases;
import gentlecomet.studio.store.MeasureStore;
import java.time.Duration;
import java.util.List;
import javax.sql.DataSource;
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

    @Bean(initMethod = "start", destroyMethod = "stop")
    Scheduler scheduler(DataSource dataSource, MeasureStore store, MeasureWork measuring, Assets assets, Releases releases, @Value("${comet.workers}") int workers) {
        int threads = workers > 0 ? workers : Math.max(1, Runtime.getRuntime().availableProcessors() - 1);
        var measure = Tasks.oneTime(Jobs.MEASURE, Jobs.MeasureData.class)
                .onFailure(new FailureHandler.MaxRetriesFailureHandler<>(TRIES, new FailureHandler.OnFailureRetryLater<>(Duration.ofSeconds(5))))
                .execute((instance, context) -> measuring.measure(instance.getData()));
        var check = Tasks.oneTime(Jobs.CHECK, Jobs.CheckData.class)
                .onFailure(new FailureHandler.MaxRetriesFailureHandler<>(TRIES, new FailureHandler.OnFailureRetryLater<>(Duration.ofSeconds(5))))
                .execute((instance, context) -> check(store, measuring, assets, instance.getData()));
        var release = Tasks.oneTime(Jobs.RELEASE, Long.class).execute((instance, context) -> {
            try {
                releases.build(instance.getData());
            } catch (RuntimeException e) {
                LOG.error("release {} failed", instance.getData(), e);
                releases.fail(instance.getData(), "the release could not be built (" + e.getMessage() + ")");
            }
        });
        // Work of a program that was killed in the middle of it is taken up again within a minute.
        return Scheduler.create(dataSource, measure, check, release).threads(threads).pollingInterval(Duration.ofMillis(500))
                .heartbeatInterval(Duration.ofSeconds(10)).missedHeartbeatsLimit(4)
                .enableImmediateExecution().shutdownMaxWait(Duration.ofSeconds(2)).build();
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
