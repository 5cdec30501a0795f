package gentlecomet.studio.listening.play;

import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Series of A/B/X trials. */
@Repository
class TrialStore {

    private final JdbcClient jdbc;

    TrialStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param answers one letter a trial, r or w */
    record Series(long id, long roundId, int place, long reviewerId, String against, String againstName, String againstHash, long seed, int trials, String answers) {
        int right() {
            return (int) answers.chars().filter(c -> c == 'r').count();
        }
    }

    long insert(Series series) {
        return jdbc.sql("""
                insert into blind_series (round_id, place, reviewer_id, against, against_name, against_hash, seed, trials)
                values (:round, :place, :reviewer, :against, :name, :hash, :seed, :trials) returning id""")
                .param("round", series.roundId()).param("place", series.place()).param("reviewer", series.reviewerId()).param("against", series.against())
                .param("name", series.againstName()).param("hash", series.againstHash()).param("seed", series.seed()).param("trials", series.trials()).query(Long.class).single();
    }

    /** Adds the answer of a trial; the same trial twice counts once. @return whether it was added */
    boolean answer(long id, int trial, boolean right) {
        return jdbc.sql("update blind_series set answers = answers || :letter where id = :id and length(answers) = :trial and length(answers) < trials")
                .param("letter", right ? "r" : "w").param("id", id).param("trial", trial).update() == 1;
    }

    Optional<Series> find(long id) {
        return jdbc.sql("select * from blind_series where id = :id").param("id", id).query((rs, n) -> series(rs)).optional();
    }

    List<Series> of(long roundId) {
        return jdbc.sql("select * from blind_series where round_id = :round order by id").param("round", roundId).query((rs, n) -> series(rs)).list();
    }

    private static Series series(java.sql.ResultSet rs) throws java.sql.SQLException {
        return new Series(rs.getLong("id"), rs.getLong("round_id"), rs.getInt("place"), rs.getLong("reviewer_id"), rs.getString("against"), rs.getString("against_name"),
                rs.getString("against_hash"), rs.getLong("seed"), rs.getInt("trials"), rs.getString("answers"));
    }
}
