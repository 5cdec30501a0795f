package gentlecomet.studio.listening;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Listening rounds and their verdicts. */
@Repository
class RoundStore {

    private final JdbcClient jdbc;

    RoundStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    long start(long bankId) {
        return jdbc.sql("insert into round (bank_id) values (:bank) returning id").param("bank", bankId).query(Long.class).single();
    }

    Optional<RoundRow> find(long id) {
        return jdbc.sql(SELECT + " where r.id = :id").param("id", id).query(RoundStore::row).optional();
    }

    Optional<RoundRow> latest(long bankId) {
        return jdbc.sql(SELECT + " where r.bank_id = :bank order by r.id desc limit 1").param("bank", bankId).query(RoundStore::row).optional();
    }

    void give(long roundId, Verdict verdict) {
        jdbc.sql("""
                insert into verdict (round_id, patch_id, content_hash, verdict, note)
                values (:round, :patch, :hash, :verdict, :note)
                on conflict (round_id, patch_id) do update
                set content_hash = excluded.content_hash, verdict = excluded.verdict, note = excluded.note, given_at = now()""")
                .param("round", roundId).param("patch", verdict.patchId()).param("hash", verdict.contentHash())
                .param("verdict", verdict.verdict()).param("note", verdict.note()).update();
    }

    /** Keeps a note as it is typed; a verdict that has been given stays. */
    void note(long roundId, long patchId, String contentHash, String note) {
        jdbc.sql("""
                insert into verdict (round_id, patch_id, content_hash, verdict, note) values (:round, :patch, :hash, 'none', :note)
                on conflict (round_id, patch_id) do update set note = excluded.note""")
                .param("round", roundId).param("patch", patchId).param("hash", contentHash).param("note", note).update();
    }

    Map<Long, Verdict> verdicts(long roundId) {
        return byPatch(jdbc.sql("select * from verdict where round_id = :id").param("id", roundId).query(RoundStore::verdict).list());
    }

    /** The newest verdict on each patch of a bank, from whichever round. */
    Map<Long, Verdict> latestVerdicts(long bankId) {
        return byPatch(jdbc.sql("""
                select distinct on (v.patch_id) v.* from verdict v join patch p on p.id = v.patch_id
                where p.bank_id = :bank and v.verdict <> 'none' order by v.patch_id, v.given_at desc""")
                .param("bank", bankId).query(RoundStore::verdict).list());
    }

    /** The newest verdict on each patch of a collection, from whichever round. */
    Map<Long, Verdict> latestInCollection(long collectionId) {
        return byPatch(jdbc.sql("""
                select distinct on (v.patch_id) v.* from verdict v join patch p on p.id = v.patch_id join bank b on b.id = p.bank_id
                where b.collection_id = :collection and v.verdict <> 'none' order by v.patch_id, v.given_at desc""")
                .param("collection", collectionId).query(RoundStore::verdict).list());
    }

    /** The newest verdict on one patch, from whichever round. */
    Optional<Verdict> latestOf(long patchId) {
        return jdbc.sql("select * from verdict where patch_id = :patch and verdict <> 'none' order by given_at desc limit 1")
                .param("patch", patchId).query(RoundStore::verdict).optional();
    }

    private static final String SELECT = """
            select r.*, (select count(*) from verdict v where v.round_id = r.id and v.verdict <> 'none') as given from round r""";

    private static Map<Long, Verdict> byPatch(List<Verdict> verdicts) {
        Map<Long, Verdict> map = new HashMap<>();
        verdicts.forEach(v -> map.put(v.patchId(), v));
        return map;
    }

    private static RoundRow row(java.sql.ResultSet rs, int n) throws java.sql.SQLException {
        return new RoundRow(rs.getLong("id"), rs.getLong("bank_id"), rs.getTimestamp("started_at").toInstant(), rs.getInt("given"));
    }

    private static Verdict verdict(java.sql.ResultSet rs, int n) throws java.sql.SQLException {
        return new Verdict(rs.getLong("patch_id"), rs.getString("content_hash"), rs.getString("verdict"), rs.getString("note"));
    }
}
