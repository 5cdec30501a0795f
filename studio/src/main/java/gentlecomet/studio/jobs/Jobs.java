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

/** Asks for work in the background. The same work asked for twice is done once: its id says what it is. Within a transaction it is asked for when that ends. */
@Component
public class Jobs {

    public static final String MEASURE = "measure";
    public static final String CHECK = "check";
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

        String instance() {
            return measuring(soundHash, phrase);
        }
    }

    /** What a job needs to know. */
    record CheckData(String soundHash, String category, String rulesHash, String rules, String patch) implements Serializable {
        private static final long serialVersionUID = 1;

        String instance() {
            return checking(soundHash, category, rulesHash);
        }
    }

    /** Id of measuring a sound by a phrase. */
    public static String measuring(String soundHash, String phrase) {
        return soundHash.strip() + " " + phrase;
    }

    /** Id of the soundcheck of a sound as a category's under house rules. */
    public static String checking(String soundHash, String category, String rulesHash) {
        return soundHash.strip() + " " + category + " " + rulesHash;
    }

    /** Measures a patch when its turn comes. */
    public void measure(String soundHash, String phrase, Patch patch) {
        MeasureData data = new MeasureData(soundHash, phrase, PatchFormat.write(patch));
        schedule(new TaskInstance<>(MEASURE, data.instance(), data));
    }

    /** Measures a patch that somebody is looking at, ahead of everything that waits. */
    public void measureAhead(String soundHash, String phrase, Patch patch) {
        measuring.measureAhead(new MeasureData(soundHash, phrase, PatchFormat.write(patch)));
    }

    public void check(String soundHash, String category, String rulesHash, HouseRules rules, Patch patch) {
        CheckData data = new CheckData(soundHash, category, rulesHash, Json.write(rules), PatchFormat.write(patch));
        schedule(new TaskInstance<>(CHECK, data.instance(), data));
    }

    public void release(long releaseId) {
        schedule(new TaskInstance<>(RELEASE, String.valueOf(releaseId), releaseId));
    }

    private <T> void schedule(TaskInstance<T> instance) {
        scheduler.scheduleIfNotExists(instance, Instant.now());
    }
}
