package gentlecomet.craft.check.rule;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.FindingText;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.rules.HouseRules;
import java.util.List;
import java.util.Locale;

/** Loudness (ITU-R BS.1770-4) against the target of the house. */
public final class LoudnessTarget extends SoundcheckRule {

    public LoudnessTarget() {
        super("level.loudness", Finding.Severity.WARNING, "The loudness by the category's measure is within the tolerance of the target.", "Level the patch on the page of levels or on its stage of the bench.");
    }

    @Override
    public List<Finding> check(Subject subject) {
        HouseRules house = subject.house();
        double loudness = house.measureOf(subject.patch().naming().category()).of(subject.measurement());
        double off = loudness - house.targetLufs();
        return Math.abs(off) <= house.toleranceLu() ? List.of() : List.of(finding(String.format(Locale.ROOT,
                "The patch is %.2f LU %s the target of %.1f LUFS; the house allows %.1f.", Math.abs(off), off > 0 ? "above" : "below", house.targetLufs(), house.toleranceLu()),
                "levelTrim", "phrase", "loudness", FindingText.lufs(loudness), "target", FindingText.lufs(house.targetLufs())));
    }
}
