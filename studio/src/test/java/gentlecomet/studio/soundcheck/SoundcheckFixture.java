package gentlecomet.studio.soundcheck;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.rules.HouseRules;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Findings that a test puts where the application looks for them. */
public final class SoundcheckFixture {

    private SoundcheckFixture() {
    }

    public static void save(JdbcClient jdbc, String soundHash, String category, HouseRules rules, List<Finding> findings) {
        new SoundcheckStore(jdbc).save(soundHash, category, Soundchecks.hash(rules), findings);
    }

    /** Id of the work that checks a sound. */
    public static String work(String soundHash, String category, HouseRules rules) {
        return SoundcheckTask.id(soundHash, category, Soundchecks.hash(rules));
    }
}
