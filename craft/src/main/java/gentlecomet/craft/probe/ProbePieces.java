package gentlecomet.craft.probe;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;

/** The pieces of what is probed, each with the digest of what it heard: one that an earlier state of the patch has with the same digest is taken from there. */
final class ProbePieces {

    private final Probes earlier;
    private final Map<String, String> heard = new LinkedHashMap<>();

    /** @param earlier what was probed of another state, or null */
    ProbePieces(Probes earlier) {
        this.earlier = earlier;
    }

    /**
     * A piece.
     *
     * @param name   of the piece, once in a patch
     * @param heard  digest of everything that it depends on
     * @param before finds it in what was probed earlier; null where that has none
     * @param render makes it
     */
    <T> T of(String name, String heard, Function<Probes, T> before, Supplier<T> render) {
        note(name, heard);
        return known(name, heard, p -> Optional.ofNullable(before.apply(p))).orElseGet(render);
    }

    /** A piece as it was probed earlier, where it depended on the same. */
    <T> Optional<T> known(String name, String heard, Function<Probes, Optional<T>> before) {
        Optional<T> known = earlier(name).filter(heard::equals).flatMap(digest -> before.apply(earlier));
        known.ifPresent(found -> note(name, heard));
        return known;
    }

    /** What a piece depended on earlier. */
    Optional<String> earlier(String name) {
        return Optional.ofNullable(earlier).map(p -> p.heard().get(name));
    }

    /** Keeps what a piece depends on. */
    void note(String name, String heard) {
        this.heard.put(name, heard);
    }

    Map<String, String> heard() {
        return heard;
    }
}
