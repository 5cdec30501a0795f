package gentlecomet.craft.check.rule;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.sound.performance.Audio;
import java.util.List;

/** Samples beyond full scale. */
public final class Clipping extends SoundcheckRule {

    public Clipping() {
        super("level.clipping", Finding.Severity.FAULT, "No sample of the phrase passes full scale.", "Lower the level trim, or level the patch to the target.");
    }

    @Override
    public List<Finding> check(Subject subject) {
        Audio audio = subject.played().audio();
        int over = 0;
        for (int i = 0; i < audio.frames(); i++) {
            if (Math.abs(audio.left()[i]) > 1 || Math.abs(audio.right()[i]) > 1) {
                over++;
            }
        }
        return over == 0 ? List.of() : List.of(finding("Samples of the phrase pass full scale: a converter would cut them off.", "levelTrim", "phrase",
                "samples over", String.valueOf(over)));
    }
}
