package gentlecomet.studio.bank.intake;

import gentlecomet.studio.work.Pieces;
import java.io.IOException;
import java.io.InputStream;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Archives that were brought. */
@Repository
class IntakeStore {

    private final JdbcClient jdbc;

    IntakeStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Transactional
    public long keep(String name, int patches, InputStream archive) throws IOException {
        long id = jdbc.sql("insert into intake (name, total) values (:name, :total) returning id").param("name", name).param("total", patches).query(Long.class).single();
        Pieces.cut(archive, (number, piece) -> jdbc.sql("insert into intake_piece (intake_id, number, content) values (:id, :number, :content)").param("id", id)
                .param("number", number).param("content", piece).update());
        return id;
    }

    InputStream archive(long id) {
        return Pieces.joined(number -> jdbc.sql("select content from intake_piece where intake_id = :id and number = :number").param("id", id).param("number", number)
                .query(byte[].class).optional());
    }

    Optional<IntakeRow> find(long id) {
        return jdbc.sql("select * from intake where id = :id").param("id", id).query((rs, n) -> new IntakeRow(rs.getLong("id"), rs.getString("name"), rs.getString("state"), rs.getLong("into_id"),
                IntakeRow.Changed.valueOf(rs.getString("changed")), rs.getInt("done"), rs.getInt("total"), rs.getString("result"), rs.getLong("collection_id"))).optional();
    }

    /** @return whether it waited for that */
    boolean begin(long id, long into, IntakeRow.Changed changed) {
        return jdbc.sql("update intake set state = 'taking', into_id = :into, changed = :changed where id = :id and state = 'looked'").param("id", id).param("into", into)
                .param("changed", changed.name()).update() == 1;
    }

    /** Seen by everybody at once, whatever comes of the taking. */
    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public void progress(long id, int done) {
        jdbc.sql("update intake set done = :done where id = :id").param("id", id).param("done", done).update();
    }

    void finish(long id, long collection, String result) {
        jdbc.sql("update intake set state = 'taken', collection_id = :collection, result = :result, done = total where id = :id").param("id", id).param("collection", collection)
                .param("result", result).update();
        forget(id);
    }

    void fail(long id, String reason) {
        jdbc.sql("update intake set state = 'failed', result = :reason where id = :id and state = 'taking'").param("id", id).param("reason", reason).update();
        forget(id);
    }

    private void forget(long id) {
        jdbc.sql("delete from intake_piece where intake_id = :id").param("id", id).update();
    }

    /** Archives that were looked at and left, and what is told of the others. */
    void purge() {
        jdbc.sql("delete from intake where brought_at < now() - interval '1 day' and state <> 'taking'").update();
    }
}
