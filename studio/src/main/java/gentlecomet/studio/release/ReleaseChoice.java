package gentlecomet.studio.release;

import gentlecomet.craft.release.ReelPlan;
import gentlecomet.craft.sample.SamplingPlan;
import gentlecomet.studio.page.RefusedException;
import java.util.List;

/**
 * What a release is to hold beside what every one has. What is left out is as usual.
 *
 * @param formats     ids
 * @param keyStep     semitones from one sampled key to the next
 * @param layers      velocities at which patches are sampled
 * @param held        seconds for which a key is held
 * @param robins      recordings of a key of patches that never sound the same
 * @param bits        of samples
 * @param rate        of samples, in Hz
 * @param mono        samples of one channel
 * @param reelOrder   in which demos follow each other
 * @param reelSeconds of each demo
 */
public record ReleaseChoice(List<String> formats, Integer keyStep, Integer layers, Double held, Integer robins, Integer bits, Integer rate, Boolean mono,
        ReelPlan.Order reelOrder, Double reelSeconds) {

    private static final SamplingPlan USUAL = SamplingPlan.USUAL;

    public ReleaseChoice {
        formats = formats == null ? List.of() : List.copyOf(formats);
        keyStep = keyStep == null ? Integer.valueOf(USUAL.keyStep()) : keyStep;
        layers = layers == null ? Integer.valueOf(USUAL.velocities().size()) : layers;
        held = held == null ? Double.valueOf(USUAL.held()) : held;
        robins = robins == null ? Integer.valueOf(USUAL.robins()) : robins;
        bits = bits == null ? Integer.valueOf(USUAL.bits()) : bits;
        rate = rate == null ? Integer.valueOf(USUAL.rate()) : rate;
        mono = mono != null && mono;
        reelOrder = reelOrder == null ? ReelPlan.USUAL.order() : reelOrder;
        reelSeconds = reelSeconds == null ? Double.valueOf(ReelPlan.USUAL.seconds()) : reelSeconds;
    }

    /** Some formats as they usually are. */
    public static ReleaseChoice of(String... formats) {
        return new ReleaseChoice(List.of(formats), null, null, null, null, null, null, null, null, null);
    }

    /** @throws RefusedException where it cannot be */
    SamplingPlan plan() {
        try {
            return SamplingPlan.of(keyStep, layers, held, robins, bits, rate, mono);
        } catch (IllegalArgumentException e) {
            throw new RefusedException("Patches cannot be sampled so: " + e.getMessage() + ".", "keyStep");
        }
    }

    /** @throws RefusedException where it cannot be */
    ReelPlan reel() {
        try {
            return new ReelPlan(reelOrder, reelSeconds);
        } catch (IllegalArgumentException e) {
            throw new RefusedException("The reel cannot be made so: " + e.getMessage() + ".", "reelSeconds");
        }
    }
}
