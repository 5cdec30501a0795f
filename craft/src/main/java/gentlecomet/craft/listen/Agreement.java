package gentlecomet.craft.listen;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * How far reviewers agree beyond what chance would bring: for two of them Cohen's kappa (J. Cohen, A coefficient of agreement for nominal scales,
 * Educational and Psychological Measurement 20, 1960), for more Fleiss' (J. L. Fleiss, Measuring nominal scale agreement among many raters, Psychological
 * Bulletin 76, 1971). Only what everybody has answered counts.
 *
 * @param kappa    1 for full agreement, 0 for chance; NaN where there is nothing to compare or all gave one and the same answer to everything
 * @param observed share of pairs of reviewers that agree, 0 to 1
 * @param places   on how many places it rests
 * @param reviewers how many there are
 */
public record Agreement(double kappa, double observed, int places, int reviewers) {

    /** @param answers by reviewer, then by place */
    public static Agreement of(List<Map<Integer, String>> answers) {
        List<Integer> shared = shared(answers);
        if (answers.size() < 2 || shared.isEmpty()) {
            return new Agreement(Double.NaN, Double.NaN, 0, answers.size());
        }
        List<String> kinds = List.copyOf(new TreeSet<>(answers.stream().flatMap(a -> shared.stream().map(a::get)).toList()));
        return answers.size() == 2 ? cohen(answers.get(0), answers.get(1), shared, kinds) : fleiss(answers, shared, kinds);
    }

    /** Places at which not all said the same, where they differ most first. @param answers by reviewer, then by place */
    public static List<Integer> disputed(List<Map<Integer, String>> answers) {
        return shared(answers).stream().filter(p -> kinds(answers, p) > 1).sorted(Comparator.comparingDouble(p -> agreeing(answers, p))).toList();
    }

    private static List<Integer> shared(List<Map<Integer, String>> answers) {
        if (answers.isEmpty()) {
            return List.of();
        }
        Set<Integer> shared = new TreeSet<>(answers.get(0).keySet());
        answers.forEach(a -> shared.retainAll(a.keySet()));
        return List.copyOf(shared);
    }

    private static int kinds(List<Map<Integer, String>> answers, int place) {
        return (int) answers.stream().map(a -> a.get(place)).distinct().count();
    }

    /** Share of pairs of reviewers that agree on one place. */
    private static double agreeing(List<Map<Integer, String>> answers, int place) {
        List<String> said = new ArrayList<>(answers.stream().map(a -> a.get(place)).toList());
        int pairs = 0;
        for (int i = 0; i < said.size(); i++) {
            for (int k = 0; k < i; k++) {
                pairs += said.get(i).equals(said.get(k)) ? 1 : 0;
            }
        }
        return 2.0 * pairs / (said.size() * (said.size() - 1));
    }

    private static Agreement cohen(Map<Integer, String> one, Map<Integer, String> other, List<Integer> shared, List<String> kinds) {
        double n = shared.size();
        double observed = shared.stream().filter(p -> one.get(p).equals(other.get(p))).count() / n;
        double chance = 0;
        for (String kind : kinds) {
            chance += shared.stream().filter(p -> one.get(p).equals(kind)).count() / n * (shared.stream().filter(p -> other.get(p).equals(kind)).count() / n);
        }
        return new Agreement(beyond(observed, chance), observed, shared.size(), 2);
    }

    private static Agreement fleiss(List<Map<Integer, String>> answers, List<Integer> shared, List<String> kinds) {
        double observed = shared.stream().mapToDouble(p -> agreeing(answers, p)).average().orElseThrow();
        double chance = 0;
        for (String kind : kinds) {
            double share = answers.stream().mapToLong(a -> shared.stream().filter(p -> a.get(p).equals(kind)).count()).sum() / (double) (shared.size() * answers.size());
            chance += share * share;
        }
        return new Agreement(beyond(observed, chance), observed, shared.size(), answers.size());
    }

    private static double beyond(double observed, double chance) {
        return chance >= 1 ? Double.NaN : (observed - chance) / (1 - chance);
    }

    /** Words of J. R. Landis and G. G. Koch, The measurement of observer agreement for categorical data, Biometrics 33, 1977. */
    public String words() {
        return Double.isNaN(kappa) ? "nothing to compare" : kappa < 0 ? "poor" : kappa <= 0.2 ? "slight" : kappa <= 0.4 ? "fair" : kappa <= 0.6 ? "moderate"
                : kappa <= 0.8 ? "substantial" : "almost perfect";
    }
}
