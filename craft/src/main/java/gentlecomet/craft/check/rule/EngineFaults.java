package gentlecomet.craft.check.rule;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import java.util.List;

/** The engine had to silence voices. */
public final class EngineFaults extends SoundcheckRule {

    public EngineFaults() {
        super("silence.fault", Finding.Severity.FAULT, "Every voice produces valid sound.", "Undo the last step; what the engine silenced is a combination of values that it cannot play.");
    }

    @Override
    public List<Finding> check(Subject subject) {
        int faults = subject.played().faults();
        return faults == 0 ? List.of()
                : List.of(finding("The engine silenced voices that produced no valid sound.", "", subject.probe(), "voices", String.valueOf(faults)));
    }
}
