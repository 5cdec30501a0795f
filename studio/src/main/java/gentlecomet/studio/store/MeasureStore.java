package gentlecomet.studio.store;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.Analysis;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.measure.Measurement;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What has been measured and found, by sound, phrase or rules, and engine version; never computed twice. */
@Repository
public class MeasureStore {

    /** Engine, analysis and phrases together: what was made by others is not found. */
    private static final String MADE_BY = Analysis.VERSION;

    private final JdbcClient jdbc;

    public MeasureStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Findings about a sound, wrapped for JSON. */
    public record Findings(List<Finding> findings) {
    }

    public Optional<Measurement> measurement(String soundHash, String phrase) {
        return jdbc.sql("""
                select content from measurement
                where sound_hash = :hash and phrase = :phrase and engine_version = :engine""")
                .param("hash", soundHash).param("phrase", phrase).param("engine", MADE_BY)
                .query(String.class).optional().map(text -> Json.read(text, Measurement.class));
    }

    /** All measurements of some sounds, by {@link #key}. */
    public Map<String, Measurement> measurements(Collection<String> soundHashes) {
        Map<String, Measurement> found = new HashMap<>();
        if (!soundHashes.isEmpty()) {
            jdbc.sql("select sound_hash, phrase, content from measurement where sound_hash in (:hashes) and engine_version = :engine")
                    .param("hashes", soundHashes).param("engine", MADE_BY)
                    .query(rs -> {
                        found.put(key(rs.getString("sound_hash"), rs.getString("phrase")), Json.read(rs.getString("content"), Measurement.class));
                    });
        }
        return found;
    }

    /** Key of a measurement by its phrase, or of findings by their category. */
    public static String key(String soundHash, String what) {
        return soundHash.strip() + " " + what;
    }

    public void save(String soundHash, String phrase, Measurement measurement) {
        jdbc.sql("""
                insert into measurement (sound_hash, phrase, engine_version, content)
                values (:hash, :phrase, :engine, cast(:content as jsonb)) on conflict do nothing""")
                .param("hash", soundHash).param("phrase", phrase).param("engine", MADE_BY)
                .param("content", Json.write(measurement)).update();
    }

    /** Which of some sounds have been measured, by {@link #key}. */
    public Set<String> measured(Collection<String> soundHashes) {
        return soundHashes.isEmpty() ? Set.of() : new HashSet<>(jdbc.sql("select sound_hash || ' ' || phrase from measurement where sound_hash in (:hashes) and engine_version = :engine")
                .param("hashes", soundHashes).param("engine", MADE_BY).query(String.class).list());
    }

    /** Which of some sounds have been checked under some house rules, by {@link #key}. */
    public Set<String> checked(Collection<String> soundHashes, String rulesHash) {
        return soundHashes.isEmpty() ? Set.of() : new HashSet<>(jdbc.sql("""
                select sound_hash || ' ' || category from sound_check
                where sound_hash in (:hashes) and rules_hash = :rules and engine_version = :engine""")
                .param("hashes", soundHashes).param("rules", rulesHash).param("engine", MADE_BY).query(String.class).list());
    }

    public boolean checked(String soundHash, String category, String rulesHash) {
        return findings(List.of(soundHash), rulesHash).containsKey(key(soundHash, category));
    }

    /** What was found about some sounds under some house rules, by {@link #key} of sound and category. */
    public Map<String, List<Finding>> findings(Collection<String> soundHashes, String rulesHash) {
        Map<String, List<Finding>> found = new HashMap<>();
        if (!soundHashes.isEmpty()) {
            jdbc.sql("""
                    select sound_hash, category, findings from sound_check
                    where sound_hash in (:hashes) and rules_hash = :rules and engine_version = :engine""")
                    .param("hashes", soundHashes).param("rules", rulesHash).param("engine", MADE_BY)
                    .query(rs -> {
                        found.put(key(rs.getString("sound_hash"), rs.getString("category")),
                                Json.read(rs.getString("findings"), Findings.class).findings());
                    });
        }
        return found;
    }

    public void saveFindings(String soundHash, String category, String rulesHash, List<Finding> findings) {
        jdbc.sql("""
                insert into sound_check (sound_hash, category, rules_hash, engine_version, findings)
                values (:hash, :category, :rules, :engine, cast(:content as json)) on conflict do nothing""")
                .param("hash", soundHash).param("category", category).param("rules", rulesHash).param("engine", MADE_BY)
                .param("content", Json.write(new Findings(findings))).update();
    }
}
