package gentlecomet.craft.curate;

import gentlecomet.craft.check.Finding.Severity;
import gentlecomet.craft.check.Threshold;
import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.CheckSettings;
import gentlecomet.craft.rules.HouseRules;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;

/** What there is to say of a bank as a whole: what is planned and missing, what sounds alike, what stands out in its category. Renders nothing. */
public final class BankCheck {

    /** Closer than this two patches are hardly told apart. */
    public static final Threshold ALIKE = new Threshold("bank.alike", "distance", "dB", 1.5, "distance of two fingerprints below which patches sound alike");
    /** Iglewicz and Hoaglin (How to Detect and Handle Outliers, 1993) take 3.5 of their modified z-score. */
    public static final Threshold OUTLIER = new Threshold("bank.outlier", "score", "", 4.5, "modified z-score from which on a patch stands out in its category");
    /** A category that is found in more stretches of the bank than that is hard to step through. */
    public static final Threshold ORDER = new Threshold("bank.order", "stretches", "", 4, "stretches of the bank over which a category may be spread");
    /** All thresholds of the bank. */
    public static final List<Threshold> THRESHOLDS = List.of(ALIKE, OUTLIER, ORDER);

    private static final int MOST_PAIRS = 40;
    private static final int FEWEST = 5;
    private static final double TO_SCORE = 0.6745;

    private BankCheck() {
    }

    /**
     * A patch of the bank.
     *
     * @param sound    of it; its measurement and fingerprint may be null
     * @param cost     of a voice in plain voices, 0 where it is not known
     * @param departed whether it was approved, but does not sound as it was approved
     */
    public record Member(KnownSound sound, int slot, String name, String category, List<String> tags, String author, String notes, double cost, boolean departed) {
    }

    /** A finding about a bank. @param patches ids of those that it is about */
    public record BankFinding(String rule, Severity severity, String message, List<Long> patches, Map<String, String> numbers) {
    }

    /** Everything. @param members in the order of their slots */
    public static List<BankFinding> of(List<Member> members, HouseRules house) {
        List<BankFinding> found = new ArrayList<>();
        CheckSettings settings = house.conventions().checks();
        plan(members, house, found);
        gaps(members, found);
        missing(members, found);
        told(members.stream().filter(Member::departed).toList(), "bank.approved", "patch does not sound as it was approved", "patches do not sound as they were approved", found);
        order(members, house, settings.limit(ORDER.rule(), ORDER.id(), ORDER.standard()), found);
        Map<Long, Member> byId = members.stream().collect(Collectors.toMap(m -> m.sound().id(), m -> m));
        double alike = settings.limit(ALIKE.rule(), ALIKE.id(), ALIKE.standard());
        for (Likeness.Pair pair : Likeness.nearestPairs(members.stream().map(Member::sound).toList(), MOST_PAIRS)) {
            if (pair.distance() < alike) {
                found.add(new BankFinding(ALIKE.rule(), Severity.WARNING, "\"" + byId.get(pair.one().id()).name() + "\" and \"" + byId.get(pair.other().id()).name() + "\" sound alike.",
                        List.of(pair.one().id(), pair.other().id()), Map.of("distance", String.format(Locale.ROOT, "%.1f dB", pair.distance()))));
            }
        }
        double score = settings.limit(OUTLIER.rule(), OUTLIER.id(), OUTLIER.standard());
        Map<String, List<Member>> byCategory = members.stream().filter(m -> m.sound().sound() != null).collect(Collectors.groupingBy(Member::category, TreeMap::new, Collectors.toList()));
        byCategory.forEach((category, some) -> {
            outliers(some, "brightness", "oct", m -> Math.log(Math.max(20, m.sound().sound().brightnessHz())) / Math.log(2), score, 1.5, found);
            outliers(some, "cost of a voice", "voices", Member::cost, score, 4, found);
            outliers(some, "loudness", "LU", m -> house.measureOf(category).of(m.sound().sound()), score, 2 * house.toleranceLu(), found);
        });
        return found;
    }

