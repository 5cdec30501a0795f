package gentlecomet.craft.check.rule;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import java.util.List;

/** How many macros a patch has. */
public final class FewMacros extends SoundcheckRule {

    public FewMacros() {
        super("macro.few", Finding.Severity.WARNING, "A patch has as many macros as the house wants.", "Give another macro a target on the stage of performance.");
    }

    @Override
    public List<Finding> check(Subject subject) {
        int used = UsedMacro.of(subject.patch()).size();
        return used >= subject.house().fewestMacros() ? List.of() : List.of(finding("The patch has " + used + " macros; the house wants at least "
                + subject.house().fewestMacros() + ".", "macro1", "", "macros", String.valueOf(used)));
    }
}
