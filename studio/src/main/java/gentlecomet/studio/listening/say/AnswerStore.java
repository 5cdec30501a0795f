package gentlecomet.studio.listening.say;

import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The log of answers: the newest that was not taken back counts. */
@Repository
class AnswerStore {

    private final JdbcClient jdbc;

    AnswerStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param token by which the same answer is known when it is sent twice */
    void give(long roundId, Answer answer, String token) {
        jdbc.sql("""
                insert into answer (round_id, place, rival_place, reviewer_id, answer, token) values (:round, :place, :rival, :reviewer, :answer, :token)
                on conflict (token) do nothing""")
                .param("round", roundId).param("place", answer.place()).param("rival", answer.rivalPlace()).param("reviewer", answer.reviewerId()).param("answer", answer.answer())
                .param("token", token).update();
    }

    /** The newest answer of a reviewer no longer counts; answers what it was. */
    Optional<Answer> takeBack(long roundId, long reviewerId) {
        return jdbc.sql("""
                update answer set taken_back = true where id = (select max(id) from answer where round_id = :round and reviewer_id = :reviewer and not taken_back) returning *""")
                .param("round", roundId).param("reviewer", reviewerId).query((rs, n) -> answer(rs)).optional();
    }

    /** What counts of a round, of everybody, in the order in which it was said. */
    List<Answer> of(long roundId) {
        return jdbc.sql("""
                select * from (select distinct on (place, rival_place, reviewer_id) * from answer where round_id = :round and not taken_back
                order by place, rival_place, reviewer_id, id desc) newest order by id""").param("round", roundId).query((rs, n) -> answer(rs)).list();
    }

    private static Answer answer(java.sql.ResultSet rs) throws java.sql.SQLException {
        return new Answer(rs.getInt("place"), rs.getInt("rival_place"), rs.getLong("reviewer_id"), rs.getString("answer"));
    }
}
