package gentlecomet.studio.release;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.release.ReleaseBuilder;
import gentlecomet.craft.release.ReleaseCheck;
import gentlecomet.craft.release.ReleaseContents;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.patch.Patches;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import org.springframework.stereotype.Service;

/** Builds and verifies releases. */
@Service
class ReleaseWork {

    private static final double BUILD_SHARE = 0.5;

    private final ReleaseStore store;
    private final Collections collections;
    private final Patches patches;
    private final Measures measures;
    private final Assets assets;

    ReleaseWork(ReleaseStore store, Collections collections, Patches patches, Measures measures, Assets assets) {
        this.store = store;
        this.collections = collections;
        this.patches = patches;
        this.measures = measures;
        this.assets = assets;
    }

    /** Renders, packs and verifies; safe to run again after a crash. */
    void build(long releaseId) {
        ReleaseRow row = store.find(releaseId).orElse(null);
        if (row == null || !row.state().equals("building")) {
            return;
        }
        CollectionRow collection = collections.get(row.collectionId());
        List<ReleasePatch> shipped = shipped(collection);
        CollectionFile file = new CollectionFile(collection.name(), collection.author(), collection.licence(), collection.rules(), banks(shipped),
                assets.neededBy(shipped.stream().map(p -> p.slot().patch()).toList()));
        byte[] archive = new ReleaseBuilder().build(new ReleaseContents(file, shipped, row.version()), part -> store.progress(releaseId, part * BUILD_SHARE));
        ReleaseCheck.Report report = new ReleaseCheck(assets).verify(archive, shipped,
                part -> store.progress(releaseId, BUILD_SHARE + part * (1 - BUILD_SHARE)));
        store.finish(releaseId, report.passed(), String.join("\n", report.lines()), Hashes.of(archive), archive, shipped.size());
    }

    /** Notes that a release could not be built. */
    void fail(long releaseId, String reason) {
        store.finish(releaseId, false, "FAULT: " + reason, "", new byte[0], 0);
    }

    private List<ReleasePatch> shipped(CollectionRow collection) {
        return patches.latestRevisions(collection.id()).stream().map(s -> new ReleasePatch(s.bankPosition(), s.bankName(),
                new CollectionFile.Slot(s.slot(), s.patch()), s.revision(), measures.measure(s.patch(), s.soundHash(), collection.rules()))).toList();
    }

    private static List<CollectionFile.Bank> banks(List<ReleasePatch> shipped) {
        TreeMap<Integer, List<ReleasePatch>> byBank = new TreeMap<>();
        shipped.forEach(p -> byBank.computeIfAbsent(p.bank(), b -> new ArrayList<>()).add(p));
        return byBank.values().stream()
                .map(list -> new CollectionFile.Bank(list.get(0).bankName(), list.stream().map(ReleasePatch::slot).toList())).toList();
    }
}
