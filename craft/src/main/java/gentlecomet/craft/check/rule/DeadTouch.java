package gentlecomet.craft.check.rule;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.FindingText;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.check.Threshold;
import gentlecomet.craft.measure.Difference;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Rendering;
import java.util.List;

/** What aftertouch and the mod wheel change. */
public final class DeadTouch extends SoundcheckRule {

    public DeadTouch() {
        super("expression.touch", Finding.Severity.WARNING, "Aftertouch or the mod wheel changes the sound.", "Route one of them to the cutoff or to vibrato.");
    }

    private static final int VELOCITY = 100;

    @Override
    public List<Threshold> thresholds() {
        return List.of(Subject.UNHEARD);
    }

    @Override
    public List<Finding> check(Subject subject) {
        double[] image = PatchImage.of(subject.patch());
        Audio still = subject.note(image, VELOCITY, Rendering.ControllerState.AT_REST);
        double byTouch = Difference.db(still, subject.note(image, VELOCITY, e -> e.aftertouch(1)));
        double byWheel = Difference.db(still, subject.note(image, VELOCITY, e -> e.modWheel(1)));
        return byTouch >= Subject.UNHEARD.standard() || byWheel >= Subject.UNHEARD.standard() ? List.of()
                : List.of(finding("Neither aftertouch nor the mod wheel changes the sound.", "routes", "",
                        "aftertouch", FindingText.difference(byTouch), "wheel", FindingText.difference(byWheel)));
    }
}
