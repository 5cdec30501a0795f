package gentlecomet.studio.listening.round;

import gentlecomet.craft.listen.Question;
import gentlecomet.studio.listening.heard.HeardSound;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Rounds and their places. */
@Repository
class RoundStore {

    private static final String SELECT = "select r.*, (select count(*) from round_place p where p.round_id = r.id) as places from round r ";

    private final JdbcClient jdbc;

    RoundStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    long insert(long collectionId, RoundPlan plan) {
        return jdbc.sql("""
                insert into round (collection_id, name, question, sequence, seed, phrases, by_hand, backing, pause, blind)
                values (:collection, :name, :question, :sequence, :seed, :phrases, :byHand, :backing, :pause, :blind) returning id""")
                .param("collection", collectionId).param("name", plan.name()).param("question", plan.question().id()).param("sequence", plan.order().id()).param("seed", plan.seed())
                .param("phrases", plan.phrases().toArray(String[]::new)).param("byHand", plan.byHand()).param("backing", plan.backing()).param("pause", plan.pause()).param("blind", plan.blind())
                .query(Long.class).single();
    }

    void insert(long roundId, RoundPlace place) {
        HeardSound rival = place.rival() == null ? new HeardSound(0, "", "", "", "") : place.rival();
        jdbc.sql("""
                insert into round_place values (:round, :place, :patch, :name, :category, :content, :sound, nullif(:rivalPatch, 0), :rivalName, :rivalContent, :rivalSound)
                on conflict (round_id, place) do update set content_hash = excluded.content_hash, sound_hash = excluded.sound_hash, name = excluded.name, category = excluded.category""")
                .param("round", roundId).param("place", place.place()).param("patch", place.heard().patchId()).param("name", place.heard().name()).param("category", place.heard().category())
                .param("content", place.heard().contentHash()).param("sound", place.heard().soundHash()).param("rivalPatch", rival.patchId()).param("rivalName", rival.name())
                .param("rivalContent", rival.contentHash()).param("rivalSound", rival.soundHash()).update();
    }

    Optional<RoundRow> find(long id) {
        return jdbc.sql(SELECT + "where r.id = :id").param("id", id).query(RoundStore::row).optional();
    }

    /** Rounds of a collection, the newest first. */
    List<RoundRow> all(long collectionId) {
        return jdbc.sql(SELECT + "where r.collection_id = :collection order by r.id desc").param("collection", collectionId).query(RoundStore::row).list();
    }

    List<RoundPlace> places(long roundId) {
        return jdbc.sql("select * from round_place where round_id = :round order by place").param("round", roundId).query(RoundStore::place).list();
    }

    Optional<RoundPlace> place(long roundId, int place) {
        return jdbc.sql("select * from round_place where round_id = :round and place = :place").param("round", roundId).param("place", place).query(RoundStore::place).optional();
    }

    void rename(long id, String name) {
        jdbc.sql("update round set name = :name where id = :id").param("name", name).param("id", id).update();
    }

    void delete(long id) {
        jdbc.sql("delete from round where id = :id").param("id", id).update();
    }

    private static RoundRow row(ResultSet rs, int n) throws SQLException {
        return new RoundRow(rs.getLong("id"), rs.getLong("collection_id"), rs.getString("name"), Question.find(rs.getString("question")), List.of((String[]) rs.getArray("phrases").getArray()),
                rs.getBoolean("by_hand"), rs.getString("backing"), rs.getDouble("pause"), rs.getBoolean("blind"), rs.getInt("places"), rs.getTimestamp("started_at").toInstant());
    }

    private static RoundPlace place(ResultSet rs, int n) throws SQLException {
        HeardSound heard = new HeardSound(rs.getLong("patch_id"), rs.getString("name"), rs.getString("category"), rs.getString("content_hash"), rs.getString("sound_hash"));
        String rival = rs.getString("rival_content_hash").strip();
        return new RoundPlace(rs.getInt("place"), heard,
                rival.isEmpty() ? null : new HeardSound(rs.getLong("rival_patch_id"), rs.getString("rival_name"), heard.category(), rival, rs.getString("rival_sound_hash")));
    }
}
