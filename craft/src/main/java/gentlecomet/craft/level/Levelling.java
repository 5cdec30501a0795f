package gentlecomet.craft.level;

import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;

/** Brings a patch to the house loudness by its level trim, which comes after everything else. */
public final class Levelling {

    private static final Parameter TRIM = Parameters.at(PatchParameters.LEVEL_TRIM);

    private Levelling() {
    }

    /**
     * A proposed trim.
     *
     * @param trimDb      the new trim
     * @param changeDb    how far it moves from the present one
     * @param reachedLufs loudness after the change
     * @param shortByLu   how far below the target the ceiling or the trim's range holds it; 0 when the target is reached
     * @param words       what gives way, empty when nothing does
     */
    public record Proposal(double trimDb, double changeDb, double reachedLufs, double shortByLu, String words) {
    }

    /** The trim that brings a patch to the target, or as near to it as the ceiling lets it come. */
    public static Proposal propose(Patch patch, Measurement measurement, HouseRules rules) {
        return propose(patch.value(TRIM.index()), patch.naming().category(), measurement, rules);
    }

    /** The same of a patch whose content nobody has read. @param present its trim in dB @param category id of its category */
    public static Proposal propose(double present, String category, Measurement measurement, HouseRules rules) {
        if (measurement.silent()) {
            return new Proposal(present, 0, measurement.integratedLufs(), 0, "The patch is silent, so there is nothing to level.");
        }
        double loudness = rules.measureOf(category).of(measurement);
        double wanted = rules.targetOf(category) - loudness;
        double room = rules.ceilingDbtp() - measurement.truePeakDbtp();
        double allowed = Math.min(wanted, room);
        double trim = Math.rint(TRIM.clamp(present + allowed) * 100) / 100;
        double change = trim - present;
        double shortBy = Math.max(0, wanted - change);
        String words = shortBy <= rules.toleranceLu() ? ""
                : wanted > room ? String.format("The ceiling of %.1f dBTP holds the patch %.1f LU below the target.",
                        rules.ceilingDbtp(), shortBy)
                : String.format("The trim's range ends %.1f LU below the target.", shortBy);
        return new Proposal(trim, change, loudness + change, shortBy, words);
    }

    /** The patch with a proposal applied. */
    public static Patch apply(Patch patch, Proposal proposal) {
        return patch.withValue(TRIM, proposal.trimDb());
    }
}
