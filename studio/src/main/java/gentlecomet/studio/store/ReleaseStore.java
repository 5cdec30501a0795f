package gentlecomet.studio.store;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Releases and their archives. */
@Repository
public class ReleaseStore {

    private static final String COLUMNS = "select id, collection_id, version, state, progress, report, archive_hash, patches, started_at, "
            + "coalesce(length(archive), 0) as bytes from release ";

    private final JdbcClient jdbc;

    public ReleaseStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * A release without its archive.
     *
     * @param state    building, verified or failed
     * @param progress 0 to 1 while it is building
     */
    public record ReleaseRow(long id, long collectionId, String version, String state, double progress, String report, String archiveHash,
            int patches, Instant startedAt, long bytes) {
        public List<String> reportLines() {
            return report.isEmpty() ? List.of() : List.of(report.split("\n"));
        }
    }

    public long start(long collectionId, String version) {
        return jdbc.sql("insert into release (collection_id, version, state) values (:collection, :version, 'building') returning id")
                .param("collection", collectionId).param("version", version).query(Long.class).single();
    }

    public void progress(long id, double part) {
        jdbc.sql("update release set progress = :part where id = :id").param("part", part).param("id", id).update();
    }

    public void finish(long id, boolean verified, String report, String hash, byte[] archive, int patches) {
        jdbc.sql("""
                update release set state = :state, progress = 1, report = :report, archive_hash = :hash, archive = :archive, patches = :patches
                where id = :id""")
                .param("state", verified ? "verified" : "failed").param("report", report).param("hash", hash).param("archive", archive)
                .param("patches", patches).param("id", id).update();
    }

    public List<ReleaseRow> of(long collectionId) {
        return jdbc.sql(COLUMNS + "where collection_id = :collection order by id desc").param("collection", collectionId)
                .query(ReleaseStore::row).list();
    }

    public Optional<ReleaseRow> find(long id) {
        return jdbc.sql(COLUMNS + "where id = :id").param("id", id).query(ReleaseStore::row).optional();
    }

    public Optional<byte[]> archive(long id) {
        return jdbc.sql("select archive from release where id = :id and state = 'verified'").param("id", id).query(byte[].class).optional();
    }

    private static ReleaseRow row(java.sql.ResultSet rs, int n) throws java.sql.SQLException {
        return new ReleaseRow(rs.getLong("id"), rs.getLong("collection_id"), rs.getString("version"), rs.getString("state"),
                rs.getDouble("progress"), rs.getString("report"), rs.getString("archive_hash"), rs.getInt("patches"),
                rs.getTimestamp("started_at").toInstant(), rs.getLong("bytes"));
    }
}
