package gentlecomet.studio.release;

import gentlecomet.studio.work.Pieces;
import java.io.IOException;
import java.io.InputStream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The bytes of releases, in pieces so that neither side has to hold a whole one in memory: finished archives, and parts of patches while a release is being built. */
@Repository
class ReleasePieceStore {

    private final JdbcClient jdbc;

    ReleasePieceStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Keeps an archive; one that is there already is written over. */
    @Transactional
    public void keep(long id, InputStream archive) throws IOException {
        forget(id);
        Pieces.cut(archive, (number, piece) -> jdbc.sql("insert into release_chunk (release_id, number, content) values (:id, :number, :content)").param("id", id)
                .param("number", number).param("content", piece).update());
    }

    /** An archive, read piece by piece. */
    InputStream archive(long id) {
        return Pieces.joined(number -> jdbc.sql("select content from release_chunk where release_id = :id and number = :number").param("id", id).param("number", number)
                .query(byte[].class).optional());
    }

    void forget(long id) {
        jdbc.sql("delete from release_chunk where release_id = :id").param("id", id).update();
    }

    /** Keeps the part of one patch, unless it is there or nobody waits for it any more. @param place of the patch in the release */
    @Transactional
    public void keepPart(long id, int place, InputStream part) throws IOException {
        boolean building = jdbc.sql("select state = 'building' from release where id = :id for share").param("id", id).query(Boolean.class).optional().orElse(false);
        if (!building || hasPart(id, place)) {
            return;
        }
        Pieces.cut(part, (number, piece) -> jdbc.sql("insert into release_part (release_id, place, number, content) values (:id, :place, :number, :content)").param("id", id)
                .param("place", place).param("number", number).param("content", piece).update());
    }

    boolean hasPart(long id, int place) {
        return jdbc.sql("select exists (select 1 from release_part where release_id = :id and place = :place and number = 0)").param("id", id).param("place", place)
                .query(Boolean.class).single();
    }

    /** Of how many patches the parts are there. */
    int parts(long id) {
        return jdbc.sql("select count(*) from release_part where release_id = :id and number = 0").param("id", id).query(Integer.class).single();
    }

    /** The part of one patch, or null. */
    InputStream part(long id, int place) {
        return !hasPart(id, place) ? null : Pieces.joined(number -> jdbc.sql("select content from release_part where release_id = :id and place = :place and number = :number")
                .param("id", id).param("place", place).param("number", number).query(byte[].class).optional());
    }

    void forgetParts(long id) {
        jdbc.sql("delete from release_part where release_id = :id").param("id", id).update();
    }
}
