package gentlecomet.studio.jobs;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import java.io.Serializable;
import java.time.Duration;
import java.time.Instant;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Component;

/** Asks for work in the background. The same work asked for twice is done once: its id says what it is. */
@Component
public class Jobs {

    static final String MEASURE = "measure";
    static final String CHECK = "check";
    static final String RELEASE = "release";

    private static final Duration AHEAD = Duration.ofHours(1);

    private final Scheduler scheduler;

    public Jobs(@Lazy Scheduler scheduler) {
        this.scheduler = scheduler;
    }

    /** What a job needs to know. */
    record MeasureData(String soundHash, String phrase, String patch) implements Serializable {
        private static final long serialVersionUID = 1;
    }

    /** What a job needs to know. */
    record CheckData(String soundHash, String category, String rulesHash, String rules, String patch) implements Serializable {
        private static final long serialVersionUID = 1;
    }

    /** @param waitedFor whether somebody looks at this one patch: it goes before the rest of a bank, which is due later */
    public void measure(String soundHash, String phrase, Patch patch, boolean waitedFor) {
        schedule(new TaskInstance<>(MEASURE, soundHash + " " + phrase, new MeasureData(soundHash, phrase, PatchFormat.write(patch))),
                waitedFor ? Instant.now().minus(AHEAD) : Instant.now());
    }

    public void check(String soundHash, String category, String rulesHash, HouseRules rules, Patch patch) {
        schedule(new TaskInstance<>(CHECK, soundHash + " " + category + " " + rulesHash,
                new CheckData(soundHash, category, rulesHash, Json.write(rules), PatchFormat.write(patch))));
    }

    public void release(long releaseId) {
        schedule(new TaskInstance<>(RELEASE, String.valueOf(releaseId), releaseId));
    }

    private <T> void schedule(TaskInstance<T> instance) {
        schedule(instance, Instant.now());
    }

    /** Work is taken up in the order of these times. */
    private <T> void schedule(TaskInstance<T> instance, Instant due) {
        scheduler.scheduleIfNotExists(instance, due);
    }
}
