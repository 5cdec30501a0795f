package gentlecomet.studio.player;

import gentlecomet.craft.phrase.Clip;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import org.springframework.stereotype.Service;

/** Clips of patches as pages ask for them. */
@Service
public class PatchClips {

    private static final double LONGEST_SECONDS = 30;

    private final Collections collections;

    PatchClips(Collections collections) {
        this.collections = collections;
    }

    /** @param notes in the notation of {@link Clip} @throws RefusedException with the word that has no meaning, or where it is too long */
    public Clip read(PatchRow row, String notes) {
        try {
            Clip clip = Clip.parse(notes, collections.of(row).rules().phraseFor(row.category()).as(row.patch()));
            if (clip.phrase().seconds() <= LONGEST_SECONDS) {
                return clip;
            }
        } catch (IllegalArgumentException e) {
            throw new RefusedException(e.getMessage());
        }
        throw new RefusedException("A clip has at most 30 s.");
    }
}