    private static void plan(List<Member> members, HouseRules house, List<BankFinding> found) {
        for (Category c : house.categories()) {
            long made = members.stream().filter(m -> m.category().equals(c.id())).count();
            if (made < c.planned()) {
                found.add(new BankFinding("bank.plan", Severity.WARNING, c.name() + ": " + made + " of " + c.planned() + " planned patches are made.", List.of(),
                        Map.of("made", String.valueOf(made), "planned", String.valueOf(c.planned()))));
            }
        }
    }

    private static void gaps(List<Member> members, List<BankFinding> found) {
        int last = members.stream().mapToInt(Member::slot).max().orElse(0);
        if (last > members.size()) {
            found.add(new BankFinding("bank.gap", Severity.WARNING, (last - members.size()) + " slots before the last patch are free.", List.of(), Map.of("free", String.valueOf(last - members.size()))));
        }
    }

    private static void missing(List<Member> members, List<BankFinding> found) {
        told(members.stream().filter(m -> m.author().isBlank()).toList(), "bank.author", "patch has no author", "patches have no author", found);
        told(members.stream().filter(m -> m.tags().isEmpty()).toList(), "bank.tags", "patch has no tags", "patches have no tags", found);
        told(members.stream().filter(m -> m.notes().isBlank()).toList(), "bank.notes", "patch has no notes on how it is played", "patches have no notes on how they are played", found);
    }

    private static void order(List<Member> members, HouseRules house, double most, List<BankFinding> found) {
        Map<String, List<Member>> firsts = new TreeMap<>();
        for (int i = 0; i < members.size(); i++) {
            if (i == 0 || !members.get(i).category().equals(members.get(i - 1).category())) {
                firsts.computeIfAbsent(members.get(i).category(), c -> new ArrayList<>()).add(members.get(i));
            }
        }
        firsts.forEach((category, some) -> {
            if (some.size() > most) {
                found.add(new BankFinding(ORDER.rule(), Severity.WARNING, house.category(category).map(Category::name).orElse("No category") + " is spread over " + some.size() + " stretches of the bank, from slots "
                        + some.stream().limit(8).map(m -> String.valueOf(m.slot())).collect(Collectors.joining(", ")) + (some.size() > 8 ? " ..." : "") + " on.", some.stream().map(m -> m.sound().id()).toList(),
                        Map.of("stretches", String.valueOf(some.size()))));
            }
        });
    }

    private static void told(List<Member> some, String rule, String one, String many, List<BankFinding> found) {
        if (!some.isEmpty()) {
            found.add(new BankFinding(rule, Severity.WARNING, some.size() + " " + (some.size() == 1 ? one : many) + ": "
                    + some.stream().limit(6).map(Member::name).collect(Collectors.joining(", ")) + (some.size() > 6 ? " ..." : "") + ".", some.stream().map(m -> m.sound().id()).toList(), Map.of()));
        }
    }

    /** Those whose figure lies far from the middle of their category, by the median of the distances. @param least distance that is told at all */
    private static void outliers(List<Member> some, String what, String unit, ToDoubleFunction<Member> figure, double score, double least, List<BankFinding> found) {
        if (some.size() < FEWEST) {
            return;
        }
        double middle = median(some.stream().mapToDouble(figure).toArray());
        double spread = median(some.stream().mapToDouble(m -> Math.abs(figure.applyAsDouble(m) - middle)).toArray());
        some.stream().filter(m -> Math.abs(figure.applyAsDouble(m) - middle) > least && TO_SCORE * Math.abs(figure.applyAsDouble(m) - middle) > score * spread)
                .sorted(Comparator.comparingDouble(m -> -Math.abs(figure.applyAsDouble(m) - middle))).forEach(m ->
                        found.add(new BankFinding(OUTLIER.rule(), Severity.WARNING, String.format(Locale.ROOT, "\"%s\" stands out in its category by its %s: %+.1f %s from the middle.", m.name(), what,
                                figure.applyAsDouble(m) - middle, unit), List.of(m.sound().id()), Map.of(what, String.format(Locale.ROOT, "%+.1f %s", figure.applyAsDouble(m) - middle, unit)))));
    }

    private static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        int half = sorted.length / 2;
        return sorted.length % 2 == 1 ? sorted[half] : 0.5 * (sorted[half - 1] + sorted[half]);
    }
}
