package gentlecomet.studio.security;

import java.security.SecureRandom;
import java.util.Base64;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Keys that this database made up for itself. */
@Repository
class SecretStore {

    private static final int BYTES = 32;

    private final JdbcClient jdbc;

    SecretStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** The key of a name; made when it is asked for the first time. */
    public byte[] key(String name) {
        byte[] fresh = new byte[BYTES];
        new SecureRandom().nextBytes(fresh);
        jdbc.sql("insert into secret (name, value) values (:name, :value) on conflict do nothing")
                .param("name", name).param("value", Base64.getEncoder().encodeToString(fresh)).update();
        return Base64.getDecoder().decode(jdbc.sql("select value from secret where name = :name").param("name", name).query(String.class).single());
    }
}
