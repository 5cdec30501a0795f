package gentlecomet.studio.release;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.release.Changes;
import gentlecomet.craft.release.ReleaseBuilder;
import gentlecomet.craft.release.ReleaseCheck;
import gentlecomet.craft.release.ReleaseContents;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.patch.ShippedPatch;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.CancellationException;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/** Builds and verifies releases. */
@Service
class ReleaseWork {

    private static final Logger LOG = LoggerFactory.getLogger(ReleaseWork.class);
    private static final double BUILD_SHARE = 0.5;

    private final ReleaseStore store;
    private final Collections collections;
    private final Patches patches;
    private final Measures measures;
    private final Assets assets;
    private final EarlierRelease earlier;

    ReleaseWork(ReleaseStore store, Collections collections, Patches patches, Measures measures, Assets assets, EarlierRelease earlier) {
        this.earlier = earlier;
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
        List<ShippedPatch> kept = store.patches(releaseId);
        if (kept.isEmpty()) {
            store.keepPatches(releaseId, patches.latestRevisions(collection.id()));
            kept = store.patches(releaseId);
        }
        Function<ShippedPatch, Measurement> measured = p -> measures.measure(p.patch(), p.soundHash(), collection.rules());
        List<ReleasePatch> shipped = kept.stream().map(p -> EarlierRelease.shipped(p, measured.apply(p))).toList();
        Changes changes = earlier.changes(store.of(row.collectionId()).stream().filter(r -> r.id() < releaseId).toList(), kept, measured);
        CollectionFile file = new CollectionFile(collection.name(), collection.author(), collection.licence(), collection.rules(), banks(shipped),
                assets.neededBy(shipped.stream().map(p -> p.slot().patch()).toList()));
        ReleaseContents contents = new ReleaseContents(file, shipped, row.version(), changes, Set.copyOf(row.choice().formats()), row.choice().plan(), row.reason());
        Path archive = null;
        try {
            archive = Files.createTempFile("release", ".zip");
            new ReleaseBuilder().build(contents, archive, part -> progress(releaseId, part * BUILD_SHARE));
            ReleaseCheck.Report report = new ReleaseCheck(assets).verify(archive, shipped, part -> progress(releaseId, BUILD_SHARE + part * (1 - BUILD_SHARE)));
            List<String> lines = new ArrayList<>(report.lines());
            if (!row.reason().isEmpty()) {
                lines.add(0, "built although something stood against it: " + row.reason());
            }
            try (DigestInputStream in = new DigestInputStream(new BufferedInputStream(Files.newInputStream(archive)), Hashes.digest())) {
                store.keep(releaseId, in);
                store.finish(releaseId, report.passed(), String.join("\n", lines), HexFormat.of().formatHex(in.getMessageDigest().digest()), Files.size(archive), shipped.size());
            }
        } catch (CancellationException e) {
            LOG.info("release {} was cancelled", releaseId);
        } catch (IOException e) {
            throw new UncheckedIOException("the disk took no more: " + e.getMessage(), e);
        } finally {
            if (archive != null) {
                archive.toFile().delete();
            }
        }
    }

    private void progress(long releaseId, double part) {
        if (!store.progress(releaseId, part)) {
            throw new CancellationException();
        }
    }

    /** Notes that a release could not be built. */
    void fail(long releaseId, String reason) {
        store.finish(releaseId, false, "FAULT: " + reason, "", 0, 0);
    }

    private static List<CollectionFile.Bank> banks(List<ReleasePatch> shipped) {
        TreeMap<Integer, List<ReleasePatch>> byBank = new TreeMap<>();
        shipped.forEach(p -> byBank.computeIfAbsent(p.bank(), b -> new ArrayList<>()).add(p));
        return byBank.values().stream()
                .map(list -> new CollectionFile.Bank(list.get(0).bankName(), list.stream().map(ReleasePatch::slot).toList())).toList();
    }
}
