package gentlecomet.studio.release;

import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.work.WorkQueue;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Releases of collections; only saved revisions go into one. */
@Service
public class Releases {

    private final ReleaseStore store;
    private final Patches patches;
    private final WorkQueue queue;
    private final ReleaseTask task;

    Releases(ReleaseStore store, Patches patches, WorkQueue queue, ReleaseTask task) {
        this.store = store;
        this.patches = patches;
        this.queue = queue;
        this.task = task;
    }

    /** Records a release and asks for its building, both or neither; answers its id. */
    @Transactional
    public long start(long collectionId, String version) {
        if (!version.matches("[0-9A-Za-z][0-9A-Za-z.-]{0,19}")) {
            throw new RefusedException("A version has up to 20 letters, digits, dots and dashes, for example 1.0.", "version");
        }
        if (!patches.anyRevision(collectionId)) {
            throw new RefusedException("No patch of this collection has been saved yet, so there is nothing to release.");
        }
        long id = store.start(collectionId, version);
        queue.ask(task, List.of(new WorkQueue.Item<>(String.valueOf(id), new ReleaseTask.Data(id))));
        return id;
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

    public byte[] archive(long id) {
        return store.archive(id).orElseThrow(() -> new MissingException("This release has no verified archive."));
    }
}
