package gentlecomet.craft.check.rule;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import java.util.ArrayList;
import java.util.List;

/** A macro without a name. */
public final class UnnamedMacro extends SoundcheckRule {

    public UnnamedMacro() {
        super("macro.unnamed", Finding.Severity.WARNING, "A macro that moves something has a name.", "Name the macro on the stage of performance.");
    }

    @Override
    public List<Finding> check(Subject subject) {
        List<Finding> findings = new ArrayList<>();
        for (UsedMacro used : UsedMacro.of(subject.patch())) {
            if (used.macro().name().isEmpty()) {
                findings.add(finding(used.title() + " moves something but has no name.", used.place(), ""));
            }
        }
        return findings;
    }
}
