package gentlecomet.studio.measure;

import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;

/**
 * How loud a patch is by its category's phrase, without the rest of the measurement.
 *
 * @param lufs         by the measure of its category
 * @param truePeakDbtp of the phrase
 * @param targetLufs   what patches of its category are brought to
 */
public record PatchLoudness(double lufs, double truePeakDbtp, double targetLufs) {

    private static final double CEILING_CARE_DB = 0.01;

    public static PatchLoudness of(Measurement measurement, String category, HouseRules rules) {
        return new PatchLoudness(rules.measureOf(category).of(measurement), measurement.truePeakDbtp(), rules.targetOf(category));
    }

    /** Distance from the target of its category in LU. */
    public double off() {
        return lufs - targetLufs;
    }

    /** Whether it is within the tolerance of the target. */
    public boolean onTarget(HouseRules rules) {
        return Math.abs(off()) <= rules.toleranceLu();
    }

    public boolean overCeiling(HouseRules rules) {
        return truePeakDbtp > rules.ceilingDbtp() + CEILING_CARE_DB;
    }
}
