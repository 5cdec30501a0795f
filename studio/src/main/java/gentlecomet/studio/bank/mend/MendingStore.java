package gentlecomet.studio.bank.mend;

import gentlecomet.craft.check.Analysis;
import gentlecomet.craft.check.Finding;
import gentlecomet.craft.format.Json;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What came of trying to mend findings; the newest try of each. */
@Repository
class MendingStore {

    private final JdbcClient jdbc;

    MendingStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Lines, wrapped for JSON. */
    record Told(List<String> lines) {
    }

    /** Findings, wrapped for JSON. */
    record Left(List<Finding> findings) {
    }

    /** Of the sound and under the rules of now only. */
    Optional<MendingRow> find(long patchId, String finding, String soundHash, String rulesHash) {
        return jdbc.sql("""
                select * from mending where patch_id = :patch and finding = :finding and sound_hash = :hash and rules_hash = :rules and engine_version = :madeBy""")
                .param("patch", patchId).param("finding", finding).param("hash", soundHash).param("rules", rulesHash).param("madeBy", Analysis.VERSION)
                .query((rs, n) -> row(rs)).optional();
    }

    /** A try, and the sound that it was made with. */
    record Try(MendingRow row, String soundHash) {
    }

    /** What has been tried under the rules of now with the patches of a bank as they sound. */
    List<Try> ofBank(long bankId, String rulesHash) {
        return jdbc.sql("""
                select m.* from mending m join patch p on p.id = m.patch_id join edit e on e.patch_id = p.id and e.number = p.cursor and e.sound_hash = m.sound_hash
                where p.bank_id = :bank and m.rules_hash = :rules and m.engine_version = :madeBy""").param("bank", bankId).param("rules", rulesHash).param("madeBy", Analysis.VERSION)
                .query((rs, n) -> new Try(row(rs), rs.getString("sound_hash").strip())).list();
    }

    private static MendingRow row(ResultSet rs) throws SQLException {
        return new MendingRow(rs.getLong("patch_id"), rs.getString("finding"), rs.getString("words"), rs.getString("content"), Json.read(rs.getString("told"), Told.class).lines(),
                Json.read(rs.getString("left_findings"), Left.class).findings());
    }

    void save(MendingRow row, String soundHash, String rulesHash) {
        jdbc.sql("""
                insert into mending (patch_id, finding, sound_hash, rules_hash, engine_version, words, content, told, left_findings)
                values (:patch, :finding, :hash, :rules, :madeBy, :words, cast(:content as json), cast(:told as json), cast(:left as json))
                on conflict (patch_id, finding) do update set sound_hash = excluded.sound_hash, rules_hash = excluded.rules_hash, engine_version = excluded.engine_version,
                words = excluded.words, content = excluded.content, told = excluded.told, left_findings = excluded.left_findings, made_at = now()""")
                .param("patch", row.patchId()).param("finding", row.finding()).param("hash", soundHash).param("rules", rulesHash).param("madeBy", Analysis.VERSION).param("words", row.words())
                .param("content", row.patch()).param("told", Json.compact(new Told(row.told()))).param("left", Json.compact(new Left(row.left()))).update();
    }
}
