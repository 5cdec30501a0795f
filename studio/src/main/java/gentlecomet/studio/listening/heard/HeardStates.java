package gentlecomet.studio.listening.heard;

import gentlecomet.craft.format.PatchFormat;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.patch.StateKind;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** States as they were heard, kept whatever becomes of their patches. */
@Service
public class HeardStates {

    private final HeardStateStore store;
    private final Patches patches;

    HeardStates(HeardStateStore store, Patches patches) {
        this.store = store;
        this.patches = patches;
    }

    /** @throws MissingException where it was not kept */
    public Patch get(String contentHash) {
        return PatchFormat.read(store.find(contentHash).orElseThrow(() -> new MissingException("This state of the patch is no longer kept.")), "heard");
    }

    /** Keeps a state, which is the present one of its patch or is kept already, and the sound files that it plays. @param roundId 0 for none */
    @Transactional
    public void keep(HeardSound heard, long roundId) {
        boolean kept = store.find(heard.contentHash()).isPresent();
        Patch state = kept ? get(heard.contentHash()) : patches.get(heard.patchId()).patch();
        if (!kept) {
            store.keep(heard, PatchFormat.write(state));
        }
        if (heard.patchId() != 0) {
            patches.noteAssets(heard.patchId(), StateKind.HEARD, roundId, state);
        }
    }

    /** A round plays a state no longer. */
    @Transactional
    public void letGo(HeardSound heard, long roundId) {
        if (heard.patchId() != 0) {
            patches.forgetAssets(heard.patchId(), StateKind.HEARD, roundId);
        }
    }

    /** Forgets the states that no round plays and nobody has spoken of. */
    @Transactional
    public void forgetUnused() {
        store.forgetUnused();
    }
}
