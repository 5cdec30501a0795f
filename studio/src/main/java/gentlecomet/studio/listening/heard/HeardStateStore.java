package gentlecomet.studio.listening.heard;

import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** States as they were heard, by the hash of their content. */
@Repository
class HeardStateStore {

    private final JdbcClient jdbc;

    HeardStateStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param content as JSON */
    void keep(HeardSound heard, String content) {
        jdbc.sql("insert into heard_state values (:hash, :sound, :content) on conflict do nothing")
                .param("hash", heard.contentHash()).param("sound", heard.soundHash()).param("content", content).update();
    }

    /** A state as JSON. */
    Optional<String> find(String contentHash) {
        return jdbc.sql("select content from heard_state where content_hash = :hash").param("hash", contentHash).query(String.class).optional();
    }

    /** Forgets what nobody refers to any more. */
    void forgetUnused() {
        jdbc.sql("""
                delete from heard_state s where not exists (select from round_place p where s.content_hash in (p.content_hash, p.rival_content_hash))
                and not exists (select from final_word w where w.content_hash = s.content_hash)""").update();
    }
}
