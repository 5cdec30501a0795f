package gentlecomet.craft.listen;

import gentlecomet.craft.curate.KnownSound;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Pairs of patches that sound alike, for a round that asks which of the two is wanted. */
public final class AlikePairs {

    private AlikePairs() {
    }

    /** Two patches and how far apart they sound, in the fingerprint's dB. */
    public record Pair(KnownSound first, KnownSound second, double distance) {
    }

    /** Every patch with its nearest, each pair once, the most alike first. Patches that have not been measured are left out. */
    public static List<Pair> of(List<KnownSound> some) {
        List<KnownSound> measured = some.stream().filter(s -> s.fingerprint() != null).toList();
        Map<List<Long>, Pair> pairs = new LinkedHashMap<>();
        for (KnownSound one : measured) {
            measured.stream().filter(other -> other.id() != one.id()).min(Comparator.comparingDouble(other -> one.fingerprint().distance(other.fingerprint())))
                    .ifPresent(other -> pairs.putIfAbsent(List.of(Math.min(one.id(), other.id()), Math.max(one.id(), other.id())),
                            new Pair(one, other, one.fingerprint().distance(other.fingerprint()))));
        }
        List<Pair> nearestFirst = new ArrayList<>(pairs.values());
        nearestFirst.sort(Comparator.comparingDouble(Pair::distance));
        return nearestFirst;
    }
}
