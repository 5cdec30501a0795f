package gentlecomet.studio.patch;

import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.release.ReleaseBank;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.pattern.Patterns;
import java.nio.charset.StandardCharsets;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Patches in their slots, with the log of edits behind the working state and the saved revisions. */
@Repository
class PatchStore {

    private static final int LONGEST_LABEL = 300;
    private static final String COLUMNS = """
            select p.id, p.bank_id, p.slot, p.cursor, p.version, e.name, e.category, e.tags, e.author,
                   e.content_hash, e.sound_hash, e.pattern,
                   coalesce(r.number, 0) as revision, coalesce(r.content_hash, '') as revision_hash""";
    /** A patch in the trash has no bank, and is not found. */
    private static final String TABLES = """

            from patch p
            join edit e on e.patch_id = p.id and e.number = p.cursor
            left join lateral (select number, content_hash from revision where patch_id = p.id order by number desc limit 1) r on true
            """;

    private final JdbcClient jdbc;

    PatchStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    List<PatchSummary> inBank(long bankId) {
        return jdbc.sql(COLUMNS + TABLES + "where p.bank_id = :bank order by p.slot").param("bank", bankId).query(PatchStore::summary).list();
    }

    List<PatchSummary> inCollection(long collectionId) {
        return jdbc.sql(COLUMNS + TABLES + "join bank b on b.id = p.bank_id where b.collection_id = :collection order by b.position, p.slot")
                .param("collection", collectionId).query(PatchStore::summary).list();
    }

    /**
     * Patches of all collections but one.
     *
     * @param words with each of which a word of the name, a tag or the author begins
     */
    List<FoundPatch> elsewhere(long collectionId, List<String> words, int most) {
        String[] patterns = words.stream().map(w -> "% " + w.toLowerCase(Locale.ROOT).replaceAll("([\\\\%_])", "\\\\$1") + "%").toArray(String[]::new);
        return jdbc.sql("""
                select p.id, p.slot, e.name, e.tags, c.name as collection
                from patch p join edit e on e.patch_id = p.id and e.number = p.cursor join bank b on b.id = p.bank_id join collection c on c.id = b.collection_id
                where c.id <> :collection and c.trashed_at is null
                  and ' ' || lower(e.name) || ' ' || lower(array_to_string(e.tags, ' ')) || ' ' || lower(e.author) like all (:patterns)
                order by lower(e.name), p.id limit :most""").param("collection", collectionId).param("patterns", patterns).param("most", most)
                .query((rs, n) -> new FoundPatch(rs.getLong("id"), rs.getInt("slot"), rs.getString("name"), List.of((String[]) rs.getArray("tags").getArray()), rs.getString("collection"))).list();
    }

    Optional<PatchSummary> summary(long id) {
        return jdbc.sql(COLUMNS + TABLES + "where p.id = :id and p.bank_id is not null").param("id", id).query(PatchStore::summary).optional();
    }

    Optional<PatchRow> find(long id) {
        return jdbc.sql(COLUMNS + ", e.content" + TABLES + "where p.id = :id and p.bank_id is not null").param("id", id).query(PatchStore::row).optional();
    }

    /** As {@link #find}, and no one else can change the patch until the transaction ends. */
    Optional<PatchRow> findForUpdate(long id) {
        // The lock first, by a statement of its own: what it waited for is seen by the next one, and a join would be checked against the old state.
        return jdbc.sql("select id from patch where id = :id for update").param("id", id).query(Long.class).optional().flatMap(this::find);
    }

    /** The working states of patches wherever they are, in the trash too; nobody else can change them until the transaction ends. */
    Map<Long, Patches.State> hold(Collection<Long> ids) {
        Long[] wanted = ids.toArray(Long[]::new);
        jdbc.sql("select id from patch where id = any(:ids) order by id for update").param("ids", wanted).query(Long.class).list();
        Map<Long, Patches.State> states = new HashMap<>();
        jdbc.sql("""
                select p.id, p.version, p.cursor, p.bank_id, p.slot, e.name, e.content_hash from patch p join edit e on e.patch_id = p.id and e.number = p.cursor
                where p.id = any(:ids)""").param("ids", wanted).query(rs -> {
                    long bank = rs.getLong("bank_id");
                    states.put(rs.getLong("id"), new Patches.State(rs.getString("name"), rs.getLong("version"), bank == 0 ? null : new Placement(bank, rs.getInt("slot")),
                            rs.getInt("cursor"), rs.getString("content_hash")));
                });
        return states;
    }

    /** Hash of the state that an edit led to, empty when there is none. */
    String hashAt(long id, int number) {
        return jdbc.sql("select content_hash from edit where patch_id = :id and number = :number").param("id", id).param("number", number)
                .query(String.class).optional().orElse("");
    }

