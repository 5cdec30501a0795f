package gentlecomet.craft.curate;

import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Unit;
import gentlecomet.sound.parameter.ValueText;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Which patches of many are wanted, as one line of terms that all must hold: words of the name, the tags and the notes; fields as in {@code category:bass};
 * measures as in {@code tail<0.5s}; and others held against one patch, as in {@code darker} or {@code like}. A minus before a term turns it round,
 * quotation marks keep words together.
 */
public final class PatchFilter {

    /** Longest line that is taken, in characters. */
    public static final int LONGEST = 300;

    private static final Pattern TERM = Pattern.compile("(-?)(?:([a-z]+)([:<>])(\"[^\"]*\"?|\\S+)|\"([^\"]*)\"?|(\\S+))");
    /** How much two measures differ at least for one sound to be more of it: as a factor, and in LU. */
    private static final double NOTICED = 1.06;
    private static final double NOTICED_LU = 0.5;
    private static final Map<String, Measure> MEASURES = Map.of("brightness", new Measure(KnownSound::brightness, Unit.HERTZ, ""), "tail", new Measure(KnownSound::tail, Unit.SECONDS, " s"),
            "attack", new Measure(KnownSound::attack, Unit.SECONDS, " ms"), "loudness", new Measure(KnownSound::loudness, Unit.DECIBELS, ""), "peak", new Measure(KnownSound::peak, Unit.DECIBELS, ""),
            "width", new Measure(s -> 100 * s.width(), Unit.PERCENT, ""), "noise", new Measure(s -> 100 * s.noise(), Unit.PERCENT, ""));
    private static final Map<String, Comparison> COMPARISONS = Map.of("brighter", new Comparison(KnownSound::brightness, true, false), "darker", new Comparison(KnownSound::brightness, false, false),
            "longer", new Comparison(KnownSound::tail, true, false), "shorter", new Comparison(KnownSound::tail, false, false),
            "louder", new Comparison(KnownSound::loudness, true, true), "quieter", new Comparison(KnownSound::loudness, false, true),
            "wider", new Comparison(KnownSound::width, true, false), "narrower", new Comparison(KnownSound::width, false, false));

    private final List<Predicate<KnownSound>> terms = new ArrayList<>();
    private Comparator<KnownSound> nearest;

    /** A measure that can be bounded. @param bare the unit of a number that is typed without one */
    private record Measure(ToDoubleFunction<KnownSound> value, Unit unit, String bare) {
    }

    /** A quality in which one sound has more or less than another. @param inDb whether the difference counts and not the ratio */
    private record Comparison(ToDoubleFunction<KnownSound> value, boolean more, boolean inDb) {

        boolean holds(KnownSound sound, KnownSound than) {
            double own = value.applyAsDouble(sound);
            double other = value.applyAsDouble(than);
            double beyond = inDb ? (own - other) / NOTICED_LU : Math.log(own / other) / Math.log(NOTICED);
            return more ? beyond >= 1 : beyond <= -1;
        }
    }

    private PatchFilter() {
    }

    /**
     * Reads a line.
     *
     * @param than the patches that comparisons go by, none where none is in hand; {@code between} needs two
     * @throws EditException where a term cannot be, in words for people
     */
    public static PatchFilter of(String line, HouseRules rules, List<KnownSound> than) {
        if (line.length() > LONGEST) {
            throw new EditException("The filter has " + line.length() + " characters; at most " + LONGEST + " can be taken.");
        }
        PatchFilter filter = new PatchFilter();
        Matcher terms = TERM.matcher(line);
        while (terms.find()) {
            Predicate<KnownSound> term = terms.group(2) != null ? field(terms.group(2), terms.group(3), terms.group(4).replace("\"", ""), rules)
                    : terms.group(5) != null ? words(terms.group(5)) : filter.word(terms.group(6), than);
            filter.terms.add(terms.group(1).isEmpty() ? term : term.negate());
        }
        return filter;
    }

    /** What fits, in the order given; those that are most alike first where the line asks for likeness. */
    public List<KnownSound> of(List<KnownSound> all) {
        List<KnownSound> found = all.stream().filter(s -> terms.stream().allMatch(t -> t.test(s))).toList();
        return nearest == null ? found : found.stream().sorted(nearest).toList();
    }

