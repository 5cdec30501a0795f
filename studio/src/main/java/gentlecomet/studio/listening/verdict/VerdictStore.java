package gentlecomet.studio.listening.verdict;

import gentlecomet.studio.listening.heard.HeardSound;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Verdicts on patches, whichever round they were given in, and the owner's final words. */
@Repository
class VerdictStore {

    /** Everybody's newest verdict on each sound of a patch; the owner's word has no reviewer. */
    private static final String SAID = """
            select patch_id, reviewer_id, reviewer, verdict, content_hash, sound_hash, given_at, present, round_id, place from (
              select distinct on (p.patch_id, p.sound_hash, a.reviewer_id) p.patch_id, a.reviewer_id, w.name as reviewer, a.answer as verdict, p.content_hash, p.sound_hash, a.given_at,
                p.sound_hash = e.sound_hash as present, a.round_id, a.place
              from answer a join round r on r.id = a.round_id and r.question = 'verdict' join round_place p on p.round_id = a.round_id and p.place = a.place
              join reviewer w on w.id = a.reviewer_id join patch t on t.id = p.patch_id join bank b on b.id = t.bank_id join edit e on e.patch_id = t.id and e.number = t.cursor
              where not a.taken_back and %1$s order by p.patch_id, p.sound_hash, a.reviewer_id, a.id desc) votes
            union all select patch_id, reviewer_id, reviewer, verdict, content_hash, sound_hash, given_at, present, 0, 0 from (
              select distinct on (f.patch_id, f.sound_hash) f.patch_id, 0::bigint as reviewer_id, '' as reviewer, f.verdict, f.content_hash, f.sound_hash, f.given_at, f.sound_hash = e.sound_hash as present
              from final_word f join patch t on t.id = f.patch_id join bank b on b.id = t.bank_id join edit e on e.patch_id = t.id and e.number = t.cursor
              where %1$s order by f.patch_id, f.sound_hash, f.id desc) words where verdict <> 'none'
            order by given_at""";

    private final JdbcClient jdbc;

    VerdictStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param reviewerId 0 for the owner's word @param present whether the patch still sounds so */
    record Vote(long patchId, long reviewerId, String reviewer, String verdict, String contentHash, String soundHash, Instant givenAt, boolean present, long roundId, int place) {
    }

    List<Vote> inBank(long bankId) {
        return votes("t.bank_id = :id", bankId);
    }

    List<Vote> inCollection(long collectionId) {
        return votes("b.collection_id = :id", collectionId);
    }

    List<Vote> on(long patchId) {
        return votes("t.id = :id", patchId);
    }

    private List<Vote> votes(String which, long id) {
        return jdbc.sql(SAID.formatted(which)).param("id", id).query((rs, n) -> new Vote(rs.getLong("patch_id"), rs.getLong("reviewer_id"), rs.getString("reviewer"), rs.getString("verdict"),
                rs.getString("content_hash"), rs.getString("sound_hash"), rs.getTimestamp("given_at").toInstant(), rs.getBoolean("present"), rs.getLong("round_id"), rs.getInt("place"))).list();
    }

    /** Mean rating of each patch of a collection that was rated as it sounds now, by patch. */
    Map<Long, Double> ratings(long collectionId) {
        Map<Long, Double> ratings = new HashMap<>();
        jdbc.sql("""
                select patch_id, avg(answer::int) as mean from (
                  select distinct on (a.round_id, a.place, a.reviewer_id) p.patch_id, a.answer from answer a join round r on r.id = a.round_id and r.question = 'rating'
                  join round_place p on p.round_id = a.round_id and p.place = a.place join patch t on t.id = p.patch_id join edit e on e.patch_id = t.id and e.number = t.cursor and e.sound_hash = p.sound_hash
                  where not a.taken_back and r.collection_id = :collection order by a.round_id, a.place, a.reviewer_id, a.id desc) rated group by patch_id""")
                .param("collection", collectionId).query(rs -> {
                    ratings.put(rs.getLong("patch_id"), rs.getDouble("mean"));
                });
        return ratings;
    }

    void say(HeardSound heard, String verdict, String note) {
        jdbc.sql("insert into final_word (patch_id, content_hash, sound_hash, verdict, note) values (:patch, :content, :sound, :verdict, :note)")
                .param("patch", heard.patchId()).param("content", heard.contentHash()).param("sound", heard.soundHash()).param("verdict", verdict).param("note", note).update();
    }
}
