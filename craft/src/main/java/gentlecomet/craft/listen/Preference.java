package gentlecomet.craft.listen;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Puts things in order of preference by asking which of two: each is put among those that stand already by halving (binary insertion, Knuth, The Art of
 * Computer Programming 3, 5.2.1), which asks about n log2 n - 1.4 n times. What has been answered decides alone, so a round goes on wherever it was left.
 */
public final class Preference {

    private final List<Integer> ranking = new ArrayList<>();
    private Pair next;

    /** Two things to be held against each other, by their places. */
    public record Pair(int first, int second) {
    }

    private Preference() {
    }

    /**
     * Where the order stands.
     *
     * @param things places in the order in which they are put in
     * @param preferred of every pair that was asked, the place that was preferred
     */
    public static Preference of(List<Integer> things, Map<Pair, Integer> preferred) {
        Map<Set<Integer>, Integer> answers = new HashMap<>();
        preferred.forEach((pair, place) -> answers.put(Set.of(pair.first(), pair.second()), place));
        Preference preference = new Preference();
        for (int thing : things) {
            if (!preference.put(thing, answers)) {
                break;
            }
        }
        return preference;
    }

    private boolean put(int thing, Map<Set<Integer>, Integer> answers) {
        int from = 0;
        int to = ranking.size();
        while (from < to) {
            int middle = (from + to) / 2;
            int other = ranking.get(middle);
            Integer preferred = answers.get(Set.of(thing, other));
            if (preferred == null) {
                next = new Pair(thing, other);
                return false;
            }
            if (preferred == thing) {
                to = middle;
            } else {
                from = middle + 1;
            }
        }
        ranking.add(from, thing);
        return true;
    }

    /** What is to be asked now, null when all stand in order. */
    public Pair next() {
        return next;
    }

    /** Places in order so far, the most preferred first. */
    public List<Integer> ranking() {
        return List.copyOf(ranking);
    }

    /** The most that can have to be asked for so many things: the sum of log2, each rounded up. */
    public static int most(int things) {
        int asked = 0;
        for (int standing = 1; standing < things; standing++) {
            asked += Integer.SIZE - Integer.numberOfLeadingZeros(standing);
        }
        return asked;
    }
}
