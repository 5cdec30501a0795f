package gentlecomet.studio.levels;

import gentlecomet.craft.level.Levelling;
import gentlecomet.craft.level.PeakRelief;
import gentlecomet.craft.measure.Fingerprint;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.studio.measure.SoundView;
import gentlecomet.studio.patch.PatchSummary;
import java.util.Locale;

/**
 * A patch on the ladder.
 *
 * @param sound    what is known of its sound
 * @param trimDb   its level trim
 * @param fingerprint null while it has not been measured
 * @param proposal the trim that would bring it to the target, null while it has not been measured
 */
public record LevelRow(PatchSummary patch, SoundView sound, double trimDb, Levelling.Proposal proposal, Fingerprint fingerprint) {

    /** Smaller steps of the trim than these are not worth one of the history. */
    private static final double LEVEL_STEP_DB = 0.05;
    private static final double CEILING_STEP_DB = 0.005;

    static LevelRow of(PatchSummary patch, Measurement measurement, double trimDb, Fingerprint fingerprint, HouseRules rules) {
        return new LevelRow(patch, new SoundView(patch.category(), measurement, rules), trimDb,
                measurement == null ? null : Levelling.propose(trimDb, patch.category(), measurement, rules), fingerprint);
    }

    /** How far the levels of three notes, an octave apart, lie from each other. */
    public String evennessText() {
        return fingerprint == null ? "…" : String.format(Locale.ROOT, "%.1f dB", fingerprint.spreadDb());
    }

    /** Whether its peaks hold it below the target. */
    public boolean held() {
        return proposal != null && proposal.words().startsWith("The ceiling");
    }

    /** What a limiter would take from the peaks that hold it. */
    public String peaksText() {
        return String.format(Locale.ROOT, "%.1f dB", PeakRelief.takenDb(proposal));
    }

    /** Whether a limiter may take as much. */
    public boolean relieved() {
        return PeakRelief.takenDb(proposal) <= PeakRelief.MOST_DB;
    }

    /** Whether levelling would change it: it is off the target or over the ceiling, and something can be done about it. */
    public boolean toLevel() {
        if (proposal == null || sound.measurement().silent() || sound.levelled() && !sound.overCeiling()) {
            return false;
        }
        return Math.abs(proposal.changeDb()) >= (sound.overCeiling() ? CEILING_STEP_DB : LEVEL_STEP_DB);
    }
}
