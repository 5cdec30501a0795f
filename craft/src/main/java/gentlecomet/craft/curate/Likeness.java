package gentlecomet.craft.curate;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.PriorityQueue;

/** Which sounds of many are alike, by their fingerprints. */
public final class Likeness {

    private Likeness() {
    }

    /** Two sounds. @param distance as {@link gentlecomet.craft.measure.Fingerprint#distance} gives it */
    public record Pair(KnownSound one, KnownSound other, double distance) {
    }

    /** The pairs that are most alike, those first. Every two sounds are held against each other, so time grows with the square of their number. */
    public static List<Pair> nearestPairs(List<KnownSound> sounds, int most) {
        PriorityQueue<Pair> nearest = new PriorityQueue<>(Comparator.comparingDouble(Pair::distance).reversed());
        for (int i = 0; i < sounds.size(); i++) {
            for (int k = 0; k < i; k++) {
                if (sounds.get(i).fingerprint() != null && sounds.get(k).fingerprint() != null) {
                    double distance = sounds.get(i).fingerprint().distance(sounds.get(k).fingerprint());
                    if (nearest.size() < most || distance < nearest.peek().distance()) {
                        nearest.add(new Pair(sounds.get(k), sounds.get(i), distance));
                        if (nearest.size() > most) {
                            nearest.poll();
                        }
                    }
                }
            }
        }
        List<Pair> pairs = new ArrayList<>(nearest);
        pairs.sort(Comparator.comparingDouble(Pair::distance));
        return pairs;
    }

    /** The sounds nearest to one, without itself, the nearest first. */
    public static List<Pair> neighbours(KnownSound one, List<KnownSound> others, int most) {
        return one.fingerprint() == null ? List.of() : others.stream().filter(s -> s.id() != one.id() && s.fingerprint() != null)
                .map(s -> new Pair(one, s, one.fingerprint().distance(s.fingerprint()))).sorted(Comparator.comparingDouble(Pair::distance)).limit(most).toList();
    }
}
