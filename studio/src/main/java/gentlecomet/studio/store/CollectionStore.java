package gentlecomet.studio.store;

import gentlecomet.craft.format.Json;
import gentlecomet.craft.rules.HouseRules;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Collections and their banks. */
@Repository
public class CollectionStore {

    private final JdbcClient jdbc;

    public CollectionStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** A collection without its banks. */
    public record CollectionRow(long id, String name, String author, String licence, HouseRules rules) {
    }

    /** A bank without its patches. */
    public record BankRow(long id, long collectionId, int position, String name, int patches) {
    }

    public boolean empty() {
        return jdbc.sql("select not exists (select 1 from collection)").query(Boolean.class).single();
    }

    public List<CollectionRow> all() {
        return jdbc.sql("select * from collection order by id").query(CollectionStore::collectionRow).list();
    }

    /** The collection in which a patch was changed last; the newest one where none has a patch. */
    public long workedOnLast() {
        return jdbc.sql("""
                select c.id from collection c left join bank b on b.collection_id = c.id left join patch p on p.bank_id = b.id
                left join edit e on e.patch_id = p.id and e.number = p.cursor
                group by c.id order by max(e.made_at) desc nulls last, c.id desc limit 1""").query(Long.class).single();
    }

    public Optional<CollectionRow> find(long id) {
        return jdbc.sql("select * from collection where id = :id").param("id", id).query(CollectionStore::collectionRow).optional();
    }

    public long insert(String name, String author, String licence, HouseRules rules) {
        return jdbc.sql("""
                insert into collection (name, author, licence, house_rules)
                values (:name, :author, :licence, cast(:rules as jsonb)) returning id""")
                .param("name", name).param("author", author).param("licence", licence).param("rules", Json.write(rules))
                .query(Long.class).single();
    }

    public void updateRules(long id, HouseRules rules) {
        jdbc.sql("update collection set house_rules = cast(:rules as jsonb) where id = :id")
                .param("rules", Json.write(rules)).param("id", id).update();
    }

    public long insertBank(long collectionId, int position, String name) {
        return jdbc.sql("insert into bank (collection_id, position, name) values (:collection, :position, :name) returning id")
                .param("collection", collectionId).param("position", position).param("name", name).query(Long.class).single();
    }

    public List<BankRow> banks(long collectionId) {
        return jdbc.sql("""
                select b.*, (select count(*) from patch p where p.bank_id = b.id) as patches
                from bank b where b.collection_id = :collection order by b.position""")
                .param("collection", collectionId).query(CollectionStore::bankRow).list();
    }

    public Optional<BankRow> findBank(long id) {
        return jdbc.sql("select b.*, (select count(*) from patch p where p.bank_id = b.id) as patches from bank b where b.id = :id")
                .param("id", id).query(CollectionStore::bankRow).optional();
    }

    private static CollectionRow collectionRow(java.sql.ResultSet rs, int n) throws java.sql.SQLException {
        return new CollectionRow(rs.getLong("id"), rs.getString("name"), rs.getString("author"), rs.getString("licence"),
                Json.read(rs.getString("house_rules"), HouseRules.class));
    }

    private static BankRow bankRow(java.sql.ResultSet rs, int n) throws java.sql.SQLException {
        return new BankRow(rs.getLong("id"), rs.getLong("collection_id"), rs.getInt("position"), rs.getString("name"), rs.getInt("patches"));
    }
}
