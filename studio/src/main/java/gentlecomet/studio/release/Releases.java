package gentlecomet.studio.release;

import gentlecomet.craft.release.Changes;
import gentlecomet.craft.release.build.Exporter;
import gentlecomet.craft.release.Gate;
import gentlecomet.craft.release.build.PlayerExporter;
import gentlecomet.craft.release.build.ReleaseBuilder;
import gentlecomet.craft.release.Version;
import gentlecomet.craft.sample.SamplingPlan;
import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.patch.ShippedPatch;
import gentlecomet.studio.work.WorkQueue;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Releases of collections; only saved revisions go into one. */
@Service
public class Releases {

    private static final int LONGEST_REASON = 500;
    private static final long LARGEST_FILE = 4_000_000_000L;
    private static final double REEL_BYTES_PER_SECOND = 288_000;

    private final ReleaseStore store;
    private final Patches patches;
    private final WorkQueue queue;
    private final ReleasePartTask task;
    private final ReleasePieceStore pieces;
    private final EarlierRelease earlier;
    private final ReleaseGate gate;
    private final Collections collections;

    Releases(ReleaseStore store, Patches patches, WorkQueue queue, ReleasePartTask task, ReleasePieceStore pieces, EarlierRelease earlier, ReleaseGate gate, Collections collections) {
        this.earlier = earlier;
        this.gate = gate;
        this.collections = collections;
        this.store = store;
        this.patches = patches;
        this.queue = queue;
        this.task = task;
        this.pieces = pieces;
    }

    /** What the next release would be. @param version that follows from what has changed */
    record Next(Version version, Changes changes) {
    }

    /**
     * Records a release and asks for its building, both or neither; answers its id.
     *
     * @param choice what it holds beside what every release has
     * @param reason why it is built although something blocks it; it may be empty where nothing does
     * @throws RefusedException where the version is none or has been released, nothing has been saved, or something blocks it and no reason is given
     */
    @Transactional
    public long start(long collectionId, String version, String reason, ReleaseChoice choice) {
        Version wanted = Version.parse(version).orElseThrow(() -> new RefusedException("A version has three numbers and dots between them, as in 1.0.0 or 1.1.0-beta.", "version"));
        if (reason.strip().length() > LONGEST_REASON) {
            throw new RefusedException("The reason has up to " + LONGEST_REASON + " characters.", "reason");
        }
        if (!ReleaseBuilder.chosen().stream().map(Exporter::id).toList().containsAll(choice.formats())) {
            throw new RefusedException("One of these formats is not known.", "formats");
        }
        if (!patches.anyRevision(collectionId)) {
            throw new RefusedException("No patch of this collection has been saved yet, so there is nothing to release.");
        }
        SamplingPlan plan = choice.plan();
        if (choice.formats().contains("reel") && choice.reel().seconds() * REEL_BYTES_PER_SECOND * shipping(collectionId) > LARGEST_FILE) {
            throw new RefusedException("The reel would be larger than 4 GB, which no WAV file can be. Take fewer seconds of each demo.", "reelSeconds");
        }
        if (choice.formats().contains("soundfont")) {
            refuseTooLarge(collectionId, plan);
        }
        CollectionRow collection = collections.get(collectionId);
        if (reason.isBlank() && ReleaseGate.obstacles(collection, gate.rows(collection)).stream().anyMatch(Gate.Obstacle::blocks)) {
            throw new RefusedException("Something stands against this release. Mend it, or write why it is built anyway; the reason stands in the release.", "reason");
        }
        store.hold(collectionId);
        for (ReleaseRow other : store.of(collectionId)) {
            if (!other.state().equals("failed") && Version.parse(other.version()).filter(v -> v.compareTo(wanted) == 0).isPresent()) {
                throw new RefusedException("Version " + wanted + " has been released; what has been released stays as it is. The next would be " + next(collectionId).version() + ".", "version");
            }
        }
        List<ShippedPatch> shipped = patches.latestRevisions(collectionId);
        long id = store.start(collectionId, wanted.toString(), reason.strip(), choice, new ReleaseStore.Begun(collection.name(), collection.author(), collection.licence(),
                collection.details().description(), collection.details().contact(), collection.rules()));
        store.keepPatches(id, shipped);
        queue.ask(task, ReleasePartTask.all(id, shipped.size()));
        return id;
    }

    /** A bank that no SoundFont can hold is told before hours are spent on it. */
    private void refuseTooLarge(long collectionId, SamplingPlan plan) {
        long largest = collections.banks(collectionId).stream().mapToLong(BankRow::patches).max().orElse(0);
        Exporter soundFont = ReleaseBuilder.chosen().stream().filter(e -> e.id().equals("soundfont")).findFirst().orElseThrow();
        long bytes = soundFont.bytes((int) largest, plan);
        if (bytes > LARGEST_FILE) {
            throw new RefusedException("A SoundFont holds at most 4 GB, and one of these banks would have about " + Math.round(bytes / 1e9) + " GB. Sample fewer keys or velocities.", "keyStep");
        }
    }

    /** What would change against the highest version that was verified, and the version that follows from it. */
    Next next(long collectionId) {
        Changes changes = earlier.changes(store.of(collectionId), patches.latestRevisions(collectionId), p -> null);
        return new Next(changes.since().isEmpty() ? new Version(1, 0, 0, "") : Version.parse(changes.since()).orElseThrow().next(changes.step()), changes);
    }

    /** How many patches of a collection would ship. */
    int shipping(long collectionId) {
        return (int) patches.inCollection(collectionId).stream().filter(p -> p.revision() > 0).count();
    }

    /** Releases of a collection, the newest first. */
    public List<ReleaseRow> of(long collectionId) {
        return store.of(collectionId);
    }

    List<ReleaseRow> latest(long collectionId, int most) {
        return store.latest(collectionId, most);
    }

    public ReleaseRow get(long id) {
        return store.find(id).orElseThrow(() -> new MissingException("This release is no longer there."));
    }

    /** Writes the archive of a verified release. @throws MissingException where there is none, or where it was let go */
    public void archive(long id, OutputStream out) throws IOException {
        ReleaseRow row = get(id);
        if (!row.state().equals("verified") || row.thinned()) {
            throw new MissingException("This release has no archive any more, or never had a verified one.");
        }
        try (InputStream in = pieces.archive(id)) {
            in.transferTo(out);
        }
    }

    /** The player that ships in a release. @throws MissingException where it has none, or no archive */
    byte[] player(long id) throws IOException {
        ReleaseRow row = get(id);
        if (row.state().equals("verified") && !row.thinned()) {
            try (ZipInputStream zip = new ZipInputStream(pieces.archive(id))) {
                for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                    if (entry.getName().equals(PlayerExporter.PATH)) {
                        return zip.readAllBytes();
                    }
                }
            }
        }
        throw new MissingException("This release has no player, or its archive was let go.");
    }

    /** Stops the building of a release; one that is finished stays. */
    @Transactional
    public void cancel(long id) {
        get(id);
        store.finish(id, false, "FAULT: cancelled", "", 0, 0);
        queue.cancel(task, ReleasePartTask.all(id, store.patchCount(id)).stream().map(WorkQueue.Item::id).toList());
        pieces.forgetParts(id);
    }

    /** Lets the archive of a release go; its report and its change list stay. */
    @Transactional
    public void thin(long id) {
        if (get(id).state().equals("building")) {
            throw new RefusedException("This release is still being built.");
        }
        pieces.forget(id);
        store.thin(id);
    }
}
