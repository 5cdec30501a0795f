package gentlecomet.studio.collection;

import gentlecomet.craft.format.Json;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.studio.page.Directory;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Collections and their banks. */
@Repository
class CollectionStore {

    private static final String BANKS = """
            select b.id, b.collection_id, b.position, b.name, b.msb, b.lsb, (select count(*) from patch p where p.bank_id = b.id) as patches,
                   coalesce((select p.id from patch p where p.bank_id = b.id order by p.slot limit 1), 0) as first_patch from bank b""";

    private static final int KEPT_RULES = 100;

    private final JdbcClient jdbc;

    CollectionStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    List<Directory.Entry> names() {
        return jdbc.sql("select id, name from collection where trashed_at is null and not archived order by id").query((rs, n) -> new Directory.Entry(rs.getLong("id"), rs.getString("name"))).list();
    }

    /** The names of all banks of the collections in use, by the name of their collection. */
    Map<String, List<Directory.Entry>> bankNames() {
        Map<String, List<Directory.Entry>> names = new LinkedHashMap<>();
        jdbc.sql("""
                select c.name as collection, b.id, b.name from bank b join collection c on c.id = b.collection_id
                where c.trashed_at is null and not c.archived order by c.id, b.position""").query(rs -> {
                    names.computeIfAbsent(rs.getString("collection"), name -> new ArrayList<>()).add(new Directory.Entry(rs.getLong("id"), rs.getString("name")));
                });
        return names;
    }

    boolean exists(long id) {
        return jdbc.sql("select exists (select 1 from collection where id = :id and trashed_at is null)").param("id", id).query(Boolean.class).single();
    }

    /** The collection in which a patch was changed last; the newest one where none has a patch. */
    Optional<Long> workedOnLast() {
        return jdbc.sql("""
                select c.id from collection c left join bank b on b.collection_id = c.id left join patch p on p.bank_id = b.id
                left join edit e on e.patch_id = p.id and e.number = p.cursor
                where c.trashed_at is null group by c.id order by max(e.made_at) desc nulls last, c.id desc limit 1""").query(Long.class).optional();
    }

    Optional<CollectionRow> find(long id) {
        return jdbc.sql("select * from collection where id = :id").param("id", id).query(CollectionStore::collectionRow).optional();
    }

    Optional<CollectionRow> ofBank(long bankId) {
        return jdbc.sql("select c.* from collection c join bank b on b.collection_id = c.id where b.id = :bank").param("bank", bankId)
                .query(CollectionStore::collectionRow).optional();
    }

    long insert(CollectionDetails details, HouseRules rules) {
        long id = jdbc.sql("insert into collection (name, house_rules) values (:name, cast(:rules as jsonb)) returning id")
                .param("name", details.name()).param("rules", Json.write(rules)).query(Long.class).single();
        update(id, details);
        return id;
    }

    void update(long id, CollectionDetails details) {
        jdbc.sql("""
                update collection set name = :name, author = :author, licence = :licence, version = :version, description = :description, contact = :contact
                where id = :id""").param("name", details.name()).param("author", details.author()).param("licence", details.licence()).param("version", details.version())
                .param("description", details.description()).param("contact", details.contact()).param("id", id).update();
    }

    void archive(long id, boolean archived) {
        jdbc.sql("update collection set archived = :archived where id = :id").param("archived", archived).param("id", id).update();
    }

    void trash(long id, boolean trashed) {
        jdbc.sql("update collection set trashed_at = case when :trashed then now() end where id = :id").param("trashed", trashed).param("id", id).update();
    }

    /** Deletes for ever the collections that have been in the trash for longer. */
    void purge(int days) {
        jdbc.sql("delete from collection where trashed_at < now() - make_interval(days => :days)").param("days", days).update();
    }

    /** Every collection with its counts, those that were worked on last first. */
    List<CollectionCard> cards() {
        return jdbc.sql("""
                select c.id, c.name, c.author, c.archived, c.trashed_at, count(distinct b.id) as banks, count(p.id) as patches, max(e.made_at) as touched, min(b.id) as first_bank, c.created_at
                from collection c left join bank b on b.collection_id = c.id left join patch p on p.bank_id = b.id left join edit e on e.patch_id = p.id and e.number = p.cursor
                group by c.id order by coalesce(max(e.made_at), c.created_at) desc, c.id desc""").query((rs, n) -> new CollectionCard(rs.getLong("id"), rs.getString("name"), rs.getString("author"),
                        rs.getBoolean("archived"), instant(rs, "trashed_at"), rs.getInt("banks"), rs.getInt("patches"), instant(rs, "touched"), rs.getLong("first_bank"))).list();
    }

