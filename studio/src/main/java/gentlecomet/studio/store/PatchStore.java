package gentlecomet.studio.store;

import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.sound.patch.Patch;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Patches in their slots, with the log of edits behind the working state and the saved revisions. */
@Repository
public class PatchStore {

    private static final String ROWS = """
            select p.id, p.bank_id, p.slot, p.cursor, p.version, e.content, e.content_hash, e.sound_hash, e.made_at,
                   coalesce(r.number, 0) as revision, coalesce(r.content_hash, '') as revision_hash
            from patch p
            join edit e on e.patch_id = p.id and e.number = p.cursor
            left join lateral (select number, content_hash from revision where patch_id = p.id order by number desc limit 1) r on true
            """;

    private final JdbcClient jdbc;

    public PatchStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * A patch in its working state.
     *
     * @param cursor      number of the edit that the working state comes from
     * @param version     goes up with every change; an edit names the version it was made on
     * @param revision    number of the latest saved revision, 0 when there is none
     * @param saved       whether the working state is the latest revision
     */
    public record PatchRow(long id, long bankId, int slot, int cursor, long version, Patch patch, String contentHash, String soundHash,
            int revision, boolean saved) {
        public String name() {
            return patch.name();
        }

        public String category() {
            return patch.naming().category();
        }
    }

    /** One step of the history. */
    public record EditRow(int number, String label, Instant madeAt, boolean current) {
    }

    /** A saved revision. */
    public record RevisionRow(long patchId, int number, Patch patch, String contentHash, String note, Instant savedAt) {
    }

    public List<PatchRow> inBank(long bankId) {
        return jdbc.sql(ROWS + " where p.bank_id = :bank order by p.slot").param("bank", bankId).query(PatchStore::row).list();
    }

    public Optional<PatchRow> find(long id) {
        return jdbc.sql(ROWS + " where p.id = :id").param("id", id).query(PatchStore::row).optional();
    }

    /** As {@link #find}, and no one else can change the patch until the transaction ends. */
    public Optional<PatchRow> findForUpdate(long id) {
        // The lock first, by a statement of its own: what it waited for is seen by the next one, and a join would be checked against the old state.
        return jdbc.sql("select id from patch where id = :id for update").param("id", id).query(Long.class).optional().flatMap(this::find);
    }

    /** A patch by its place alone. */
    public record NameRow(long id, int slot, String name) {
    }

    /** Every patch of a bank by its place, without its content. */
    public List<NameRow> names(long bankId) {
        return jdbc.sql("select p.id, p.slot, e.name from patch p join edit e on e.patch_id = p.id and e.number = p.cursor where p.bank_id = :bank order by p.slot")
                .param("bank", bankId).query((rs, n) -> new NameRow(rs.getLong("id"), rs.getInt("slot"), rs.getString("name"))).list();
    }

    /** Names of all other patches of the collection. */
    public List<String> otherNames(long collectionId, long patchId) {
        return jdbc.sql("""
                select e.name from patch p join edit e on e.patch_id = p.id and e.number = p.cursor
                join bank b on b.id = p.bank_id where b.collection_id = :collection and p.id <> :patch""")
                .param("collection", collectionId).param("patch", patchId).query(String.class).list();
    }

    /** Puts a new patch into a slot; its first state is edit 0. */
    public long insert(long bankId, int slot, Patch patch, String label) {
        long id = jdbc.sql("insert into patch (bank_id, slot) values (:bank, :slot) returning id")
                .param("bank", bankId).param("slot", slot).query(Long.class).single();
        insertEdit(id, 0, label, "", patch);
        return id;
    }

    public void delete(long id) {
        jdbc.sql("delete from patch where id = :id").param("id", id).update();
    }

    public void insertEdit(long id, int number, String label, String gesture, Patch patch) {
        jdbc.sql("delete from edit where patch_id = :id and number >= :number").param("id", id).param("number", number).update();
        jdbc.sql("""
                insert into edit (patch_id, number, label, gesture, content, name, category, content_hash, sound_hash)
                values (:id, :number, :label, :gesture, :content, :name, :category, :contentHash, :soundHash)""")
                .param("id", id).param("number", number).param("label", label.length() > 300 ? label.substring(0, 299) + "…" : label)
                .param("gesture", gesture).param("content", PatchFormat.write(patch)).param("name", patch.name())
                .param("category", patch.naming().category()).param("contentHash", Hashes.content(patch))
                .param("soundHash", Hashes.sound(patch)).update();
    }

