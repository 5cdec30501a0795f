package gentlecomet.studio.bank.start;

import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Patches from which the new ones of a category begin. */
@Repository
class CategoryStartStore {

    private final JdbcClient jdbc;

    CategoryStartStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** One of them. */
    record Start(long patchId, String name) {
    }

    /** Those that stand in a bank of the collection, by category. */
    Map<String, Start> all(long collectionId) {
        Map<String, Start> starts = new LinkedHashMap<>();
        jdbc.sql("""
                select s.category, s.patch_id, e.name from category_start s join patch p on p.id = s.patch_id join edit e on e.patch_id = p.id and e.number = p.cursor
                join bank b on b.id = p.bank_id
                where s.collection_id = :collection and b.collection_id = :collection order by s.category""").param("collection", collectionId)
                .query((rs, n) -> starts.put(rs.getString("category"), new Start(rs.getLong("patch_id"), rs.getString("name")))).list();
        return starts;
    }

    void set(long collectionId, String category, long patchId) {
        jdbc.sql("insert into category_start (collection_id, category, patch_id) values (:collection, :category, :patch) on conflict (collection_id, category) do update set patch_id = excluded.patch_id")
                .param("collection", collectionId).param("category", category).param("patch", patchId).update();
    }

    void forget(long collectionId, String category) {
        jdbc.sql("delete from category_start where collection_id = :collection and category = :category").param("collection", collectionId).param("category", category).update();
    }
}
