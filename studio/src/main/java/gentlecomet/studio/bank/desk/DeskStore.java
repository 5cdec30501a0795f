package gentlecomet.studio.bank.desk;

import gentlecomet.craft.format.Json;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The history of the desk. */
@Repository
class DeskStore {

    private static final int LONGEST_LABEL = 300;
    private static final String COLUMNS = "select id, label, patches, taken_back, made_at from desk_step ";

    private final JdbcClient jdbc;

    DeskStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    long insert(long collectionId, String label, List<DeskChange> changes) {
        return jdbc.sql("insert into desk_step (collection_id, label, changes, patches) values (:collection, :label, cast(:changes as jsonb), :patches) returning id")
                .param("collection", collectionId).param("label", label.length() > LONGEST_LABEL ? label.substring(0, LONGEST_LABEL - 1) + "…" : label)
                .param("changes", Json.compact(changes)).param("patches", changes.size()).query(Long.class).single();
    }

    /** The newest steps first. */
    List<DeskStep> steps(long collectionId, int most) {
        return jdbc.sql(COLUMNS + "where collection_id = :collection order by id desc limit :most").param("collection", collectionId).param("most", most)
                .query(DeskStore::step).list();
    }

    Optional<DeskStep> find(long collectionId, long id) {
        return jdbc.sql(COLUMNS + "where collection_id = :collection and id = :id").param("collection", collectionId).param("id", id).query(DeskStore::step).optional();
    }

    /** The newest step that stands. */
    Optional<DeskStep> newest(long collectionId) {
        return jdbc.sql(COLUMNS + "where collection_id = :collection and not taken_back order by id desc limit 1").param("collection", collectionId).query(DeskStore::step).optional();
    }

    /** The first of the steps that were taken back after all that stand. */
    Optional<DeskStep> firstTakenBack(long collectionId) {
        return jdbc.sql(COLUMNS + """
                where collection_id = :collection and id > coalesce((select max(id) from desk_step where collection_id = :collection and not taken_back), 0)
                order by id limit 1""").param("collection", collectionId).query(DeskStore::step).optional();
    }

    private static DeskStep step(ResultSet rs, int n) throws SQLException {
        return new DeskStep(rs.getLong("id"), rs.getString("label"), rs.getInt("patches"), rs.getBoolean("taken_back"), rs.getTimestamp("made_at").toInstant());
    }

    /** What a step of a collection did, and nobody else can take it back until the transaction ends. */
    Optional<List<DeskChange>> changes(long collectionId, long id, boolean takenBack) {
        return jdbc.sql("select changes from desk_step where id = :id and collection_id = :collection and taken_back = :takenBack for update").param("id", id)
                .param("collection", collectionId).param("takenBack", takenBack).query(String.class).optional().map(text -> List.of(Json.read(text, DeskChange[].class)));
    }

    void update(long id, List<DeskChange> changes, boolean takenBack) {
        jdbc.sql("update desk_step set changes = cast(:changes as jsonb), taken_back = :takenBack where id = :id")
                .param("changes", Json.compact(changes)).param("takenBack", takenBack).param("id", id).update();
    }

    /** Forgets all but the newest steps. */
    void prune(long collectionId, int kept) {
        jdbc.sql("delete from desk_step where id <= (select id from desk_step where collection_id = :collection order by id desc offset :kept limit 1) and collection_id = :collection")
                .param("collection", collectionId).param("kept", kept).update();
    }
}
