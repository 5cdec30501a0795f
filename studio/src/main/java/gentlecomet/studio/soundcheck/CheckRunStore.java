package gentlecomet.studio.soundcheck;

import gentlecomet.craft.format.Json;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What was found of a bank when runs of the soundcheck were asked for. */
@Repository
class CheckRunStore {

    private final JdbcClient jdbc;

    CheckRunStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Keys of findings by patch, for JSON. */
    record Seen(Map<Long, List<String>> byPatch) {
    }

    Optional<CheckRun> last(long bankId) {
        return jdbc.sql("select started_at, seen from check_run where bank_id = :bank order by id desc limit 1").param("bank", bankId)
                .query((rs, n) -> new CheckRun(rs.getObject("started_at", OffsetDateTime.class), Json.read(rs.getString("seen"), Seen.class).byPatch())).optional();
    }

    void save(long bankId, Seen seen) {
        jdbc.sql("insert into check_run (bank_id, seen) values (:bank, cast(:seen as json))").param("bank", bankId).param("seen", Json.compact(seen)).update();
    }
}
