package gentlecomet.studio.listening.result;

import gentlecomet.craft.listen.Agreement;
import gentlecomet.craft.listen.Preference;
import gentlecomet.craft.listen.Question;
import gentlecomet.craft.listen.RoundTable;
import gentlecomet.studio.listening.play.Trials;
import gentlecomet.studio.listening.round.RoundPlace;
import gentlecomet.studio.listening.round.RoundRow;
import gentlecomet.studio.listening.round.Rounds;
import gentlecomet.studio.listening.say.Answer;
import gentlecomet.studio.listening.say.Answers;
import gentlecomet.studio.listening.say.Remark;
import gentlecomet.studio.listening.say.Reviewer;
import gentlecomet.studio.listening.say.Reviewers;
import gentlecomet.studio.listening.verdict.Verdicts;
import gentlecomet.studio.page.RefusedException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** What a round has brought, reviewers side by side. */
@Service
class RoundResults {

    private static final List<String> LETTERS = List.of("first", "second");

    private final Rounds rounds;
    private final Answers answers;
    private final Reviewers reviewers;
    private final Verdicts verdicts;
    private final Trials trials;

    RoundResults(Rounds rounds, Answers answers, Reviewers reviewers, Verdicts verdicts, Trials trials) {
        this.rounds = rounds;
        this.answers = answers;
        this.reviewers = reviewers;
        this.verdicts = verdicts;
        this.trials = trials;
    }

    /**
     * A row of the results.
     *
     * @param said     what each reviewer said, in their order, empty for nothing
     * @param other    what each reviewer of the round beside it said of the same patch
     * @param disputed whether not all said the same
     * @param standing what counts of the patch as it sounds now
     * @param finalWord the owner's, empty for none
     */
    record Row(RoundPlace place, List<String> said, List<String> other, boolean disputed, String standing, String finalWord, List<Remark> remarks) {
    }

    /** @param beside heads of the columns of the round beside it @param summary sentences about the whole @param rows places that are disputed first */
    record Results(RoundRow round, List<Reviewer> reviewers, List<String> beside, List<String> summary, List<Row> rows, List<String> trials) {
    }

    /** What the reviewers of a round said of patches. @param heads of its columns */
    private record Beside(List<String> heads, List<Map<Long, String>> said) {
        List<String> of(long patchId) {
            return said.stream().map(s -> patchId == 0 ? "" : s.getOrDefault(patchId, "")).toList();
        }
    }

    private Beside beside(long collectionId, long roundId) {
        RoundRow round = rounds.get(roundId);
        if (round.collectionId() != collectionId) {
            throw new RefusedException("Rounds of one collection stand side by side.");
        }
        List<RoundPlace> places = rounds.places(roundId);
        List<Answer> given = answers.of(roundId);
        List<Reviewer> heard = heard(round, given);
        List<Map<Integer, String>> said = said(round, given, heard, places.size());
        List<Map<Long, String>> byPatch = new ArrayList<>();
        for (Map<Integer, String> s : said) {
            Map<Long, String> of = new HashMap<>();
            places.forEach(p -> of.put(p.heard().patchId(), words(p, s.getOrDefault(p.place(), ""))));
            byPatch.add(of);
        }
        return new Beside(heard.stream().map(r -> r.name() + ", " + round.name()).toList(), byPatch);
    }

    private List<Reviewer> heard(RoundRow round, List<Answer> given) {
        return reviewers.all(round.collectionId()).stream().filter(r -> given.stream().anyMatch(a -> a.reviewerId() == r.id())).toList();
    }

    private static List<Map<Integer, String>> said(RoundRow round, List<Answer> given, List<Reviewer> heard, int places) {
        return round.question() == Question.ORDER ? orders(given, heard, places) : heard.stream().map(r -> Answers.byPlace(given, r.id())).toList();
    }

    /** @param other a round to stand beside it, 0 for none */
    Results of(long roundId, long other) {
        RoundRow round = rounds.get(roundId);
        Beside beside = other == 0 ? new Beside(List.of(), List.of()) : beside(round.collectionId(), other);
        List<RoundPlace> places = rounds.places(roundId);
        List<Answer> given = answers.of(roundId);
        List<Reviewer> heard = heard(round, given);
        Map<Long, String> standing = verdicts.standingInCollection(round.collectionId());
        Map<Long, String> words = verdicts.finalWords(round.collectionId());
        Map<Integer, List<Remark>> remarks = answers.remarks(roundId).stream().collect(Collectors.groupingBy(Remark::place));
        List<Map<Integer, String>> said = said(round, given, heard, places.size());
        List<Integer> disputed = round.question() == Question.ORDER ? List.of() : Agreement.disputed(said);
        List<Row> rows = new ArrayList<>(places.stream().map(p -> new Row(p, said.stream().map(s -> words(p, s.getOrDefault(p.place(), ""))).toList(), beside.of(p.heard().patchId()), disputed.contains(p.place()),
                standing.getOrDefault(p.heard().patchId(), ""), words.getOrDefault(p.heard().patchId(), ""), remarks.getOrDefault(p.place(), List.of()))).toList());
        if (round.question() == Question.ORDER) {
            rows.sort(Comparator.comparingDouble(r -> said.stream().mapToDouble(s -> Double.parseDouble(s.getOrDefault(r.place().place(), "999"))).average().orElse(999)));
        } else {
            rows.sort(Comparator.comparingInt(r -> disputed.contains(r.place().place()) ? disputed.indexOf(r.place().place()) : disputed.size()));
        }
        return new Results(round, heard, beside.heads(), summary(round, places, heard, said, disputed.size()), rows, trials.results(roundId).stream()
                .map(t -> places.get(t.place() - 1).heard().name() + " against " + t.against() + ", " + name(heard, t.reviewerId()) + ": " + t.words()).toList());
    }

