package gentlecomet.studio.bank;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Filters that the people of a collection keep. */
@Repository
class FilterStore {

    private final JdbcClient jdbc;

    FilterStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    List<KeptFilter> all(long collectionId) {
        return jdbc.sql("select name, query from kept_filter where collection_id = :collection order by lower(name)").param("collection", collectionId)
                .query((rs, n) -> new KeptFilter(rs.getString("name"), rs.getString("query"))).list();
    }

    /** Keeps a filter; one with the same name gives way. */
    void keep(long collectionId, KeptFilter filter) {
        jdbc.sql("insert into kept_filter (collection_id, name, query) values (:collection, :name, :query) on conflict (collection_id, name) do update set query = excluded.query")
                .param("collection", collectionId).param("name", filter.name()).param("query", filter.line()).update();
    }

    void forget(long collectionId, String name) {
        jdbc.sql("delete from kept_filter where collection_id = :collection and name = :name").param("collection", collectionId).param("name", name).update();
    }
}
