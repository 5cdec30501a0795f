package gentlecomet.studio.store;

import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Background work as it stands: what waits or runs, and what has failed for good. Its ids say what it is, see {@code Jobs}. */
@Repository
public class WorkStore {

    private static final int LONGEST_REASON = 300;

    private final JdbcClient jdbc;

    public WorkStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Which of some pieces of work wait or run. */
    public Set<String> waiting(String task, Collection<String> instances) {
        return instances.isEmpty() ? Set.of() : new HashSet<>(jdbc.sql("select task_instance from scheduled_tasks where task_name = :task and task_instance in (:instances)")
                .param("task", task).param("instances", instances).query(String.class).list());
    }

    /** Why some pieces of work have failed, by instance. */
    public Map<String, String> failed(String task, Collection<String> instances) {
        Map<String, String> failed = new LinkedHashMap<>();
        if (!instances.isEmpty()) {
            jdbc.sql("select task_instance, reason from failed_work where task_name = :task and task_instance in (:instances)")
                    .param("task", task).param("instances", instances).query(rs -> {
                        failed.put(rs.getString("task_instance"), rs.getString("reason"));
                    });
        }
        return failed;
    }

    public void fail(String task, String instance, String reason) {
        jdbc.sql("""
                insert into failed_work (task_name, task_instance, reason) values (:task, :instance, :reason)
                on conflict (task_name, task_instance) do update set reason = excluded.reason, failed_at = now()""")
                .param("task", task).param("instance", instance)
                .param("reason", reason.length() > LONGEST_REASON ? reason.substring(0, LONGEST_REASON) : reason).update();
    }

    /** It is to be tried again. */
    public void forget(String task, List<String> instances) {
        if (!instances.isEmpty()) {
            jdbc.sql("delete from failed_work where task_name = :task and task_instance in (:instances)").param("task", task).param("instances", instances).update();
        }
    }
}
