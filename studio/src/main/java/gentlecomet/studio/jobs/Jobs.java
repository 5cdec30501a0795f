package gentlecomet.studio.jobs;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import java.io.Serializable;
import java.time.Instant;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Component;

/** Asks for work in the background. The same work asked for twice is done once: its id says what it is. */
@Component
public class Jobs {

    static final String MEASURE = "measure";
    static final String CHECK = "check";
    static final String RELEASE = "release";

    private final Scheduler scheduler;
    private final MeasureWork measuring;

    Jobs(@Lazy Scheduler scheduler, @Lazy MeasureWork measuring) {
        this.scheduler = scheduler;
        this.measuring = measuring;
    }

    /** What a job needs to know. */
    record MeasureData(String soundHash, String phrase, String patch) implements Serializable {
        private static final long serialVersionUID = 1;
    }

    /** What a job needs to know. */
    record CheckData(String soundHash, String category, String rulesHash, String rules, String patch) implements Serializable {
        private static final long serialVersionUID = 1;
    }

    /** Measures a patch when its turn comes. */
    public void measure(String soundHash, String phrase, Patch patch) {
        schedule(new TaskInstance<>(MEASURE, soundHash + " " + phrase, new MeasureData(soundHash, phrase, PatchFormat.write(patch))));
    }

    /** Measures a patch that somebody is looking at, ahead of everything that waits. */
    public void measureAhead(String soundHash, String phrase, Patch patch) {
        measuring.measureAhead(new MeasureData(soundHash, phrase, PatchFormat.write(patch)));
    }

    public void check(String soundHash, String category, String rulesHash, HouseRules rules, Patch patch) {
        schedule(new TaskInstance<>(CHECK, soundHash + " " + category + " " + rulesHash,
                new CheckData(soundHash, category, rulesHash, Json.write(rules), PatchFormat.write(patch))));
    }

    public void release(long releaseId) {
        schedule(new TaskInstance<>(RELEASE, String.valueOf(releaseId), releaseId));
    }

    private <T> void schedule(TaskInstance<T> instance) {
        scheduler.scheduleIfNotExists(instance, Instant.now());
    }
}
