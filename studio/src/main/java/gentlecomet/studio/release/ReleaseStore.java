package gentlecomet.studio.release;

import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.release.ReleaseBank;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.studio.patch.ShippedPatch;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Releases and their archives. */
@Repository
class ReleaseStore {

    private static final String COLUMNS = "select id, collection_id, version, state, progress, report, archive_hash, patches, started_at, reason, "
            + "choice, bytes, thinned from release ";
    private static final String SHIPPED = "select * from release_patch where release_id = :id order by bank_position, slot";
    private static final int CHUNK_BYTES = 4 << 20;

    private final JdbcClient jdbc;

    ReleaseStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Nobody else starts one of the same collection until the transaction ends. */
    void hold(long collectionId) {
        jdbc.sql("select id from collection where id = :id for update").param("id", collectionId).query(Long.class).optional();
    }

    /** What a collection was when a release of it was begun. */
    record Begun(String name, String author, String licence, String about, String contact, HouseRules rules) {
    }

    long start(long collectionId, String version, String reason, ReleaseChoice choice, Begun begun) {
        return jdbc.sql("""
                insert into release (collection_id, version, state, reason, choice, collection)
                values (:collection, :version, 'building', :reason, cast(:choice as jsonb), cast(:begun as jsonb)) returning id""")
                .param("collection", collectionId).param("version", version).param("reason", reason).param("choice", Json.compact(choice))
                .param("begun", Json.compact(begun)).query(Long.class).single();
    }

    Begun begun(long id) {
        return Json.read(jdbc.sql("select collection from release where id = :id").param("id", id).query(String.class).single(), Begun.class);
    }

    /** Keeps what a release holds; doing it twice does no harm. */
    void keepPatches(long id, List<ShippedPatch> shipped) {
        for (ShippedPatch p : shipped) {
            jdbc.sql("""
                    insert into release_patch (release_id, patch_id, bank_position, bank_name, bank_msb, bank_lsb, slot, revision, sound_hash, content)
                    values (:release, :patch, :position, :bank, :msb, :lsb, :slot, :revision, :hash, cast(:content as json)) on conflict do nothing""")
                    .param("release", id).param("patch", p.id()).param("position", p.bank().position()).param("bank", p.bank().name()).param("msb", p.bank().msb()).param("lsb", p.bank().lsb()).param("slot", p.slot()).param("revision", p.revision())
                    .param("hash", p.soundHash()).param("content", PatchFormat.write(p.patch())).update();
        }
    }

    /** What a release held, by bank and slot; nothing of those that were built before this was kept. */
    List<ShippedPatch> patches(long id) {
        return jdbc.sql(SHIPPED).param("id", id).query(ReleaseStore::shipped).list();
    }

    /** One of them. @param place from 0, in their order */
    Optional<ShippedPatch> patch(long id, int place) {
        return jdbc.sql(SHIPPED + " offset :place limit 1").param("id", id).param("place", place).query(ReleaseStore::shipped).optional();
    }

    int patchCount(long id) {
        return jdbc.sql("select count(*) from release_patch where release_id = :id").param("id", id).query(Integer.class).single();
    }

    private static ShippedPatch shipped(ResultSet rs, int n) throws SQLException {
        return new ShippedPatch(rs.getLong("patch_id"), new ReleaseBank(rs.getInt("bank_position"), rs.getString("bank_name"), rs.getInt("bank_msb"), rs.getInt("bank_lsb")), rs.getInt("slot"),
                rs.getInt("revision"), rs.getString("sound_hash"), PatchFormat.read(rs.getString("content"), "release"));
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

    /** Keeps the report and what was in it, and lets the archive go. */
    void thin(long id) {
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

    private static ReleaseRow row(ResultSet rs, int n) throws SQLException {
        return new ReleaseRow(rs.getLong("id"), rs.getLong("collection_id"), rs.getString("version"), rs.getString("state"),
                rs.getDouble("progress"), rs.getString("report"), rs.getString("archive_hash"), rs.getInt("patches"),
                rs.getTimestamp("started_at").toInstant(), rs.getLong("bytes"), rs.getString("reason"), 
                Json.read(rs.getString("choice"), ReleaseChoice.class), rs.getBoolean("thinned"));
    }
}
