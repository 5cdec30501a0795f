package gentlecomet.studio.collection;

import gentlecomet.craft.format.Json;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.studio.page.Directory;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Collections and their banks. */
@Repository
class CollectionStore {

    private static final String BANKS = """
            select b.id, b.collection_id, b.position, b.name,
                   coalesce((select p.id from patch p where p.bank_id = b.id order by p.slot limit 1), 0) as first_patch from bank b""";

    private final JdbcClient jdbc;

    CollectionStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    boolean empty() {
        return jdbc.sql("select not exists (select 1 from collection)").query(Boolean.class).single();
    }

    List<Directory.Entry> names() {
        return jdbc.sql("select id, name from collection order by id").query((rs, n) -> new Directory.Entry(rs.getLong("id"), rs.getString("name"))).list();
    }

    boolean exists(long id) {
        return jdbc.sql("select exists (select 1 from collection where id = :id)").param("id", id).query(Boolean.class).single();
    }

    /** The collection in which a patch was changed last; the newest one where none has a patch. */
    Optional<Long> workedOnLast() {
        return jdbc.sql("""
                select c.id from collection c left join bank b on b.collection_id = c.id left join patch p on p.bank_id = b.id
                left join edit e on e.patch_id = p.id and e.number = p.cursor
                group by c.id order by max(e.made_at) desc nulls last, c.id desc limit 1""").query(Long.class).optional();
    }

    Optional<CollectionRow> find(long id) {
        return jdbc.sql("select * from collection where id = :id").param("id", id).query(CollectionStore::collectionRow).optional();
    }

    Optional<CollectionRow> ofBank(long bankId) {
        return jdbc.sql("select c.* from collection c join bank b on b.collection_id = c.id where b.id = :bank").param("bank", bankId)
                .query(CollectionStore::collectionRow).optional();
    }

    long insert(String name, String author, String licence, HouseRules rules) {
        return jdbc.sql("""
                insert into collection (name, author, licence, house_rules)
                values (:name, :author, :licence, cast(:rules as jsonb)) returning id""")
                .param("name", name).param("author", author).param("licence", licence).param("rules", Json.write(rules))
                .query(Long.class).single();
    }

    void updateRules(long id, HouseRules rules) {
        jdbc.sql("update collection set house_rules = cast(:rules as jsonb) where id = :id")
                .param("rules", Json.write(rules)).param("id", id).update();
    }

    long insertBank(long collectionId, int position, String name) {
        return jdbc.sql("insert into bank (collection_id, position, name) values (:collection, :position, :name) returning id")
                .param("collection", collectionId).param("position", position).param("name", name).query(Long.class).single();
    }

    List<BankRow> banks(long collectionId) {
        return jdbc.sql(BANKS + " where b.collection_id = :collection order by b.position").param("collection", collectionId).query(CollectionStore::bankRow).list();
    }

    Optional<BankRow> findBank(long id) {
        return jdbc.sql(BANKS + " where b.id = :id").param("id", id).query(CollectionStore::bankRow).optional();
    }

    private static CollectionRow collectionRow(ResultSet rs, int n) throws SQLException {
        return new CollectionRow(rs.getLong("id"), rs.getString("name"), rs.getString("author"), rs.getString("licence"),
                Json.read(rs.getString("house_rules"), HouseRules.class));
    }

    private static BankRow bankRow(ResultSet rs, int n) throws SQLException {
        return new BankRow(rs.getLong("id"), rs.getLong("collection_id"), rs.getInt("position"), rs.getString("name"), rs.getLong("first_patch"));
    }
}
