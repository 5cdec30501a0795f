package gentlecomet.studio.bench.response;

import gentlecomet.craft.check.Analysis;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.response.NoteFigures;
import gentlecomet.craft.response.ResponseMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Response maps key by key, by sound and engine version; never computed twice. */
@Repository
class ResponseStore {

    /** Engine, analysis and phrases together: what was made by others is not found. */
    private static final String MADE_BY = Analysis.MEASURES;

    private final JdbcClient jdbc;

    ResponseStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Figures of a key, wrapped for JSON. */
    record Key(List<NoteFigures> velocities) {
    }

    /** What is known of a sound so far. */
    ResponseMap find(String soundHash) {
        Map<Integer, List<NoteFigures>> keys = new HashMap<>();
        jdbc.sql("select key, figures from key_response where sound_hash = :hash and engine_version = :engine")
                .param("hash", soundHash).param("engine", MADE_BY)
                .query(rs -> {
                    keys.put(rs.getInt("key"), Json.read(rs.getString("figures"), Key.class).velocities());
                });
        return ResponseMap.of(keys);
    }

    void save(String soundHash, int key, List<NoteFigures> velocities) {
        jdbc.sql("""
                insert into key_response (sound_hash, engine_version, key, figures)
                values (:hash, :engine, :key, cast(:figures as jsonb)) on conflict do nothing""")
                .param("hash", soundHash).param("engine", MADE_BY).param("key", key).param("figures", Json.write(new Key(velocities))).update();
    }
}
