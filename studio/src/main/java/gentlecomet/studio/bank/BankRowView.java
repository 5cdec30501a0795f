package gentlecomet.studio.bank;

import gentlecomet.craft.rules.NameRules;
import gentlecomet.studio.measure.SoundView;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.soundcheck.CheckResult;
import java.util.List;

/**
 * A patch in its slot, with all that is known about it.
 *
 * @param breaches what its name and category break
 * @param verdict  keep, fix, cut, or empty: of the present state
 */
public record BankRowView(PatchSummary patch, SoundView sound, List<NameRules.RuleViolation> breaches, CheckResult check, String verdict) {
}
