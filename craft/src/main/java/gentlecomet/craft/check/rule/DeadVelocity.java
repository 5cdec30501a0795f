package gentlecomet.craft.check.rule;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.FindingText;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.check.Threshold;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.patch.PatchImage;
import java.util.List;

/** What velocity changes. */
public final class DeadVelocity extends SoundcheckRule {

    public DeadVelocity() {
        super("expression.velocity", Finding.Severity.FAULT, "Soft and hard notes sound different.", "Raise velocity to level, or route velocity to the cutoff.");
    }

    private static final int SOFT = 24;
    private static final int HARD = 120;

    @Override
    public List<Threshold> thresholds() {
        return List.of(Subject.UNHEARD);
    }

    @Override
    public List<Finding> check(Subject subject) {
        double[] image = PatchImage.of(subject.patch());
        double heard = subject.difference(image, image, SOFT, HARD);
        String key = KeyName.of(subject.key());
        return heard >= Subject.UNHEARD.standard() ? List.of() : List.of(finding("Soft and hard notes sound the same.", "performance.velocityToLevel",
                key + ":" + SOFT + ":.7," + key + ":" + HARD + ":.7", "difference " + SOFT + " to " + HARD, FindingText.difference(heard)));
    }
}