    /** The same as a file has it. */
    RoundTable table(long roundId) {
        Results found = of(roundId, 0);
        List<String> head = new ArrayList<>(List.of("place", "patch", "category", "against"));
        found.reviewers().forEach(r -> head.add(r.name()));
        head.addAll(List.of("standing", "notes"));
        List<List<String>> rows = found.rows().stream().sorted(Comparator.comparingInt(r -> r.place().place())).map(r -> {
            List<String> row = new ArrayList<>(List.of(String.valueOf(r.place().place()), r.place().heard().name(), r.place().heard().category(), r.place().rival() == null ? "" : r.place().rival().name()));
            row.addAll(r.said());
            row.add(r.standing());
            row.add(r.remarks().stream().map(m -> m.reviewer().name() + (m.beat() == null ? "" : String.format(Locale.ROOT, " at beat %.2f", m.beat() + 1)) + ": " + m.words()).collect(Collectors.joining("\n")));
            return row;
        }).toList();
        List<String> summary = new ArrayList<>(List.of(found.round().question().words()));
        summary.addAll(found.summary());
        summary.addAll(found.trials());
        return new RoundTable(found.round().name(), summary, head, rows);
    }

    private static String name(List<Reviewer> heard, long id) {
        return heard.stream().filter(r -> r.id() == id).map(Reviewer::name).findFirst().orElse("a reviewer");
    }

    /** The rank of each place, by reviewer. */
    private static List<Map<Integer, String>> orders(List<Answer> given, List<Reviewer> heard, int places) {
        List<Map<Integer, String>> ranks = new ArrayList<>();
        for (Reviewer reviewer : heard) {
            Preference preference = Answers.preference(given, reviewer.id(), places);
            Map<Integer, String> of = new TreeMap<>();
            for (int i = 0; i < preference.ranking().size(); i++) {
                of.put(preference.ranking().get(i), String.valueOf(i + 1));
            }
            ranks.add(of);
        }
        return ranks;
    }

    /** Which of two by its name. */
    private static String words(RoundPlace place, String answer) {
        if (place.rival() == null || !LETTERS.contains(answer)) {
            return answer.equals("equal") ? "no difference" : answer;
        }
        boolean same = place.rival().name().equals(place.heard().name());
        return answer.equals("first") ? place.heard().name() + (same ? ", mended" : "") : place.rival().name() + (same ? ", as criticised" : "");
    }

    private static List<String> summary(RoundRow round, List<RoundPlace> places, List<Reviewer> heard, List<Map<Integer, String>> said, int disputed) {
        List<String> lines = new ArrayList<>();
        for (int i = 0; i < heard.size(); i++) {
            Map<String, Long> counts = said.get(i).values().stream().collect(Collectors.groupingBy(a -> a, Collectors.counting()));
            lines.add(heard.get(i).name() + ": " + switch (round.question()) {
                case ORDER -> said.get(i).size() + " of " + places.size() + " in order";
                case RATING -> said.get(i).size() + " of " + places.size() + ", mean " + String.format(Locale.ROOT, "%.2f", said.get(i).values().stream().mapToInt(Integer::parseInt).average().orElse(0));
                default -> said.get(i).size() + " of " + places.size() + (counts.isEmpty() ? "" : ", " + round.question().answers().stream().filter(counts::containsKey).map(a -> counts.get(a) + " " + a).collect(Collectors.joining(", ")));
            });
        }
        if (heard.size() > 1 && round.question() != Question.ORDER) {
            Agreement agreement = Agreement.of(said);
            lines.add(Double.isNaN(agreement.kappa()) ? "Agreement: nothing to compare yet, or everybody said one and the same."
                    : String.format(Locale.ROOT, "Agreement beyond chance: %s's kappa %.2f, %s (%d places that all have answered, %.0f %% the same, %d apart)", heard.size() == 2 ? "Cohen" : "Fleiss",
                            agreement.kappa(), agreement.words(), agreement.places(), 100 * agreement.observed(), disputed));
        }
        return lines;
    }
}
