package gentlecomet.studio.bench.vary;

import gentlecomet.craft.vary.Place;
import gentlecomet.sound.patch.Patch;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Variations beside a patch without the making of them. */
public final class VariationFixture {

    private VariationFixture() {
    }

    /** As many as asked for, crowded around one place, and one that could not be made. */
    public static void save(JdbcClient jdbc, long patchId, Patch patch, int count) {
        VariationStore store = new VariationStore(jdbc);
        Place origin = new Place(6, 10, -12, -9);
        for (int i = 0; i < count; i++) {
            store.add(patchId, i % 2 == 0 ? "brighter, longer" : "darker", "1280 Hz to 905 Hz, 2.40 s to 3.90 s; more would change its width", List.of("Cutoff 1.02 kHz to 1.39 kHz"), patch,
                    new Place(6 + 0.01 * i, 10 + 0.3 * (i % 3), -12, -9), origin);
        }
        store.add(patchId, "wider", "could not be made wider without changing its brightness", List.of(), patch, null, origin);
    }
}
