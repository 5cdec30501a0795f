package gentlecomet.studio.service;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.craft.release.ReleaseBuilder;
import gentlecomet.craft.release.ReleaseCheck;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.studio.jobs.Jobs;
import gentlecomet.studio.store.CollectionStore;
import gentlecomet.studio.store.CollectionStore.CollectionRow;
import gentlecomet.studio.store.MeasureStore;
import gentlecomet.studio.store.PatchStore;
import gentlecomet.studio.store.ReleaseStore;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Builds, verifies and keeps releases; only saved revisions go into one. */
@Service
public class Releases {

    private static final double BUILD_SHARE = 0.5;

    private final CollectionStore collections;
    private final PatchStore patches;
    private final MeasureStore measures;
    private final ReleaseStore releases;
    private final Assets assets;
    private final Jobs jobs;

    public Releases(CollectionStore collections, PatchStore patches, MeasureStore measures, ReleaseStore releases, Assets assets, Jobs jobs) {
        this.jobs = jobs;
        this.assets = assets;
        this.collections = collections;
        this.patches = patches;
        this.measures = measures;
        this.releases = releases;
    }

    /** Records a release and asks for its building, both or neither; the work itself is done by {@link #build}. */
    @Transactional
    public long start(long collectionId, String version) {
        if (!version.matches("[0-9A-Za-z][0-9A-Za-z.-]{0,19}")) {
            throw new RefusedException("A version has up to 20 letters, digits, dots and dashes, for example 1.0.", "version");
        }
        if (patches.latestRevisions(collectionId).isEmpty()) {
            throw new RefusedException("No patch of this collection has been saved yet, so there is nothing to release.");
        }
        long id = releases.start(collectionId, version);
        jobs.release(id);
        return id;
    }

    /** Renders, packs and verifies; safe to run again after a crash. */
    public void build(long releaseId) {
        ReleaseStore.ReleaseRow row = releases.find(releaseId).orElse(null);
        if (row == null || !row.state().equals("building")) {
            return;
        }
        CollectionRow collection = collections.find(row.collectionId()).orElseThrow();
        List<ReleasePatch> approved = approved(collection);
        CollectionFile file = new CollectionFile(collection.name(), collection.author(), collection.licence(), collection.rules(), banks(approved),
                assets.neededBy(approved.stream().map(p -> p.slot().patch()).toList()));
        byte[] archive = new ReleaseBuilder().build(file, approved, row.version(), part -> releases.progress(releaseId, part * BUILD_SHARE));
        ReleaseCheck.Report report = new ReleaseCheck(assets).verify(archive, approved,
                part -> releases.progress(releaseId, BUILD_SHARE + part * (1 - BUILD_SHARE)));
        releases.finish(releaseId, report.passed(), String.join("\n", report.lines()), Hashes.of(archive), archive, approved.size());
    }

    /** Notes that a release could not be built. */
    public void fail(long releaseId, String reason) {
        releases.finish(releaseId, false, "FAULT: " + reason, "", new byte[0], 0);
    }

    private List<ReleasePatch> approved(CollectionRow collection) {
        List<ReleasePatch> approved = new ArrayList<>();
        Measuring measuring = new Measuring(assets);
        for (PatchStore.ReleaseRow r : patches.latestRevisions(collection.id())) {
            String phrase = collection.rules().phraseOf(r.revision().patch().naming().category());
            String sound = Hashes.sound(r.revision().patch());
            Measurement m = measures.measurement(sound, phrase).orElseGet(() -> {
                Measurement made = measuring.measure(r.revision().patch(), Phrases.get(phrase));
                measures.save(sound, phrase, made);
                return made;
            });
            approved.add(new ReleasePatch(r.bankPosition(), r.bankName(), new CollectionFile.Slot(r.slot(), r.revision().patch()),
                    r.revision().number(), m));
        }
        return approved;
    }

    private static List<CollectionFile.Bank> banks(List<ReleasePatch> approved) {
        TreeMap<Integer, List<ReleasePatch>> byBank = new TreeMap<>();
        approved.forEach(p -> byBank.computeIfAbsent(p.bank(), b -> new ArrayList<>()).add(p));
        return byBank.values().stream()
                .map(list -> new CollectionFile.Bank(list.get(0).bankName(), list.stream().map(ReleasePatch::slot).toList())).toList();
    }
}