    /** The level trims of a bank's patches in dB. */
    List<PatchTrim> trims(long bankId) {
        return jdbc.sql("select p.id, e.level_trim from patch p join edit e on e.patch_id = p.id and e.number = p.cursor where p.bank_id = :bank")
                .param("bank", bankId).query((rs, n) -> new PatchTrim(rs.getLong("id"), rs.getDouble("level_trim"))).list();
    }

    /** Playing notes of a collection's patches that have any, by patch. */
    Map<Long, String> notes(long collectionId) {
        Map<Long, String> notes = new HashMap<>();
        jdbc.sql("""
                select p.id, e.notes from patch p join edit e on e.patch_id = p.id and e.number = p.cursor join bank b on b.id = p.bank_id
                where b.collection_id = :collection and e.notes <> ''""").param("collection", collectionId).query(rs -> {
                    notes.put(rs.getLong("id"), rs.getString("notes"));
                });
        return notes;
    }

    /** Patches of a collection whose first kept step is not older than some days. */
    int madeWithin(long collectionId, int days) {
        return jdbc.sql("""
                select count(*) from patch p join bank b on b.id = p.bank_id where b.collection_id = :collection and exists
                (select 1 from edit e where e.patch_id = p.id and e.number = 0 and e.made_at > now() - make_interval(days => :days))""")
                .param("collection", collectionId).param("days", days).query(Integer.class).single();
    }

    /** Taken slots of a bank, from the lowest. */
    List<Integer> slots(long bankId) {
        return jdbc.sql("select slot from patch where bank_id = :bank order by slot").param("bank", bankId).query(Integer.class).list();
    }

    /** Names of all patches of a collection. */
    List<String> names(long collectionId) {
        return jdbc.sql("""
                select e.name from patch p join edit e on e.patch_id = p.id and e.number = p.cursor
                join bank b on b.id = p.bank_id where b.collection_id = :collection""").param("collection", collectionId).query(String.class).list();
    }

    /** Names of the other patches of a collection that are as good as the same: equal but for capitals and spaces. */
    List<String> namesLike(long collectionId, long patchId, String name) {
        return jdbc.sql("""
                select e.name from edit e join patch p on p.id = e.patch_id and p.cursor = e.number join bank b on b.id = p.bank_id
                where e.name_key = :key and b.collection_id = :collection and p.id <> :patch""")
                .param("key", NameRules.key(name)).param("collection", collectionId).param("patch", patchId).query(String.class).list();
    }

    /** Puts a new patch into a slot; its first state is edit 0. */
    long insert(long bankId, int slot, Patch patch, String label) {
        long id = jdbc.sql("insert into patch (bank_id, slot) values (:bank, :slot) returning id")
                .param("bank", bankId).param("slot", slot).query(Long.class).single();
        jdbc.sql("update bank set arrangement = arrangement + 1 where id = :bank").param("bank", bankId).update();
        insertEdit(id, 0, label, "", patch);
        return id;
    }

    /** Writes an edit over what was at its number and after it. */
    void insertEdit(long id, int number, String label, String gesture, Patch patch) {
        jdbc.sql("delete from edit where patch_id = :id and number >= :number").param("id", id).param("number", number).update();
        String content = PatchFormat.write(patch);
        jdbc.sql("""
                insert into edit (patch_id, number, label, gesture, content, name, name_key, category, tags, author, notes, level_trim, pattern, content_hash, sound_hash)
                values (:id, :number, :label, :gesture, :content, :name, :nameKey, :category, :tags, :author, :notes, :trim, :pattern, :contentHash, :soundHash)""")
                .param("id", id).param("number", number).param("label", label.length() > LONGEST_LABEL ? label.substring(0, LONGEST_LABEL - 1) + "…" : label)
                .param("gesture", gesture).param("content", content).param("name", patch.name()).param("nameKey", NameRules.key(patch.name()))
                .param("category", patch.naming().category()).param("tags", patch.naming().tags().toArray(String[]::new)).param("author", patch.naming().author())
                .param("notes", patch.naming().notes()).param("trim", patch.value(PatchParameters.LEVEL_TRIM)).param("pattern", Patterns.words(patch)).param("contentHash", Hashes.of(content.getBytes(StandardCharsets.UTF_8)))
                .param("soundHash", Hashes.sound(patch)).update();
    }

    /** Forgets edits before a number. */
    void prune(long id, int before) {
        jdbc.sql("delete from edit where patch_id = :id and number < :before").param("id", id).param("before", before).update();
    }

    /** Gesture of an edit, empty when it had none. */
    String gesture(long id, int number) {
        return jdbc.sql("select gesture from edit where patch_id = :id and number = :number").param("id", id).param("number", number)
                .query(String.class).optional().orElse("");
    }

    /** The state that an edit led to, from which the words of a later one are told. */
    Optional<Patch> stateAt(long id, int number) {
        return jdbc.sql("select content from edit where patch_id = :id and number = :number").param("id", id).param("number", number)
                .query(String.class).optional().map(content -> PatchFormat.read(content, "edit " + number));
    }

