package gentlecomet.craft.check.rule;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import java.util.ArrayList;
import java.util.List;

/** The order of macros that the house has. */
public final class MacroOrder extends SoundcheckRule {

    public MacroOrder() {
        super("macro.order", Finding.Severity.WARNING, "A macro stands where the house has its name.", "Swap the macros, or rename this one.");
    }

    @Override
    public List<Finding> check(Subject subject) {
        List<Finding> findings = new ArrayList<>();
        for (UsedMacro used : UsedMacro.of(subject.patch())) {
            List<String> names = subject.house().macroNames();
            String wanted = used.number() < names.size() ? names.get(used.number()) : "";
            if (!used.macro().name().isEmpty() && !wanted.isEmpty() && !used.macro().name().equals(wanted)) {
                findings.add(finding(used.title() + " stands where the house has \"" + wanted + "\".", used.place(), "", "expected", wanted, "found", used.macro().name()));
            }
        }
        return findings;
    }
}
