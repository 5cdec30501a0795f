package gentlecomet.craft.check.rule;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.check.Threshold;
import gentlecomet.sound.parameter.PatchParameters;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Where a macro stands when a patch is loaded. */
public final class MacroDefault extends SoundcheckRule {

    public MacroDefault() {
        super("macro.default", Finding.Severity.WARNING, "A macro stands where the house wants it when the patch is loaded.", "Set the position of the macro, or leave the field of the house rule empty.");
    }

    private static final Threshold OFF = new Threshold("off", "%", 0.5, "by which a macro may stand elsewhere");

    @Override
    public List<Threshold> thresholds() {
        return List.of(OFF);
    }

    @Override
    public List<Finding> check(Subject subject) {
        List<Finding> findings = new ArrayList<>();
        for (UsedMacro used : UsedMacro.of(subject.patch())) {
            double wanted = subject.house().macroDefault(used.number());
            double stands = subject.patch().value(PatchParameters.MACRO + used.number());
            if (wanted >= 0 && Math.abs(stands - wanted) > OFF.standard()) {
                findings.add(finding(String.format(Locale.ROOT, "%s stands at %.0f %%; the house wants %.0f %%.", used.title(), stands, wanted), used.place(), "",
                        "expected", String.format(Locale.ROOT, "%.0f %%", wanted), "found", String.format(Locale.ROOT, "%.1f %%", stands)));
            }
        }
        return findings;
    }
}
