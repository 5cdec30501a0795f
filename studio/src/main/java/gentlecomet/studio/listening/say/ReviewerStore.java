package gentlecomet.studio.listening.say;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Who listens to a collection. */
@Repository
class ReviewerStore {

    private final JdbcClient jdbc;

    ReviewerStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    List<Reviewer> all(long collectionId) {
        return jdbc.sql("select id, name from reviewer where collection_id = :collection order by id").param("collection", collectionId)
                .query((rs, n) -> new Reviewer(rs.getLong("id"), rs.getString("name"))).list();
    }

    void insert(long collectionId, String name) {
        jdbc.sql("insert into reviewer (collection_id, name) values (:collection, :name) on conflict do nothing").param("collection", collectionId).param("name", name).update();
    }
}
