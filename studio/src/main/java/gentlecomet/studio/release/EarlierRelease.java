package gentlecomet.studio.release;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.release.Changes;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.craft.release.Version;
import gentlecomet.studio.patch.ShippedPatch;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** The release that another one is compared with: the highest version that was verified. */
@Component
class EarlierRelease {

    private final ReleaseStore store;

    EarlierRelease(ReleaseStore store) {
        this.store = store;
    }

    /**
     * What patches change against it; nothing is known of releases from before their patches were kept.
     *
     * @param others   among which it is
     * @param measured what a patch measures, or null where loudness is not to be told
     */
    Changes changes(List<ReleaseRow> others, List<ShippedPatch> now, Function<ShippedPatch, Measurement> measured) {
        Optional<ReleaseRow> last = others.stream().filter(r -> r.state().equals("verified") && Version.parse(r.version()).isPresent())
                .max(Comparator.comparing(r -> Version.parse(r.version()).orElseThrow()));
        if (last.isEmpty()) {
            return Changes.FIRST;
        }
        List<ShippedPatch> before = store.patches(last.get().id());
        return before.isEmpty() ? new Changes(last.get().version(), List.of()) : Changes.between(last.get().version(), byPatch(before, measured), byPatch(now, measured));
    }

    /** As it goes into an archive. @param start whether new patches of its category begin as it is */
    static ReleasePatch shipped(ShippedPatch p, Measurement measurement, boolean start) {
        return new ReleasePatch(p.bank(), new CollectionFile.Slot(p.slot(), p.patch(), start), p.revision(), measurement);
    }

    private static Map<String, ReleasePatch> byPatch(List<ShippedPatch> some, Function<ShippedPatch, Measurement> measured) {
        Map<String, ReleasePatch> byPatch = new LinkedHashMap<>();
        some.forEach(p -> byPatch.put(String.valueOf(p.id()), shipped(p, measured.apply(p), false)));
        return byPatch;
    }
}
