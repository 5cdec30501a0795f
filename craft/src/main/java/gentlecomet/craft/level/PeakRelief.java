package gentlecomet.craft.level;

import gentlecomet.craft.edit.AddEffect;
import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import java.util.Locale;

/**
 * A way out for a patch whose peaks hold it below the target: a limiter at the end of the common chain lifts it, and takes as much from the peaks as the target needs.
 * What it costs is told as what the limiter takes.
 */
public final class PeakRelief {

    private static final int COMMON = -1;
    private static final int LIMITER = Parameters.at(Parameters.ofEffect(COMMON, 0)).choices().indexOf("limiter");
    /** Most that a limiter may be asked to take from peaks before it is heard as more than care (common practice). */
    public static final double MOST_DB = 9;
    private static final double CARE_DB = 0.3;

    private PeakRelief() {
    }

    /**
     * The patch with the limiter, and what it costs.
     *
     * @param takenDb most that the limiter takes from the peaks
     */
    public record Relief(Patch patch, double takenDb, String words) {
    }

    /** What a limiter would take from the peaks of a patch that they hold, in dB; over {@link #MOST_DB} none is put in. */
    public static double takenDb(Levelling.Proposal held) {
        return held.shortByLu() + CARE_DB;
    }

    /**
     * Makes the way out.
     *
     * @throws EditException where the patch needs none, where too much would be lost, or where all places of the chain are taken
     */
    public static Relief of(Patch patch, Measurement measurement, HouseRules rules) {
        Levelling.Proposal now = Levelling.propose(patch, measurement, rules);
        if (measurement.silent() || now.shortByLu() <= rules.toleranceLu()) {
            throw new EditException("\"" + patch.name() + "\" reaches the target without a limiter.");
        }
        double taken = takenDb(now);
        if (taken > MOST_DB) {
            throw new EditException(String.format(Locale.ROOT, "A limiter would have to take %.1f dB from the peaks of \"%s\", which is more than %.0f dB: change the sound itself.", taken, patch.name(), MOST_DB));
        }
        double trim = patch.value(PatchParameters.LEVEL_TRIM);
        double peak = measurement.truePeakDbtp() - trim;
        Patch limited = new AddEffect(COMMON, LIMITER).apply(patch);
        int at = -1;
        for (int slot = 0; slot < PatchParameters.EFFECTS; slot++) {
            if (limited.value(Parameters.ofEffect(COMMON, slot)) != patch.value(Parameters.ofEffect(COMMON, slot))) {
                at = Parameters.ofEffect(COMMON, slot);
            }
        }
        Parameter ceiling = Parameters.at(at + EffectParameters.LIMITER_CEILING);
        // The limiter's ceiling is where peaks may be when the trim has brought them to the house's: what lies above is taken.
        double limit = ceiling.clamp(peak - taken);
        double lift = peak - taken < ceiling.min() ? ceiling.min() - (peak - taken) : 0;
        limited = limited.withValue(Parameters.at(at + EffectParameters.LIMITER_GAIN), Parameters.at(at + EffectParameters.LIMITER_GAIN).clamp(lift)).withValue(ceiling, limit);
        Parameter level = Parameters.at(PatchParameters.LEVEL_TRIM);
        limited = limited.withValue(level, level.clamp(Math.rint((now.trimDb() + now.shortByLu() - lift) * 100) / 100));
        return new Relief(limited, taken, String.format(Locale.ROOT, "limiter, takes up to %.1f dB from the peaks", taken));
    }
}