    private Predicate<KnownSound> word(String word, List<KnownSound> than) {
        if (COMPARISONS.containsKey(word)) {
            KnownSound other = one(word, than);
            return s -> COMPARISONS.get(word).holds(s, other);
        }
        return switch (word) {
            case "like" -> {
                KnownSound other = one(word, than);
                if (other.fingerprint() == null) {
                    throw new EditException("\"" + other.name() + "\" has not been measured yet, so nothing can be found that is like it.");
                }
                nearest = Comparator.comparingDouble(s -> s.fingerprint().distance(other.fingerprint()));
                yield s -> s.fingerprint() != null && s.id() != other.id();
            }
            case "between" -> {
                if (than.size() < 2) {
                    throw new EditException("\"between\" goes by two patches: choose them first.");
                }
                yield between(than.get(0), than.get(than.size() - 1));
            }
            default -> words(word);
        };
    }

    private static KnownSound one(String word, List<KnownSound> than) {
        if (than.isEmpty()) {
            throw new EditException("\"" + word + "\" goes by a patch: go to one, or choose it, first.");
        }
        return than.get(0);
    }

    /** Between two in brightness and in length. */
    private static Predicate<KnownSound> between(KnownSound one, KnownSound other) {
        return s -> s.id() != one.id() && s.id() != other.id() && between(s.brightness(), one.brightness(), other.brightness()) && between(s.tail(), one.tail(), other.tail());
    }

    private static boolean between(double value, double one, double other) {
        return value >= Math.min(one, other) && value <= Math.max(one, other);
    }

    private static Predicate<KnownSound> words(String text) {
        String wanted = text.toLowerCase(Locale.ROOT);
        return s -> has(s.name(), wanted) || s.tags().stream().anyMatch(t -> has(t, wanted)) || has(s.notes(), wanted);
    }

    private static boolean has(String text, String wanted) {
        return text.toLowerCase(Locale.ROOT).contains(wanted);
    }

    private static Predicate<KnownSound> field(String field, String sign, String text, HouseRules rules) {
        String wanted = text.toLowerCase(Locale.ROOT);
        if (!sign.equals(":")) {
            return bounded(field, sign, text);
        }
        return switch (field) {
            case "name" -> s -> has(s.name(), wanted);
            case "notes" -> s -> has(s.notes(), wanted);
            case "author" -> s -> has(s.author(), wanted);
            case "tag" -> wanted.equals("none") ? s -> s.tags().isEmpty() : s -> s.tags().stream().anyMatch(t -> t.equalsIgnoreCase(wanted));
            case "category" -> category(wanted, rules);
            case "verdict" -> oneOf("verdict", wanted, List.of("keep", "fix", "cut", "split", "none"), s -> s.verdict().isEmpty() ? "none" : s.verdict());
            case "state" -> oneOf("state", wanted, List.of("saved", "edited", "new"), KnownSound::state);
            case "check" -> oneOf("check", wanted, List.of("passed", "look", "fault", "none"), PatchFilter::checked);
            case "finding" -> s -> s.findings() != null && s.findings().stream().anyMatch(f -> has(f, wanted));
            default -> throw new EditException("A filter knows name, category, tag, author, notes, verdict, state, check and finding before a colon, not \"" + field + "\".");
        };
    }

    private static String checked(KnownSound s) {
        return s.findings() == null ? "none" : s.findings().isEmpty() ? "passed" : s.faulty() ? "fault" : "look";
    }

    private static Predicate<KnownSound> category(String wanted, HouseRules rules) {
        if (wanted.equals("none")) {
            return s -> s.category().isEmpty();
        }
        List<String> ids = rules.categories().stream().filter(c -> c.id().equalsIgnoreCase(wanted) || c.name().equalsIgnoreCase(wanted)).map(Category::id).toList();
        return s -> ids.isEmpty() ? s.category().equalsIgnoreCase(wanted) : ids.contains(s.category());
    }

    private static Predicate<KnownSound> oneOf(String field, String wanted, List<String> known, Function<KnownSound, String> value) {
        if (!known.contains(wanted)) {
            throw new EditException("\"" + field + ":\" is followed by " + String.join(", ", known.subList(0, known.size() - 1)) + " or " + known.get(known.size() - 1) + ", not by \"" + wanted + "\".");
        }
        return s -> value.apply(s).equals(wanted);
    }

    private static Predicate<KnownSound> bounded(String field, String sign, String text) {
        Measure measure = MEASURES.get(field);
        if (measure == null) {
            throw new EditException("A filter measures " + String.join(", ", MEASURES.keySet().stream().sorted().toList()) + ", not \"" + field + "\".");
        }
        double bound = ValueText.quantity(text.matches(".*[0-9.]") ? text + measure.bare() : text, measure.unit());
        if (Double.isNaN(bound)) {
            throw new EditException("\"" + field + sign + "\" is followed by a number, for example \"" + field + sign + "1\", not by \"" + text + "\".");
        }
        return sign.equals("<") ? s -> measure.value().applyAsDouble(s) < bound : s -> measure.value().applyAsDouble(s) > bound;
    }
}
