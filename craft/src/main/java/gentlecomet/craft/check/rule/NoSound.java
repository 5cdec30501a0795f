package gentlecomet.craft.check.rule;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.FindingText;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import java.util.List;

/** Nothing is heard of the phrase. */
public final class NoSound extends SoundcheckRule {

    public NoSound() {
        super("silence.none", Finding.Severity.FAULT, "A patch is heard.", "Look at the loose ends: a source at level 0, an envelope that never rises, a filter that is closed.");
    }

    @Override
    public boolean ofSilence() {
        return true;
    }

    @Override
    public List<Finding> check(Subject subject) {
        double loudest = subject.measurement().momentaryMaxLufs();
        return subject.measurement().silent() ? List.of(finding("Nothing is heard: the phrase stays below -70 LUFS.", "", subject.probe(), "loudness", FindingText.lufs(loudest))) : List.of();
    }
}