    void moveCursor(long id, int cursor) {
        jdbc.sql("update patch set cursor = :cursor, version = version + 1 where id = :id").param("cursor", cursor).param("id", id).update();
    }

    /** Words of the edit at a number, empty when there is none. */
    String label(long id, int number) {
        return jdbc.sql("select label from edit where patch_id = :id and number = :number").param("id", id).param("number", number)
                .query(String.class).optional().orElse("");
    }

    /** Words of the edits in a range of numbers, by number. */
    Map<Integer, String> labels(long id, int from, int to) {
        Map<Integer, String> labels = new HashMap<>();
        jdbc.sql("select number, label from edit where patch_id = :id and number between :from and :to").param("id", id).param("from", from).param("to", to)
                .query(rs -> {
                    labels.put(rs.getInt("number"), rs.getString("label"));
                });
        return labels;
    }

    List<EditRow> history(long id, int most) {
        return jdbc.sql("""
                select e.number, e.label, e.made_at, e.number = p.cursor as current
                from edit e join patch p on p.id = e.patch_id where e.patch_id = :id order by e.number desc limit :most""")
                .param("id", id).param("most", most).query((rs, n) -> new EditRow(rs.getInt("number"), rs.getString("label"),
                        rs.getTimestamp("made_at").toInstant(), rs.getBoolean("current"))).list();
    }

    void insertRevision(PatchRow row, int number, String note) {
        jdbc.sql("""
                insert into revision (patch_id, number, content, content_hash, sound_hash, note)
                values (:id, :number, :content, :contentHash, :soundHash, :note)""")
                .param("id", row.id()).param("number", number).param("content", PatchFormat.write(row.patch()))
                .param("contentHash", row.contentHash()).param("soundHash", row.soundHash()).param("note", note).update();
    }

    List<RevisionRow> revisions(long id) {
        return jdbc.sql("select patch_id, number, content_hash, note, saved_at from revision where patch_id = :id order by number desc").param("id", id)
                .query((rs, n) -> new RevisionRow(rs.getLong("patch_id"), rs.getInt("number"), rs.getString("content_hash"), rs.getString("note"),
                        rs.getTimestamp("saved_at").toInstant())).list();
    }

    Optional<Patch> revision(long id, int number) {
        return jdbc.sql("select content from revision where patch_id = :id and number = :number").param("id", id).param("number", number)
                .query(String.class).optional().map(content -> PatchFormat.read(content, "revision " + number));
    }

    boolean anyRevision(long collectionId) {
        return jdbc.sql("""
                select exists (select 1 from revision r join patch p on p.id = r.patch_id join bank b on b.id = p.bank_id
                where b.collection_id = :collection)""").param("collection", collectionId).query(Boolean.class).single();
    }

    /** The latest revision of every patch of a collection, in order of bank and slot. */
    List<ShippedPatch> latestRevisions(long collectionId) {
        return jdbc.sql("""
                select distinct on (b.position, p.slot) p.id, b.position, b.name as bank_name, b.msb, b.lsb, p.slot, r.number, r.sound_hash, r.content
                from revision r join patch p on p.id = r.patch_id join bank b on b.id = p.bank_id
                where b.collection_id = :collection order by b.position, p.slot, r.number desc""")
                .param("collection", collectionId).query((rs, n) -> new ShippedPatch(rs.getLong("id"), new ReleaseBank(rs.getInt("position"), rs.getString("bank_name"), rs.getInt("msb"), rs.getInt("lsb")), rs.getInt("slot"),
                        rs.getInt("number"), rs.getString("sound_hash"), PatchFormat.read(rs.getString("content"), "revision " + rs.getInt("number")))).list();
    }

    private static boolean saved(ResultSet rs) throws SQLException {
        return rs.getString("content_hash").equals(rs.getString("revision_hash").strip());
    }

    private static PatchSummary summary(ResultSet rs, int n) throws SQLException {
        return new PatchSummary(rs.getLong("id"), rs.getLong("bank_id"), rs.getInt("slot"), rs.getLong("version"), rs.getString("name"), rs.getString("category"),
                List.of((String[]) rs.getArray("tags").getArray()), rs.getString("author"), rs.getString("content_hash"), rs.getString("sound_hash"), rs.getInt("revision"), saved(rs), rs.getString("pattern"));
    }

    private static PatchRow row(ResultSet rs, int n) throws SQLException {
        return new PatchRow(rs.getLong("id"), rs.getLong("bank_id"), rs.getInt("slot"), rs.getInt("cursor"), rs.getLong("version"),
                PatchFormat.read(rs.getString("content"), "patch " + rs.getLong("id")), rs.getString("content_hash"), rs.getString("sound_hash"),
                rs.getInt("revision"), saved(rs));
    }
}
