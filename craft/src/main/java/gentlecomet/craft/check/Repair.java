package gentlecomet.craft.check;

import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.source.Recordings;
import java.util.Optional;

/**
 * What may mend a finding at a click. Whether it does is found out by probing what it made: one that does not clear its finding, or brings another, is not offered.
 *
 * @param words what it does, as on a button
 * @param way   to the mended patch; nothing where it has no hold in this patch
 */
public record Repair(String words, Way way) {

    /** How a patch is mended. */
    @FunctionalInterface
    public interface Way {
        /** @param recordings for what has to be rendered on the way */
        Optional<Patch> mend(Subject subject, Finding finding, Recordings recordings);
    }
}
