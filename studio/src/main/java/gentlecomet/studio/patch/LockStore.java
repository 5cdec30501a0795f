package gentlecomet.studio.patch;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import java.util.LinkedHashSet;
import java.util.Objects;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Parameters that have been locked, patch by patch. Locks belong to the work, not to the sound: no revision and no file has them. */
@Repository
class LockStore {

    private final JdbcClient jdbc;

    LockStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    Set<Parameter> locked(long patchId) {
        return new LinkedHashSet<>(jdbc.sql("select parameter from parameter_lock where patch_id = :id order by parameter").param("id", patchId)
                .query(String.class).list().stream().map(Parameters::find).filter(Objects::nonNull).toList());
    }

    void lock(long patchId, Parameter parameter) {
        jdbc.sql("insert into parameter_lock (patch_id, parameter) values (:id, :parameter) on conflict do nothing")
                .param("id", patchId).param("parameter", parameter.id()).update();
    }

    void unlock(long patchId, Parameter parameter) {
        jdbc.sql("delete from parameter_lock where patch_id = :id and parameter = :parameter").param("id", patchId).param("parameter", parameter.id()).update();
    }
}
