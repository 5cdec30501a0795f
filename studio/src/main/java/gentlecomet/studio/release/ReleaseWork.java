package gentlecomet.studio.release;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.release.Changes;
import gentlecomet.craft.release.build.ReleaseBuilder;
import gentlecomet.craft.release.check.ReleaseCheck;
import gentlecomet.craft.release.build.ReleaseContents;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.bank.start.CategoryStarts;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.ShippedPatch;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/** Builds and verifies releases. */
@Service
class ReleaseWork {

    private static final Logger LOG = LoggerFactory.getLogger(ReleaseWork.class);
    /** Of the progress. */
    private static final double PARTS_SHARE = 0.55;
    private static final double ASSEMBLY_SHARE = 0.1;

    private final ReleaseStore store;
    private final ReleasePieceStore pieces;
    private final Measures measures;
    private final Assets assets;
    private final EarlierRelease earlier;
    private final CategoryStarts starts;

    ReleaseWork(ReleaseStore store, ReleasePieceStore pieces, Measures measures, Assets assets, EarlierRelease earlier, CategoryStarts starts) {
        this.starts = starts;
        this.earlier = earlier;
        this.store = store;
        this.pieces = pieces;
        this.measures = measures;
        this.assets = assets;
    }

    /**
     * Makes the part of one patch, unless it is there.
     *
     * @return whether all parts are there now
     */
    boolean part(long releaseId, int place) {
        ReleaseRow row = store.find(releaseId).orElse(null);
        ShippedPatch shipped = store.patch(releaseId, place).orElse(null);
        if (row == null || shipped == null || !row.state().equals("building")) {
            return false;
        }
        if (!pieces.hasPart(releaseId, place)) {
            ReleaseStore.Begun begun = store.begun(releaseId);
            ReleasePatch patch = EarlierRelease.shipped(shipped, null, false);
            // The archive wants it of every patch; beside the part it costs no time of its own.
            CompletableFuture<Measurement> measured = CompletableFuture.supplyAsync(() -> measures.measure(shipped.patch(), shipped.soundHash(), begun.rules()));
            Path made = null;
            try {
                made = Files.createTempFile("release", ".part");
                try (OutputStream out = Files.newOutputStream(made)) {
                    new ReleaseBuilder().part(contents(row, begun, List.of(patch), Changes.FIRST), patch, out);
                }
                try (InputStream in = Files.newInputStream(made)) {
                    pieces.keepPart(releaseId, place, in);
                }
                measured.get();
            } catch (ExecutionException e) {
                throw e.getCause() instanceof RuntimeException known ? known : new IllegalStateException(e.getCause());
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new CancellationException();
            } catch (IOException e) {
                throw new UncheckedIOException("the disk took no more: " + e.getMessage(), e);
            } finally {
                remove(made);
            }
        }
        int all = store.patchCount(releaseId);
        int there = pieces.parts(releaseId);
        return store.progress(releaseId, PARTS_SHARE * there / all) && there == all;
    }

    /** Puts the parts together, opens what came of it afresh and verifies it; done again after a crash it renders for the verification alone. */
    void assemble(long releaseId) {
        ReleaseRow row = store.find(releaseId).orElse(null);
        if (row == null || !row.state().equals("building")) {
            return;
        }
        ReleaseStore.Begun begun = store.begun(releaseId);
        List<ShippedPatch> kept = store.patches(releaseId);
        Function<ShippedPatch, Measurement> measured = p -> measures.measure(p.patch(), p.soundHash(), begun.rules());
        Set<Long> starting = starts.ids(row.collectionId());
        List<ReleasePatch> shipped = kept.stream().map(p -> EarlierRelease.shipped(p, measured.apply(p), starting.contains(p.id()))).toList();
        Changes changes = earlier.changes(store.of(row.collectionId()).stream().filter(r -> r.id() < releaseId).toList(), kept, measured);
        Path archive = null;
        try {
            archive = Files.createTempFile("release", ".zip");
            new ReleaseBuilder().build(contents(row, begun, shipped, changes), place -> pieces.part(releaseId, place), archive,
                    part -> progress(releaseId, PARTS_SHARE + part * ASSEMBLY_SHARE));
            ReleaseCheck.Report report = ReleaseCheck.verify(archive, shipped, row.choice().plan(), part -> progress(releaseId, PARTS_SHARE + ASSEMBLY_SHARE + part * (1 - PARTS_SHARE - ASSEMBLY_SHARE)));
            List<String> lines = new ArrayList<>(report.lines());
            if (!row.reason().isEmpty()) {
                lines.add(0, "built although something stood against it: " + row.reason());
            }
            try (DigestInputStream in = new DigestInputStream(new BufferedInputStream(Files.newInputStream(archive)), Hashes.digest())) {
                pieces.keep(releaseId, in);
                store.finish(releaseId, report.passed(), String.join("\n", lines), HexFormat.of().formatHex(in.getMessageDigest().digest()), Files.size(archive), shipped.size());
                pieces.forgetParts(releaseId);
            }
        } catch (CancellationException e) {
            LOG.info("release {} was cancelled", releaseId);
        } catch (IOException e) {
            throw new UncheckedIOException("the disk took no more: " + e.getMessage(), e);
        } finally {
            remove(archive);
        }
    }

    private ReleaseContents contents(ReleaseRow row, ReleaseStore.Begun begun, List<ReleasePatch> shipped, Changes changes) {
        Map<String, byte[]> needed = assets.neededBy(shipped.stream().map(p -> p.slot().patch()).toList());
        for (ReleasePatch p : shipped) {
            p.slot().patch().recordings().stream().filter(r -> !needed.containsKey(r.hash())).findFirst().ifPresent(lacking -> {
                throw new RefusedException("the recording " + lacking.name() + " of " + p.slot().patch().name() + " is not there any more");
            });
        }
        CollectionFile file = new CollectionFile(begun.name(), begun.author(), begun.licence(), begun.rules(), banks(shipped), needed, begun.about(), begun.contact());
        return new ReleaseContents(file, shipped, row.version(), changes, Set.copyOf(row.choice().formats()), row.choice().plan(), row.choice().reel(), row.reason());
    }

    private static void remove(Path file) {
        if (file != null) {
            file.toFile().delete();
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
        pieces.forgetParts(releaseId);
    }

    private static List<CollectionFile.Bank> banks(List<ReleasePatch> shipped) {
        TreeMap<Integer, List<ReleasePatch>> byBank = new TreeMap<>();
        shipped.forEach(p -> byBank.computeIfAbsent(p.bank(), b -> new ArrayList<>()).add(p));
        return byBank.values().stream()
                .map(list -> new CollectionFile.Bank(list.get(0).in().name(), list.get(0).in().msb(), list.get(0).in().lsb(), list.stream().map(ReleasePatch::slot).toList())).toList();
    }
}
