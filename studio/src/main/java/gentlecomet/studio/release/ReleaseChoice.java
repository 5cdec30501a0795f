package gentlecomet.studio.release;

import gentlecomet.craft.sample.SamplingPlan;
import gentlecomet.studio.page.RefusedException;
import java.util.List;

/**
 * What a release is to hold beside what every one has.
 *
 * @param formats ids
 * @param keyStep semitones from one sampled key to the next
 * @param layers  velocities at which patches are sampled
 */
public record ReleaseChoice(List<String> formats, int keyStep, int layers) {

    /** Nothing. */
    public static final ReleaseChoice NOTHING = new ReleaseChoice(List.of(), SamplingPlan.USUAL.keyStep(), SamplingPlan.USUAL.velocities().size());

    /** @throws RefusedException where it cannot be */
    SamplingPlan plan() {
        try {
            return SamplingPlan.of(keyStep, layers);
        } catch (IllegalArgumentException e) {
            throw new RefusedException("Patches are sampled every 1 to 24 keys at 1 to 3 velocities.", "keyStep");
        }
    }
}
