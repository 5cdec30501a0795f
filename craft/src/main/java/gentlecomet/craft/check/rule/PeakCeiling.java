package gentlecomet.craft.check.rule;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.FindingText;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.check.Threshold;
import java.util.List;
import java.util.Locale;

/** True peak (ITU-R BS.1770-4) against the ceiling of the house. */
public final class PeakCeiling extends SoundcheckRule {

    public PeakCeiling() {
        super("level.ceiling", Finding.Severity.FAULT, "The true peak of the phrase stays below the ceiling of the house.", "Level the patch: the trim goes no higher than the ceiling lets it.");
    }

    private static final Threshold CARE = new Threshold("care", "dB", 0.01, "by which a peak may pass the ceiling, since figures are rounded");

    @Override
    public List<Threshold> thresholds() {
        return List.of(CARE);
    }

    @Override
    public List<Finding> check(Subject subject) {
        double peak = subject.measurement().truePeakDbtp();
        double ceiling = subject.house().ceilingDbtp();
        return peak <= ceiling + CARE.standard() ? List.of() : List.of(finding(String.format(Locale.ROOT, "The true peak is %.1f dB above the ceiling of %.1f dBTP.", peak - ceiling, ceiling),
                "levelTrim", "phrase", "true peak", FindingText.dbtp(peak), "ceiling", FindingText.dbtp(ceiling)));
    }
}
