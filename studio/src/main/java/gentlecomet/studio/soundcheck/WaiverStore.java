package gentlecomet.studio.soundcheck;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Findings that somebody lets stand. */
@Repository
class WaiverStore {

    private static final String ALL = """
            select w.patch_id, w.finding, w.revision, w.reason, w.person, w.waived_at, w.sound_hash = e.sound_hash as holds
            from waiver w join patch p on p.id = w.patch_id join edit e on e.patch_id = p.id and e.number = p.cursor join bank b on b.id = p.bank_id""";

    private final JdbcClient jdbc;

    WaiverStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    List<Waiver> ofPatch(long patchId) {
        return jdbc.sql(ALL + " where w.patch_id = :id").param("id", patchId).query(WaiverStore::row).list();
    }

    List<Waiver> ofBank(long bankId) {
        return jdbc.sql(ALL + " where p.bank_id = :id").param("id", bankId).query(WaiverStore::row).list();
    }

    List<Waiver> ofCollection(long collectionId) {
        return jdbc.sql(ALL + " where b.collection_id = :id").param("id", collectionId).query(WaiverStore::row).list();
    }

    /** In place of an earlier one of the same finding. */
    void save(long patchId, String finding, String soundHash, int revision, String reason, String person) {
        jdbc.sql("""
                insert into waiver (patch_id, finding, sound_hash, revision, reason, person) values (:patch, :finding, :hash, :revision, :reason, :person)
                on conflict (patch_id, finding) do update set sound_hash = excluded.sound_hash, revision = excluded.revision, reason = excluded.reason, person = excluded.person, waived_at = now()""")
                .param("patch", patchId).param("finding", finding).param("hash", soundHash).param("revision", revision).param("reason", reason).param("person", person).update();
    }

    void remove(long patchId, String finding) {
        jdbc.sql("delete from waiver where patch_id = :patch and finding = :finding").param("patch", patchId).param("finding", finding).update();
    }

    private static Waiver row(ResultSet rs, int n) throws SQLException {
        return new Waiver(rs.getLong("patch_id"), rs.getString("finding"), rs.getInt("revision"), rs.getString("reason"), rs.getString("person"), rs.getObject("waived_at", OffsetDateTime.class),
                rs.getBoolean("holds"));
    }
}
