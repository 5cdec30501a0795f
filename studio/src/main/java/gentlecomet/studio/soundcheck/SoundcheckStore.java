package gentlecomet.studio.soundcheck;

import gentlecomet.craft.check.Analysis;
import gentlecomet.craft.check.Finding;
import gentlecomet.craft.format.Json;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What the soundcheck has found about sounds, by sound, category, house rules, and everything that checked them. */
@Repository
class SoundcheckStore {

    /** Engine, analysis and phrases together: what was found by others is not found. */
    private static final String MADE_BY = Analysis.VERSION;
    private static final String OF_PATCHES = """
            from patch p join edit e on e.patch_id = p.id and e.number = p.cursor join bank b on b.id = p.bank_id
            join sound_check c on c.sound_hash = e.sound_hash and c.category = e.category and c.rules_hash = :rules and c.engine_version = :madeBy""";

    private final JdbcClient jdbc;

    SoundcheckStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Findings about a sound, wrapped for JSON. */
    record Findings(List<Finding> findings) {
    }

    /** What was found about a patch's working state. */
    record Checked(long patchId, List<Finding> findings) {
    }

    /** How many faults a patch's working state has. */
    record Faults(long patchId, int faults) {
    }

    Optional<List<Finding>> find(String soundHash, String category, String rulesHash) {
        return jdbc.sql("""
                select findings from sound_check
                where sound_hash = :hash and category = :category and rules_hash = :rules and engine_version = :madeBy""")
                .param("hash", soundHash).param("category", category).param("rules", rulesHash).param("madeBy", MADE_BY)
                .query(String.class).optional().map(text -> Json.read(text, Findings.class).findings());
    }

    List<Checked> ofBank(long bankId, String rulesHash) {
        return jdbc.sql("select p.id, c.findings " + OF_PATCHES + " where p.bank_id = :bank").param("rules", rulesHash).param("madeBy", MADE_BY)
                .param("bank", bankId).query((rs, n) -> new Checked(rs.getLong("id"), Json.read(rs.getString("findings"), Findings.class).findings())).list();
    }

    List<Faults> faultsInBank(long bankId, String rulesHash) {
        return jdbc.sql("select p.id, c.faults " + OF_PATCHES + " where p.bank_id = :bank").param("rules", rulesHash).param("madeBy", MADE_BY)
                .param("bank", bankId).query(SoundcheckStore::faults).list();
    }

    List<Faults> faultsInCollection(long collectionId, String rulesHash) {
        return jdbc.sql("select p.id, c.faults " + OF_PATCHES + " where b.collection_id = :collection").param("rules", rulesHash).param("madeBy", MADE_BY)
                .param("collection", collectionId).query(SoundcheckStore::faults).list();
    }

    void save(String soundHash, String category, String rulesHash, List<Finding> findings) {
        jdbc.sql("""
                insert into sound_check (sound_hash, category, rules_hash, engine_version, findings, faults)
                values (:hash, :category, :rules, :madeBy, cast(:content as json), :faults) on conflict do nothing""")
                .param("hash", soundHash).param("category", category).param("rules", rulesHash).param("madeBy", MADE_BY)
                .param("content", Json.write(new Findings(findings)))
                .param("faults", findings.stream().filter(f -> f.severity() == Finding.Severity.FAULT).count()).update();
    }

    private static Faults faults(ResultSet rs, int n) throws SQLException {
        return new Faults(rs.getLong("id"), rs.getInt("faults"));
    }
}
