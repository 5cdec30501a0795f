package gentlecomet.studio.release;

import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Releases and their archives. */
@Repository
class ReleaseStore {

    private static final String COLUMNS = "select id, collection_id, version, state, progress, report, archive_hash, patches, started_at, "
            + "coalesce(length(archive), 0) as bytes from release ";

    private final JdbcClient jdbc;

    ReleaseStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    long start(long collectionId, String version) {
        return jdbc.sql("insert into release (collection_id, version, state) values (:collection, :version, 'building') returning id")
                .param("collection", collectionId).param("version", version).query(Long.class).single();
    }

    void progress(long id, double part) {
        jdbc.sql("update release set progress = :part where id = :id").param("part", part).param("id", id).update();
    }

    void finish(long id, boolean verified, String report, String hash, byte[] archive, int patches) {
        jdbc.sql("""
                update release set state = :state, progress = 1, report = :report, archive_hash = :hash, archive = :archive, patches = :patches
                where id = :id""")
                .param("state", verified ? "verified" : "failed").param("report", report).param("hash", hash).param("archive", archive)
                .param("patches", patches).param("id", id).update();
    }

    List<ReleaseRow> of(long collectionId) {
        return jdbc.sql(COLUMNS + "where collection_id = :collection order by id desc").param("collection", collectionId)
                .query(ReleaseStore::row).list();
    }

    /** The newest releases of a collection. */
    List<ReleaseRow> latest(long collectionId, int most) {
        return jdbc.sql(COLUMNS + "where collection_id = :collection order by id desc limit :most").param("collection", collectionId).param("most", most)
                .query(ReleaseStore::row).list();
    }

    Optional<ReleaseRow> find(long id) {
        return jdbc.sql(COLUMNS + "where id = :id").param("id", id).query(ReleaseStore::row).optional();
    }

    Optional<byte[]> archive(long id) {
        return jdbc.sql("select archive from release where id = :id and state = 'verified'").param("id", id).query(byte[].class).optional();
    }

    private static ReleaseRow row(java.sql.ResultSet rs, int n) throws java.sql.SQLException {
        return new ReleaseRow(rs.getLong("id"), rs.getLong("collection_id"), rs.getString("version"), rs.getString("state"),
                rs.getDouble("progress"), rs.getString("report"), rs.getString("archive_hash"), rs.getInt("patches"),
                rs.getTimestamp("started_at").toInstant(), rs.getLong("bytes"));
    }
}
