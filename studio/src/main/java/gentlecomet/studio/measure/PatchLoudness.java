package gentlecomet.studio.measure;

import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;

/**
 * How loud a patch is by its category's phrase, without the rest of the measurement.
 *
 * @param lufs         by the measure of its category
 * @param truePeakDbtp of the phrase
 */
public record PatchLoudness(double lufs, double truePeakDbtp) {

    private static final double CEILING_CARE_DB = 0.01;

    public static PatchLoudness of(Measurement measurement, String category, HouseRules rules) {
        return new PatchLoudness(rules.measureOf(category).of(measurement), measurement.truePeakDbtp());
    }

    /** Distance from the house's target in LU. */
    public double off(HouseRules rules) {
        return lufs - rules.targetLufs();
    }

    /** Whether it is within the tolerance of the house's target. */
    public boolean onTarget(HouseRules rules) {
        return Math.abs(off(rules)) <= rules.toleranceLu();
    }

    public boolean overCeiling(HouseRules rules) {
        return truePeakDbtp > rules.ceilingDbtp() + CEILING_CARE_DB;
    }
}
