package gentlecomet.studio.release;

import gentlecomet.studio.work.BackgroundTask;
import gentlecomet.studio.work.WorkQueue;
import java.util.List;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;

/** Makes the part of one patch for a release; whoever makes the last one asks for the archive. */
@Component
class ReleasePartTask implements BackgroundTask<ReleasePartTask.Data> {

    private final ReleaseWork work;
    private final WorkQueue queue;
    private final ReleaseTask archive;

    ReleasePartTask(ReleaseWork work, WorkQueue queue, ReleaseTask archive) {
        this.work = work;
        this.queue = queue;
        this.archive = archive;
    }

    /** @param place of the patch in the release */
    record Data(long release, int place) {
    }

    /** All parts of a release. */
    static List<WorkQueue.Item<Data>> all(long release, int patches) {
        return IntStream.range(0, patches).mapToObj(place -> new WorkQueue.Item<>(id(release, place), new Data(release, place))).toList();
    }

    private static String id(long release, int place) {
        return release + ":" + place;
    }

    @Override
    public String name() {
        return "release-part";
    }

    @Override
    public Class<Data> dataType() {
        return Data.class;
    }

    @Override
    public void run(Data data) {
        if (work.part(data.release(), data.place())) {
            queue.ask(archive, List.of(new WorkQueue.Item<>(String.valueOf(data.release()), new ReleaseTask.Data(data.release()))));
        }
    }

    @Override
    public void failed(Data data, String reason) {
        work.fail(data.release(), "the release could not be built: " + reason);
    }
}
