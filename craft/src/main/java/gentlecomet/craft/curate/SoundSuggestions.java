package gentlecomet.craft.curate;

import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Unit;
import gentlecomet.sound.parameter.ValueText;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * What a sound's measures and its nearest neighbours say it is. Nothing is ever applied by itself: every suggestion comes with its reasons. The bounds of the words are
 * rules of thumb (common practice).
 */
public final class SoundSuggestions {

    /** Neighbours that are asked. */
    static final int ASKED = 5;
    /** Part of the neighbours' weight that has to agree. */
    private static final double AGREED = 0.6;
    private static final double DARK_HZ = 450;
    private static final double BRIGHT_HZ = 2200;
    private static final double STRUCK_SECONDS = 0.02;
    private static final double SWELLING_SECONDS = 0.15;
    private static final double SHORT_SECONDS = 0.3;
    private static final double LONG_SECONDS = 2;
    private static final double WIDE = 0.15;
    private static final double MONO = 0.001;
    private static final double NOISY = 0.15;
    private static final int COMMON_TAG = 3;
    private static final double LEAST_DISTANCE_DB = 0.5;

    private final List<KnownSound> all;
    private final HouseRules rules;

    /** @param all the sounds of a collection */
    public SoundSuggestions(List<KnownSound> all, HouseRules rules) {
        this.all = all;
        this.rules = rules;
    }

    /** @param id of a category @param because reasons in words, for example "tail 0.3 s, bright, struck: 4 of 5 like it are Pluck" */
    public record CategoryHint(String id, String because) {
    }

    /** The category that most of the nearest sounds have; nothing where they do not agree, or where it has that one. */
    public Optional<CategoryHint> category(KnownSound sound) {
        List<Likeness.Pair> near = neighbours(sound);
        Map<String, Double> weights = new HashMap<>();
        double sum = 0;
        for (Likeness.Pair pair : near) {
            double weight = 1 / Math.max(LEAST_DISTANCE_DB, pair.distance());
            weights.merge(pair.other().category(), weight, Double::sum);
            sum += weight;
        }
        double enough = AGREED * sum;
        return weights.entrySet().stream().max(Map.Entry.comparingByValue()).filter(e -> near.size() == ASKED && e.getValue() >= enough && !e.getKey().equals(sound.category()))
                .map(e -> new CategoryHint(e.getKey(), String.join(", ", words(sound)) + ": " + near.stream().filter(p -> p.other().category().equals(e.getKey())).count() + " of " + ASKED
                        + " like it are " + rules.category(e.getKey()).map(Category::name).orElse(e.getKey())));
    }

    private List<Likeness.Pair> neighbours(KnownSound sound) {
        return Likeness.neighbours(sound, all.stream().filter(s -> rules.category(s.category()).isPresent()).toList(), ASKED);
    }

    /** Tags that the sound could have, each with its reason: words that are used here and that its measures bear out, and those that most of its neighbours have. */
    public Map<String, String> tags(KnownSound sound) {
        Map<String, Long> used = new HashMap<>();
        all.forEach(s -> s.tags().forEach(t -> used.merge(t.toLowerCase(Locale.ROOT), 1L, Long::sum)));
        rules.conventions().tagGroups().forEach(g -> g.tags().forEach(t -> used.merge(t.toLowerCase(Locale.ROOT), 1L, Long::sum)));
        Map<String, String> hints = new LinkedHashMap<>();
        measured(sound).forEach((tag, because) -> {
            if (used.containsKey(tag)) {
                hints.put(tag, because);
            }
        });
        Map<String, Integer> near = new HashMap<>();
        neighbours(sound).forEach(p -> p.other().tags().forEach(t -> near.merge(t, 1, Integer::sum)));
        near.entrySet().stream().filter(e -> e.getValue() >= COMMON_TAG).sorted(Map.Entry.<String, Integer>comparingByValue(Comparator.reverseOrder()).thenComparing(Map.Entry.comparingByKey()))
                .forEach(e -> hints.putIfAbsent(e.getKey(), e.getValue() + " of " + ASKED + " like it have it"));
        hints.keySet().removeIf(tag -> sound.tags().stream().anyMatch(tag::equalsIgnoreCase));
        return hints;
    }

    /** What can be said of a sound in words. */
    private static List<String> words(KnownSound s) {
        List<String> words = new ArrayList<>(List.of("tail " + ValueText.format(s.tail(), Unit.SECONDS)));
        words.addAll(measured(s).keySet().stream().filter(w -> !w.equals("short") && !w.equals("long")).toList());
        return words;
    }

    private static Map<String, String> measured(KnownSound s) {
        Map<String, String> words = new LinkedHashMap<>();
        String centroid = "brightness " + ValueText.format(s.brightness(), Unit.HERTZ);
        put(words, s.brightness() < DARK_HZ, "dark", centroid);
        put(words, s.brightness() > BRIGHT_HZ, "bright", centroid);
        put(words, s.attack() < STRUCK_SECONDS && s.tail() < LONG_SECONDS, "struck", "attack " + ValueText.format(s.attack(), Unit.SECONDS));
        put(words, s.attack() > SWELLING_SECONDS, "slow", "attack " + ValueText.format(s.attack(), Unit.SECONDS));
        put(words, s.tail() < SHORT_SECONDS, "short", "tail " + ValueText.format(s.tail(), Unit.SECONDS));
        put(words, s.tail() > LONG_SECONDS, "long", "tail " + ValueText.format(s.tail(), Unit.SECONDS));
        put(words, s.width() > WIDE, "wide", "side against mid " + Math.round(100 * s.width()) + " %");
        put(words, s.width() < MONO, "mono", "the same on both sides");
        put(words, s.noise() > NOISY, "airy", "noise " + Math.round(100 * s.noise()) + " %");
        return words;
    }

    private static void put(Map<String, String> words, boolean fits, String word, String because) {
        if (fits) {
            words.put(word, because);
        }
    }
}