    /** Gesture of an edit, empty when it had none. */
    public String gesture(long id, int number) {
        return jdbc.sql("select gesture from edit where patch_id = :id and number = :number").param("id", id).param("number", number)
                .query(String.class).optional().orElse("");
    }

    /** State before an edit, from which its words are told. */
    public Optional<Patch> stateAt(long id, int number) {
        return jdbc.sql("select content from edit where patch_id = :id and number = :number").param("id", id).param("number", number)
                .query(String.class).optional().map(content -> PatchFormat.read(content, "edit " + number));
    }

    public void moveCursor(long id, int cursor) {
        jdbc.sql("update patch set cursor = :cursor, version = version + 1 where id = :id").param("cursor", cursor).param("id", id).update();
    }

    /** Words of the edit at a number, empty when there is none. */
    public String label(long id, int number) {
        return jdbc.sql("select label from edit where patch_id = :id and number = :number").param("id", id).param("number", number)
                .query(String.class).optional().orElse("");
    }

    public List<EditRow> history(long id, int most) {
        return jdbc.sql("""
                select e.number, e.label, e.made_at, e.number = p.cursor as current
                from edit e join patch p on p.id = e.patch_id where e.patch_id = :id order by e.number desc limit :most""")
                .param("id", id).param("most", most).query((rs, n) -> new EditRow(rs.getInt("number"), rs.getString("label"),
                        rs.getTimestamp("made_at").toInstant(), rs.getBoolean("current"))).list();
    }

    /** Exchanges two slots of a bank, whether or not there are patches in them. */
    public void exchange(long bankId, int one, int other) {
        jdbc.sql("set constraints all deferred").update();
        jdbc.sql("update patch set slot = case slot when :one then :other else :one end where bank_id = :bank and slot in (:one, :other)")
                .param("one", one).param("other", other).param("bank", bankId).update();
    }

    public int insertRevision(PatchRow row, String note) {
        int number = row.revision() + 1;
        jdbc.sql("""
                insert into revision (patch_id, number, content, content_hash, sound_hash, note)
                values (:id, :number, :content, :contentHash, :soundHash, :note)""")
                .param("id", row.id()).param("number", number).param("content", PatchFormat.write(row.patch()))
                .param("contentHash", row.contentHash()).param("soundHash", row.soundHash()).param("note", note).update();
        return number;
    }

    public List<RevisionRow> revisions(long id) {
        return jdbc.sql("select * from revision where patch_id = :id order by number desc").param("id", id).query(PatchStore::revision).list();
    }

    public Optional<RevisionRow> revision(long id, int number) {
        return jdbc.sql("select * from revision where patch_id = :id and number = :number").param("id", id).param("number", number)
                .query(PatchStore::revision).optional();
    }

    /** The latest revision of every patch of a collection, in order of bank and slot. */
    public record ReleaseRow(int bankPosition, String bankName, int slot, RevisionRow revision) {
    }

    public List<ReleaseRow> latestRevisions(long collectionId) {
        return jdbc.sql("""
                select distinct on (b.position, p.slot) b.position, b.name as bank_name, p.slot, r.*
                from revision r join patch p on p.id = r.patch_id join bank b on b.id = p.bank_id
                where b.collection_id = :collection order by b.position, p.slot, r.number desc""")
                .param("collection", collectionId).query((rs, n) -> new ReleaseRow(rs.getInt("position"), rs.getString("bank_name"),
                        rs.getInt("slot"), revision(rs, n))).list();
    }

    private static RevisionRow revision(ResultSet rs, int n) throws SQLException {
        return new RevisionRow(rs.getLong("patch_id"), rs.getInt("number"), PatchFormat.read(rs.getString("content"), "revision"),
                rs.getString("content_hash"), rs.getString("note"), rs.getTimestamp("saved_at").toInstant());
    }

    private static PatchRow row(ResultSet rs, int n) throws SQLException {
        String hash = rs.getString("content_hash");
        return new PatchRow(rs.getLong("id"), rs.getLong("bank_id"), rs.getInt("slot"), rs.getInt("cursor"), rs.getLong("version"),
                PatchFormat.read(rs.getString("content"), "patch " + rs.getLong("id")), hash, rs.getString("sound_hash"),
                rs.getInt("revision"), hash.equals(rs.getString("revision_hash").strip()));
    }
}
