package gentlecomet.studio.bench.part;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Parts that the people of a collection keep. */
@Repository
class KeptPartStore {

    private final JdbcClient jdbc;

    KeptPartStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Keeps a part; one of the same kind and name is written over. */
    void keep(long collectionId, String kind, String name, String part, String content) {
        jdbc.sql("""
                insert into kept_part (collection_id, kind, name, part, content) values (:collection, :kind, :name, :part, :content)
                on conflict (collection_id, kind, name) do update set part = excluded.part, content = excluded.content, kept_at = now()""")
                .param("collection", collectionId).param("kind", kind).param("name", name).param("part", part).param("content", content).update();
    }

    /** Those of a kind, by name. */
    List<KeptPart> of(long collectionId, String kind) {
        return jdbc.sql("select id, name, part, content from kept_part where collection_id = :collection and kind = :kind order by lower(name), id")
                .param("collection", collectionId).param("kind", kind)
                .query((rs, n) -> new KeptPart(rs.getLong("id"), rs.getString("name"), rs.getString("part"), rs.getString("content"))).list();
    }

    int count(long collectionId) {
        return jdbc.sql("select count(*) from kept_part where collection_id = :collection").param("collection", collectionId).query(Integer.class).single();
    }

    void remove(long collectionId, long id) {
        jdbc.sql("delete from kept_part where collection_id = :collection and id = :id").param("collection", collectionId).param("id", id).update();
    }
}
