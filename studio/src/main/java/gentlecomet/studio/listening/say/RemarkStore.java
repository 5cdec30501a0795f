package gentlecomet.studio.listening.say;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Notes, what is being typed of one, and the remarks that a collection keeps ready. */
@Repository
class RemarkStore {

    private static final String SELECT = "select m.*, w.name from remark m join reviewer w on w.id = m.reviewer_id ";

    private final JdbcClient jdbc;

    RemarkStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param token by which the same note is known when it is sent twice */
    void insert(long roundId, Remark remark, String token) {
        jdbc.sql("""
                insert into remark (round_id, place, reviewer_id, words, beat, key, token) values (:round, :place, :reviewer, :words, :beat, :key, :token)
                on conflict (token) do nothing""")
                .param("round", roundId).param("place", remark.place()).param("reviewer", remark.reviewer().id()).param("words", remark.words()).param("beat", remark.beat())
                .param("key", remark.key()).param("token", token).update();
        draft(roundId, remark.place(), remark.reviewer().id(), "");
    }

    void delete(long roundId, long id) {
        jdbc.sql("delete from remark where id = :id and round_id = :round").param("id", id).param("round", roundId).update();
    }

    void draft(long roundId, int place, long reviewerId, String words) {
        jdbc.sql(words.isEmpty() ? "delete from remark_draft where round_id = :round and place = :place and reviewer_id = :reviewer" : """
                insert into remark_draft values (:round, :place, :reviewer, :words)
                on conflict (round_id, place, reviewer_id) do update set words = excluded.words""")
                .param("round", roundId).param("place", place).param("reviewer", reviewerId).param("words", words).update();
    }

    /** What a reviewer has typed and not saved, by place. */
    Map<Integer, String> drafts(long roundId, long reviewerId) {
        Map<Integer, String> drafts = new HashMap<>();
        jdbc.sql("select place, words from remark_draft where round_id = :round and reviewer_id = :reviewer").param("round", roundId).param("reviewer", reviewerId)
                .query(rs -> {
                    drafts.put(rs.getInt("place"), rs.getString("words"));
                });
        return drafts;
    }

    List<Remark> of(long roundId) {
        return jdbc.sql(SELECT + "where m.round_id = :round order by m.id").param("round", roundId).query(RemarkStore::remark).list();
    }

    /** Notes of one reviewer at one place. */
    List<Remark> at(long roundId, int place, long reviewerId) {
        return jdbc.sql(SELECT + "where m.round_id = :round and m.place = :place and m.reviewer_id = :reviewer order by m.id").param("round", roundId).param("place", place)
                .param("reviewer", reviewerId).query(RemarkStore::remark).list();
    }

    /** Notes on a patch's sound, whichever round they were made in. */
    List<Remark> on(long patchId, String soundHash) {
        return jdbc.sql(SELECT + "join round_place p on p.round_id = m.round_id and p.place = m.place where p.patch_id = :patch and p.sound_hash = :sound order by m.id")
                .param("patch", patchId).param("sound", soundHash).query(RemarkStore::remark).list();
    }

    List<String> ready(long collectionId) {
        return jdbc.sql("select words from ready_remark where collection_id = :collection order by position").param("collection", collectionId).query(String.class).list();
    }

    void keepReady(long collectionId, List<String> remarks) {
        jdbc.sql("delete from ready_remark where collection_id = :collection").param("collection", collectionId).update();
        for (int i = 0; i < remarks.size(); i++) {
            jdbc.sql("insert into ready_remark values (:collection, :position, :words)").param("collection", collectionId).param("position", i).param("words", remarks.get(i)).update();
        }
    }

    private static Remark remark(ResultSet rs, int n) throws SQLException {
        double beat = rs.getDouble("beat");
        Double pinned = rs.wasNull() ? null : beat;
        int key = rs.getInt("key");
        return new Remark(rs.getLong("id"), rs.getInt("place"), new Reviewer(rs.getLong("reviewer_id"), rs.getString("name")), rs.getString("words"), pinned, rs.wasNull() ? null : key);
    }
}
