package gentlecomet.studio.bank.intake;

import gentlecomet.studio.work.BackgroundTask;
import org.springframework.stereotype.Component;

/** Takes an archive that was brought. */
@Component
class IntakeTask implements BackgroundTask<IntakeTask.Data> {

    private final IntakeWork work;

    IntakeTask(IntakeWork work) {
        this.work = work;
    }

    /** The archive to take. */
    record Data(long intake) {
    }

    @Override
    public String name() {
        return "intake";
    }

    @Override
    public Class<Data> dataType() {
        return Data.class;
    }

    @Override
    public void run(Data data) {
        work.take(data.intake());
    }

    @Override
    public void failed(Data data, String reason) {
        work.fail(data.intake(), reason);
    }
}
