package gentlecomet.studio.measure;

import gentlecomet.craft.measure.Measurement;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Measurements that a test puts where the application looks for them. */
public final class MeasureFixture {

    private MeasureFixture() {
    }

    public static void save(JdbcClient jdbc, String soundHash, String phrase, Measurement measurement) {
        new MeasureStore(jdbc).save(soundHash, phrase, measurement);
    }

    public static Optional<Measurement> find(JdbcClient jdbc, String soundHash, String phrase) {
        return new MeasureStore(jdbc).find(soundHash, phrase);
    }
}
