package gentlecomet.studio.release;

import gentlecomet.studio.work.BackgroundTask;
import org.springframework.stereotype.Component;

/** Builds and verifies a release. It is not tried again: whoever wants it builds another one. */
@Component
class ReleaseTask implements BackgroundTask<ReleaseTask.Data> {

    private final ReleaseWork work;

    ReleaseTask(ReleaseWork work) {
        this.work = work;
    }

    /** The release to build. */
    record Data(long release) {
    }

    @Override
    public String name() {
        return "release";
    }

    @Override
    public Class<Data> dataType() {
        return Data.class;
    }

    @Override
    public int tries() {
        return 1;
    }

    @Override
    public void run(Data data) {
        work.build(data.release());
    }

    @Override
    public void failed(Data data, String reason) {
        work.fail(data.release(), "the release could not be built: " + reason);
    }
}