    private static Instant instant(ResultSet rs, String column) throws SQLException {
        Timestamp at = rs.getTimestamp(column);
        return at == null ? null : at.toInstant();
    }

    void renameBank(long id, String name, int msb, int lsb) {
        jdbc.sql("update bank set name = :name, msb = :msb, lsb = :lsb where id = :id").param("name", name).param("msb", msb).param("lsb", lsb).param("id", id).update();
    }

    /** Puts the banks of a collection into a new order. */
    void orderBanks(List<Long> order) {
        jdbc.sql("set constraints bank_position deferred").update();
        for (int i = 0; i < order.size(); i++) {
            jdbc.sql("update bank set position = :position where id = :id").param("position", i).param("id", order.get(i)).update();
        }
    }

    void deleteBank(long id) {
        jdbc.sql("delete from bank where id = :id").param("id", id).update();
    }

    void updateRules(long id, HouseRules rules) {
        jdbc.sql("update collection set house_rules = cast(:rules as jsonb) where id = :id")
                .param("rules", Json.write(rules)).param("id", id).update();
    }

    /** Keeps the present rules before they change. @param label what changes them */
    void keepRules(long id, String label) {
        jdbc.sql("insert into house_rules_before (collection_id, rules, label) select id, house_rules, :label from collection where id = :id").param("label", label).param("id", id).update();
        jdbc.sql("""
                delete from house_rules_before where collection_id = :id and id <=
                (select id from house_rules_before where collection_id = :id order by id desc offset :kept limit 1)""").param("id", id).param("kept", KEPT_RULES).update();
    }

    /** What changed the rules last, empty when nothing did. */
    Optional<String> lastRuleChange(long id) {
        return jdbc.sql("select label from house_rules_before where collection_id = :id order by id desc limit 1").param("id", id).query(String.class).optional();
    }

    /** Brings back the rules before the last change. */
    void takeRulesBack(long id) {
        jdbc.sql("""
                with last as (delete from house_rules_before where id = (select max(id) from house_rules_before where collection_id = :id) returning rules)
                update collection set house_rules = last.rules from last where id = :id""").param("id", id).update();
    }

    /** New patches of a category begin as this one is; of two that say so the first. */
    void beginWith(long collectionId, String category, long patchId) {
        jdbc.sql("insert into category_start (collection_id, category, patch_id) values (:collection, :category, :patch) on conflict (collection_id, category) do nothing")
                .param("collection", collectionId).param("category", category).param("patch", patchId).update();
    }

    long insertBank(long collectionId, int position, String name, int msb, int lsb) {
        return jdbc.sql("insert into bank (collection_id, position, name, msb, lsb) values (:collection, :position, :name, :msb, :lsb) returning id")
                .param("collection", collectionId).param("position", position).param("name", name).param("msb", msb).param("lsb", lsb).query(Long.class).single();
    }

    List<BankRow> banks(long collectionId) {
        return jdbc.sql(BANKS + " where b.collection_id = :collection order by b.position").param("collection", collectionId).query(CollectionStore::bankRow).list();
    }

    Optional<BankRow> findBank(long id) {
        return jdbc.sql(BANKS + " where b.id = :id").param("id", id).query(CollectionStore::bankRow).optional();
    }

    private static CollectionRow collectionRow(ResultSet rs, int n) throws SQLException {
        return new CollectionRow(rs.getLong("id"), new CollectionDetails(rs.getString("name"), rs.getString("author"), rs.getString("licence"), rs.getString("version"),
                rs.getString("description"), rs.getString("contact")), Json.read(rs.getString("house_rules"), HouseRules.class));
    }

    private static BankRow bankRow(ResultSet rs, int n) throws SQLException {
        return new BankRow(rs.getLong("id"), rs.getLong("collection_id"), rs.getInt("position"), rs.getString("name"), rs.getLong("first_patch"), rs.getInt("patches"), rs.getInt("msb"), rs.getInt("lsb"));
    }
}
