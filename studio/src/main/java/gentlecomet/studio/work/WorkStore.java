package gentlecomet.studio.work;

import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Background work as it stands: what waits or runs, and what has failed for good. Its ids say what it is, see {@link WorkQueue}. */
@Repository
class WorkStore {

    private static final int LONGEST_REASON = 300;

    private final JdbcClient jdbc;

    WorkStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Many pieces of work at once, due now; what is there already stays as it is. @param ids as long as {@code data} */
    void insert(String task, String[] ids, byte[][] data) {
        jdbc.sql("""
                insert into scheduled_tasks (task_name, task_instance, task_data, execution_time, picked, version)
                select :task, w.id, w.data, now(), false, 1 from unnest(:ids, :data) as w(id, data)
                on conflict do nothing""").param("task", task).param("ids", ids).param("data", data).update();
    }

    /** Which of some pieces of work wait or run. */
    Set<String> waiting(String task, Collection<String> instances) {
        return instances.isEmpty() ? Set.of() : new HashSet<>(jdbc.sql("select task_instance from scheduled_tasks where task_name = :task and task_instance = any(:instances)")
                .param("task", task).param("instances", instances.toArray(String[]::new)).query(String.class).list());
    }

    /** Why some pieces of work have failed, by instance. */
    Map<String, String> failed(String task, Collection<String> instances) {
        Map<String, String> failed = new LinkedHashMap<>();
        if (!instances.isEmpty()) {
            jdbc.sql("select task_instance, reason from failed_work where task_name = :task and task_instance = any(:instances)")
                    .param("task", task).param("instances", instances.toArray(String[]::new)).query(rs -> {
                        failed.put(rs.getString("task_instance"), rs.getString("reason"));
                    });
        }
        return failed;
    }

    void fail(String task, String instance, String reason) {
        jdbc.sql("""
                insert into failed_work (task_name, task_instance, reason) values (:task, :instance, :reason)
                on conflict (task_name, task_instance) do update set reason = excluded.reason, failed_at = now()""")
                .param("task", task).param("instance", instance)
                .param("reason", reason.length() > LONGEST_REASON ? reason.substring(0, LONGEST_REASON) : reason).update();
    }

    /** Takes away what nobody has begun. */
    int cancel(String task, List<String> instances) {
        return jdbc.sql("delete from scheduled_tasks where task_name = :task and task_instance = any(:instances) and not picked").param("task", task)
                .param("instances", instances.toArray(String[]::new)).update();
    }

    /** It is to be tried again. */
    void forgetFailures(String task, List<String> instances) {
        if (!instances.isEmpty()) {
            jdbc.sql("delete from failed_work where task_name = :task and task_instance = any(:instances)").param("task", task).param("instances", instances.toArray(String[]::new)).update();
        }
    }
}
