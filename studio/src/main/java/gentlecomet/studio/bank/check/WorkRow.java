package gentlecomet.studio.bank.check;

import gentlecomet.craft.check.Finding;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.soundcheck.Waiver;

/**
 * A line of the work list.
 *
 * @param fresh    whether it was not there before the last run
 * @param waiver   why it stands, or null where it counts
 * @param mendable whether there is a repair to try
 */
public record WorkRow(PatchSummary patch, Finding finding, boolean fresh, Waiver waiver, boolean mendable) {

    /** What it is worth: fault, look or waived. */
    public String weight() {
        return waiver != null ? "waived" : finding.severity() == Finding.Severity.FAULT ? "fault" : "look";
    }

    /** Classes of its mark. */
    public String tone() {
        return switch (weight()) {
            case "fault" -> "tag fault-tag";
            case "look" -> "tag warn-tag";
            default -> "tag soft";
        };
    }
}
