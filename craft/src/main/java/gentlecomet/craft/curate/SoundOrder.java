package gentlecomet.craft.curate;

import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.HouseRules;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;

/** Orders in which patches can be put. What has not been measured comes last; where two are equal their names decide. */
public enum SoundOrder {
    CATEGORY("category, then name"),
    NAME("name"),
    BRIGHTNESS("brightness, dark to bright"),
    LENGTH("length, short to long"),
    LOUDNESS("loudness, quiet to loud"),
    LIKENESS("likeness, each beside its like");

    private static final Comparator<KnownSound> BY_NAME = Comparator.comparing(s -> s.name().toLowerCase(Locale.ROOT));

    private final String words;

    SoundOrder(String words) {
        this.words = words;
    }

    /** For the screen, as in "order by name". */
    public String words() {
        return words;
    }

    /** Patches in this order. */
    public List<KnownSound> of(List<KnownSound> some, HouseRules rules) {
        return switch (this) {
            case CATEGORY -> sorted(some, categories(rules));
            case NAME -> sorted(some, BY_NAME);
            case BRIGHTNESS -> sorted(some, by(KnownSound::brightness));
            case LENGTH -> sorted(some, by(KnownSound::tail));
            case LOUDNESS -> sorted(some, by(KnownSound::loudness));
            case LIKENESS -> path(some);
        };
    }

    private static List<KnownSound> sorted(List<KnownSound> some, Comparator<KnownSound> order) {
        return some.stream().sorted(order.thenComparing(BY_NAME)).toList();
    }

    /** A measure from the least; what has none comes last, as {@link Double#compare} has it. */
    private static Comparator<KnownSound> by(ToDoubleFunction<KnownSound> measure) {
        return Comparator.comparingDouble(measure);
    }

    /** In the order of the house's plan; what has no category there comes last. */
    private static Comparator<KnownSound> categories(HouseRules rules) {
        Map<String, Integer> places = new HashMap<>();
        List<Category> all = rules.categories();
        IntStream.range(0, all.size()).forEach(i -> places.put(all.get(i).id(), i));
        return Comparator.comparingInt(s -> places.getOrDefault(s.category(), Integer.MAX_VALUE));
    }

    /** A way through all sounds on which neighbours are alike: from each to the nearest that is left, then shortened by turning stretches round (2-opt). */
    private static List<KnownSound> path(List<KnownSound> some) {
        List<KnownSound> left = new ArrayList<>(some.stream().filter(s -> s.fingerprint() != null).toList());
        List<KnownSound> way = new ArrayList<>();
        while (!left.isEmpty()) {
            KnownSound last = way.isEmpty() ? left.get(0) : way.get(way.size() - 1);
            KnownSound next = left.stream().min(Comparator.comparingDouble(s -> s.fingerprint().distance(last.fingerprint()))).orElseThrow();
            left.remove(next);
            way.add(next);
        }
        shorten(way);
        some.stream().filter(s -> s.fingerprint() == null).sorted(BY_NAME).forEach(way::add);
        return way;
    }

    private static void shorten(List<KnownSound> way) {
        double[][] distance = new double[way.size()][way.size()];
        for (int i = 0; i < way.size(); i++) {
            for (int k = 0; k < i; k++) {
                distance[i][k] = way.get(i).fingerprint().distance(way.get(k).fingerprint());
                distance[k][i] = distance[i][k];
            }
        }
        int[] at = IntStream.range(0, way.size()).toArray();
        for (boolean better = true; better;) {
            better = false;
            for (int from = 1; from < at.length - 1; from++) {
                for (int to = from + 1; to < at.length; to++) {
                    double now = distance[at[from - 1]][at[from]] + (to + 1 < at.length ? distance[at[to]][at[to + 1]] : 0);
                    double turned = distance[at[from - 1]][at[to]] + (to + 1 < at.length ? distance[at[from]][at[to + 1]] : 0);
                    if (turned < now - 1e-9) {
                        for (int a = from, b = to; a < b; a++, b--) {
                            int kept = at[a];
                            at[a] = at[b];
                            at[b] = kept;
                        }
                        better = true;
                    }
                }
            }
        }
        List<KnownSound> before = new ArrayList<>(way);
        for (int i = 0; i < at.length; i++) {
            way.set(i, before.get(at[i]));
        }
    }
}
