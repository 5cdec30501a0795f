package gentlecomet.studio.soundcheck;

import gentlecomet.craft.check.Finding;
import java.util.List;

/** What the soundcheck says of a patch in its present state. @param findings null while it has not been checked */
public record CheckResult(List<Finding> findings) {

    /** Not checked in its present state. */
    public static final CheckResult NONE = new CheckResult(null);

    public boolean checked() {
        return findings != null;
    }

    public long faults() {
        return findings == null ? 0 : findings.stream().filter(f -> f.severity() == Finding.Severity.FAULT).count();
    }

    public long warnings() {
        return findings == null ? 0 : findings.size() - faults();
    }

    /** Findings of a rule family; none while it has not been checked. */
    public List<Finding> of(String family) {
        return findings == null ? List.of() : findings.stream().filter(f -> f.family().equals(family)).toList();
    }

    /** Whether a rule family has a fault, not just something to look at. */
    public boolean faulty(String family) {
        return of(family).stream().anyMatch(f -> f.severity() == Finding.Severity.FAULT);
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
