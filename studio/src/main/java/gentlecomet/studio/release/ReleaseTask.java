package gentlecomet.studio.release;

import gentlecomet.studio.work.BackgroundTask;
import org.springframework.stereotype.Component;

/** Puts the parts of a release together and verifies it. */
@Component
class ReleaseTask implements BackgroundTask<ReleaseTask.Data> {

    private final ReleaseWork work;

    ReleaseTask(ReleaseWork work) {
        this.work = work;
    }

    /** The release whose parts are there. */
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
    public void run(Data data) {
        work.assemble(data.release());
    }

    @Override
    public void failed(Data data, String reason) {
        work.fail(data.release(), "the release could not be built: " + reason);
    }
}
