package gentlecomet.studio.measure;

import gentlecomet.craft.check.Analysis;
import gentlecomet.craft.measure.Fingerprint;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What sounds are like, by sound. */
@Repository
class FingerprintStore {

    private final JdbcClient jdbc;

    FingerprintStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    Map<String, Fingerprint> find(Collection<String> soundHashes) {
        Map<String, Fingerprint> found = new HashMap<>();
        jdbc.sql("select sound_hash, content from fingerprint where sound_hash = any(:hashes) and engine_version = :madeBy")
                .param("hashes", soundHashes.toArray(String[]::new)).param("madeBy", Analysis.MEASURES).query(rs -> {
                    found.put(rs.getString("sound_hash"), Fingerprint.read(rs.getBytes("content")));
                });
        return found;
    }

    void save(String soundHash, Fingerprint fingerprint) {
        jdbc.sql("insert into fingerprint (sound_hash, engine_version, content) values (:hash, :madeBy, :content) on conflict do nothing")
                .param("hash", soundHash).param("madeBy", Analysis.MEASURES).param("content", fingerprint.levels()).update();
    }
}
