package gentlecomet.studio.release;

import gentlecomet.craft.format.PatchFormat;
import gentlecomet.studio.patch.ShippedPatch;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.util.Enumeration;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Releases and their archives. */
@Repository
class ReleaseStore {

    private static final String COLUMNS = "select id, collection_id, version, state, progress, report, archive_hash, patches, started_at, reason, "
            + "formats, sample_step, sample_layers, bytes, thinned from release ";
    private static final int CHUNK_BYTES = 4 << 20;

    private final JdbcClient jdbc;

    ReleaseStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Nobody else starts one of the same collection until the transaction ends. */
    void hold(long collectionId) {
        jdbc.sql("select id from collection where id = :id for update").param("id", collectionId).query(Long.class).optional();
    }

    long start(long collectionId, String version, String reason, ReleaseChoice choice) {
        return jdbc.sql("insert into release (collection_id, version, state, reason, formats, sample_step, sample_layers) values (:collection, :version, 'building', :reason, :formats, :step, :layers) returning id")
                .param("collection", collectionId).param("version", version).param("reason", reason).param("formats", choice.formats().toArray(String[]::new))
                .param("step", choice.keyStep()).param("layers", choice.layers()).query(Long.class).single();
    }

    /** Keeps what a release holds; doing it twice does no harm. */
    void keepPatches(long id, List<ShippedPatch> shipped) {
        for (ShippedPatch p : shipped) {
            jdbc.sql("""
                    insert into release_patch (release_id, patch_id, bank_position, bank_name, slot, revision, sound_hash, content)
                    values (:release, :patch, :position, :bank, :slot, :revision, :hash, cast(:content as json)) on conflict do nothing""")
                    .param("release", id).param("patch", p.id()).param("position", p.bankPosition()).param("bank", p.bankName()).param("slot", p.slot()).param("revision", p.revision())
                    .param("hash", p.soundHash()).param("content", PatchFormat.write(p.patch())).update();
        }
    }

    /** What a release held, by bank and slot; nothing of those that were built before this was kept. */
    List<ShippedPatch> patches(long id) {
        return jdbc.sql("select * from release_patch where release_id = :id order by bank_position, slot").param("id", id).query((rs, n) -> new ShippedPatch(rs.getLong("patch_id"),
                rs.getInt("bank_position"), rs.getString("bank_name"), rs.getInt("slot"), rs.getInt("revision"), rs.getString("sound_hash"), PatchFormat.read(rs.getString("content"), "release"))).list();
    }

    /** @return whether it is still being built; nobody has cancelled it */
    boolean progress(long id, double part) {
        return jdbc.sql("update release set progress = :part where id = :id and state = 'building'").param("part", part).param("id", id).update() == 1;
    }

    void finish(long id, boolean verified, String report, String hash, long bytes, int patches) {
        jdbc.sql("""
                update release set state = :state, progress = 1, report = :report, archive_hash = :hash, bytes = :bytes, patches = :patches
                where id = :id and state = 'building'""")
                .param("state", verified ? "verified" : "failed").param("report", report).param("hash", hash).param("bytes", bytes)
                .param("patches", patches).param("id", id).update();
    }

    /** Keeps an archive in pieces; one that is there already is written over. */
    void keep(long id, InputStream archive) throws IOException {
        forget(id);
        int number = 0;
        for (byte[] chunk = archive.readNBytes(CHUNK_BYTES); chunk.length > 0; chunk = archive.readNBytes(CHUNK_BYTES)) {
            jdbc.sql("insert into release_chunk (release_id, number, content) values (:id, :number, :content)").param("id", id).param("number", number++).param("content", chunk).update();
        }
    }

    /** An archive, read piece by piece. */
    InputStream archive(long id) {
        return new SequenceInputStream(new Enumeration<>() {
            private int number;
            private Optional<byte[]> next = chunk(id, 0);

            @Override
            public boolean hasMoreElements() {
                return next.isPresent();
            }

            @Override
            public InputStream nextElement() {
                InputStream piece = new ByteArrayInputStream(next.orElseThrow());
                next = chunk(id, ++number);
                return piece;
            }
        });
    }

    private Optional<byte[]> chunk(long id, int number) {
        return jdbc.sql("select content from release_chunk where release_id = :id and number = :number").param("id", id).param("number", number).query(byte[].class).optional();
    }

    private void forget(long id) {
        jdbc.sql("delete from release_chunk where release_id = :id").param("id", id).update();
    }

    /** Keeps the report and what was in it, and lets the archive go. */
    void thin(long id) {
        forget(id);
        jdbc.sql("update release set thinned = true where id = :id").param("id", id).update();
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

    private static ReleaseRow row(java.sql.ResultSet rs, int n) throws java.sql.SQLException {
        return new ReleaseRow(rs.getLong("id"), rs.getLong("collection_id"), rs.getString("version"), rs.getString("state"),
                rs.getDouble("progress"), rs.getString("report"), rs.getString("archive_hash"), rs.getInt("patches"),
                rs.getTimestamp("started_at").toInstant(), rs.getLong("bytes"), rs.getString("reason"), new ReleaseChoice(List.of((String[]) rs.getArray("formats").getArray()), rs.getInt("sample_step"), rs.getInt("sample_layers")), rs.getBoolean("thinned"));
    }
}
