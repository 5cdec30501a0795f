package gentlecomet.studio.listening.say;

import gentlecomet.craft.listen.Preference;
import gentlecomet.craft.listen.Question;
import gentlecomet.studio.listening.round.RoundRow;
import gentlecomet.studio.listening.round.Rounds;
import gentlecomet.studio.page.RefusedException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What reviewers answer and note in rounds. */
@Service
public class Answers {

    private static final int LONGEST_NOTE = 10_000;
    private static final int LONGEST_READY = 80;
    private static final int MOST_READY = 9;

    private final AnswerStore store;
    private final RemarkStore remarks;
    private final Rounds rounds;
    private final Reviewers reviewers;

    Answers(AnswerStore store, RemarkStore remarks, Rounds rounds, Reviewers reviewers) {
        this.store = store;
        this.remarks = remarks;
        this.rounds = rounds;
        this.reviewers = reviewers;
    }

    /** Gives an answer. @param token by which it is known when it is sent twice */
    @Transactional
    public void give(long roundId, Answer answer, String token) {
        RoundRow round = rounds.get(roundId);
        rounds.place(roundId, answer.place());
        reviewers.get(answer.reviewerId(), round.collectionId());
        if (!round.question().answers().contains(answer.answer()) || (answer.rivalPlace() != 0) != (round.question() == Question.ORDER)) {
            throw new RefusedException("This round asks: " + round.question().words() + " The answer is one of " + String.join(", ", round.question().answers()) + ".");
        }
        if (answer.rivalPlace() != 0) {
            rounds.place(roundId, answer.rivalPlace());
        }
        store.give(roundId, answer, token);
    }

    /** The newest answer of a reviewer counts no longer; answers what it was. */
    @Transactional
    public Optional<Answer> takeBack(long roundId, long reviewerId) {
        return store.takeBack(roundId, reviewerId);
    }

    /** What counts of a round, of everybody, in the order in which it was said. */
    public List<Answer> of(long roundId) {
        return store.of(roundId);
    }

    /** Answers of one reviewer by place; of a round that asks for an order none. */
    public static Map<Integer, String> byPlace(List<Answer> answers, long reviewerId) {
        Map<Integer, String> byPlace = new HashMap<>();
        answers.stream().filter(a -> a.reviewerId() == reviewerId && a.rivalPlace() == 0).forEach(a -> byPlace.put(a.place(), a.answer()));
        return byPlace;
    }

    /** How far the order of a reviewer has come. @param places how many the round has */
    public static Preference preference(List<Answer> answers, long reviewerId, int places) {
        Map<Preference.Pair, Integer> preferred = new HashMap<>();
        answers.stream().filter(a -> a.reviewerId() == reviewerId && a.rivalPlace() != 0)
                .forEach(a -> preferred.put(new Preference.Pair(a.place(), a.rivalPlace()), a.answer().equals("first") ? a.place() : a.rivalPlace()));
        return Preference.of(IntStream.rangeClosed(1, places).boxed().toList(), preferred);
    }

    /** Saves a note. @param beat the moment of the phrase, null for all of it @param key null for none @param token by which it is known when it is sent twice */
    @Transactional
    public void note(long roundId, int place, long reviewerId, String words, Double beat, Integer key, String token) {
        Reviewer reviewer = reviewers.get(reviewerId, rounds.get(roundId).collectionId());
        rounds.place(roundId, place);
        String stripped = words.strip();
        if (stripped.isEmpty() || stripped.length() > LONGEST_NOTE) {
            throw new RefusedException("A note has 1 to " + LONGEST_NOTE + " characters; this one has " + stripped.length() + ". What was typed is still in the field.", "note");
        }
        if (key != null && (key < 0 || key > 127) || beat != null && !(beat >= 0)) {
            throw new RefusedException("A note is pinned to a moment of the phrase and to a key.", "note");
        }
        remarks.insert(roundId, new Remark(0, place, reviewer, stripped, beat, key), token);
    }

    /** Keeps what is being typed. */
    @Transactional
    public void draft(long roundId, int place, long reviewerId, String words) {
        reviewers.get(reviewerId, rounds.get(roundId).collectionId());
        rounds.place(roundId, place);
        if (words.length() > LONGEST_NOTE) {
            throw new RefusedException("A note has at most " + LONGEST_NOTE + " characters; this one has " + words.length() + ". What was typed is still in the field.", "note");
        }
        remarks.draft(roundId, place, reviewerId, words);
    }

    @Transactional
    public void forget(long roundId, long remarkId) {
        remarks.delete(roundId, remarkId);
    }

    public Map<Integer, String> drafts(long roundId, long reviewerId) {
        return remarks.drafts(roundId, reviewerId);
    }

    /** Notes of a round, of everybody. */
    public List<Remark> remarks(long roundId) {
        return remarks.of(roundId);
    }

    /** Notes of one reviewer at one place. */
    public List<Remark> remarks(long roundId, int place, long reviewerId) {
        return remarks.at(roundId, place, reviewerId);
    }

    /** Notes on a patch's sound, whichever round they were made in. */
    public List<Remark> remarks(long patchId, String soundHash) {
        return remarks.on(patchId, soundHash);
    }

    /** What a collection keeps ready to be said. */
    public List<String> ready(long collectionId) {
        return remarks.ready(collectionId);
    }

    /** @param lines one remark each @throws RefusedException where there are too many, or one is too long */
    @Transactional
    public void keepReady(long collectionId, String lines) {
        List<String> ready = lines.lines().map(String::strip).filter(l -> !l.isEmpty()).toList();
        if (ready.size() > MOST_READY || ready.stream().anyMatch(r -> r.length() > LONGEST_READY)) {
            throw new RefusedException("Up to " + MOST_READY + " ready remarks, one a line, of up to " + LONGEST_READY + " characters each.", "ready");
        }
        remarks.keepReady(collectionId, ready);
    }
}
