package gentlecomet.studio.soundcheck;

import gentlecomet.craft.check.Finding;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * What the soundcheck says of a patch in its present state.
 *
 * @param findings those that count; null while it has not been checked
 * @param waived   those that somebody lets stand
 */
public record CheckResult(List<Finding> findings, List<Finding> waived) {

    /** Not checked in its present state. */
    public static final CheckResult NONE = new CheckResult(null, List.of());

    /** @param waivers by the key of the finding */
    static CheckResult of(List<Finding> all, Map<String, Waiver> waivers) {
        List<Finding> counting = new ArrayList<>();
        List<Finding> waived = new ArrayList<>();
        for (Finding f : all) {
            Waiver waiver = waivers.get(f.key());
            (waiver != null && waiver.holds() ? waived : counting).add(f);
        }
        return new CheckResult(counting, waived);
    }

    public boolean checked() {
        return findings != null;
    }

    public long faults() {
        return findings == null ? 0 : findings.stream().filter(f -> f.severity() == Finding.Severity.FAULT).count();
    }

    public long warnings() {
        return findings == null ? 0 : findings.size() - faults();
    }

    /** In a word or two. */
    public String text() {
        return findings == null ? "not checked" : findings.isEmpty() ? "passed"
                : faults() == 0 ? warnings() + " to look at"
                : faults() + (faults() == 1 ? " fault" : " faults") + (warnings() == 0 ? "" : ", " + warnings() + " to look at");
    }

    /** Class of the text's colour. */
    public String tone() {
        return findings == null ? "soft" : faults() > 0 ? "fault" : warnings() > 0 ? "warn" : "good";
    }
}
