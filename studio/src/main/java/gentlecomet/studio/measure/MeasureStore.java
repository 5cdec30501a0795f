package gentlecomet.studio.measure;

import gentlecomet.craft.check.Analysis;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.measure.Measurement;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What has been measured, by sound, phrase, and everything that measured it; never computed twice. */
@Repository
class MeasureStore {

    /** Engine, analysis and phrases together: what was made by others is not found. */
    private static final String MADE_BY = Analysis.MEASURES;
    private static final String OF_PATCHES = """
            from patch p join edit e on e.patch_id = p.id and e.number = p.cursor join bank b on b.id = p.bank_id
            join measurement m on m.sound_hash = e.sound_hash and m.engine_version = :madeBy""";

    private final JdbcClient jdbc;

    MeasureStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** A measurement of a patch's working state by a phrase, which need not be that of its category. */
    record Measured<T>(long patchId, String phrase, T found) {
    }

    /** The two measures of loudness, and the true peak. */
    record Figures(double integratedLufs, double momentaryMaxLufs, double truePeakDbtp) {
    }

    Optional<Measurement> find(String soundHash, String phrase) {
        return jdbc.sql("select content from measurement where sound_hash = :hash and phrase = :phrase and engine_version = :madeBy")
                .param("hash", soundHash).param("phrase", phrase).param("madeBy", MADE_BY)
                .query(String.class).optional().map(text -> Json.read(text, Measurement.class));
    }

    /** Measurements of some sounds by a phrase, by sound. */
    Map<String, Measurement> find(List<String> soundHashes, String phrase) {
        Map<String, Measurement> found = new HashMap<>();
        jdbc.sql("select sound_hash, content from measurement where sound_hash = any(:hashes) and phrase = :phrase and engine_version = :madeBy")
                .param("hashes", soundHashes.toArray(String[]::new)).param("phrase", phrase).param("madeBy", MADE_BY).query(rs -> {
                    found.put(rs.getString("sound_hash").strip(), Json.read(rs.getString("content"), Measurement.class));
                });
        return found;
    }

    /** Measurements of a bank's patches. */
    List<Measured<Measurement>> ofBank(long bankId) {
        return jdbc.sql("select p.id, m.phrase, m.content " + OF_PATCHES + " where p.bank_id = :bank").param("madeBy", MADE_BY).param("bank", bankId)
                .query((rs, n) -> new Measured<>(rs.getLong("id"), rs.getString("phrase"), Json.read(rs.getString("content"), Measurement.class))).list();
    }

    /** Measurements of a collection's patches. */
    List<Measured<Measurement>> ofCollection(long collectionId) {
        return jdbc.sql("select p.id, m.phrase, m.content " + OF_PATCHES + " where b.collection_id = :collection").param("madeBy", MADE_BY).param("collection", collectionId)
                .query((rs, n) -> new Measured<>(rs.getLong("id"), rs.getString("phrase"), Json.read(rs.getString("content"), Measurement.class))).list();
    }

    /** The figures of a collection's patches that levels go by. */
    List<Measured<Figures>> figures(long collectionId) {
        return jdbc.sql("select p.id, m.phrase, m.integrated_lufs, m.momentary_max_lufs, m.true_peak_dbtp " + OF_PATCHES + " where b.collection_id = :collection")
                .param("madeBy", MADE_BY).param("collection", collectionId)
                .query((rs, n) -> new Measured<>(rs.getLong("id"), rs.getString("phrase"),
                        new Figures(rs.getDouble("integrated_lufs"), rs.getDouble("momentary_max_lufs"), rs.getDouble("true_peak_dbtp")))).list();
    }

    /** Which patches of a bank have been measured, and by which phrase. */
    List<Measured<Boolean>> measuredInBank(long bankId) {
        return jdbc.sql("select p.id, m.phrase " + OF_PATCHES + " where p.bank_id = :bank").param("madeBy", MADE_BY).param("bank", bankId)
                .query((rs, n) -> new Measured<>(rs.getLong("id"), rs.getString("phrase"), true)).list();
    }

    void save(String soundHash, String phrase, Measurement measurement) {
        jdbc.sql("""
                insert into measurement (sound_hash, phrase, engine_version, content)
                values (:hash, :phrase, :madeBy, cast(:content as jsonb)) on conflict do nothing""")
                .param("hash", soundHash).param("phrase", phrase).param("madeBy", MADE_BY).param("content", Json.write(measurement)).update();
    }
}
