package gentlecomet.craft.check.rule;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.measure.Measuring;
import java.util.List;
import java.util.Locale;

/** A note that never ends. */
public final class StuckNote extends SoundcheckRule {

    public StuckNote() {
        super("tail.stuck", Finding.Severity.FAULT, "A note ends after its key has been let go.", "Shorten the release, or lower the feedback of the delay.");
    }

    @Override
    public List<Finding> check(Subject subject) {
        return !subject.measurement().endless() ? List.of() : List.of(finding(String.format(Locale.ROOT, "The note is still sounding %.0f s after its key was let go.",
                Measuring.LONGEST_TAIL), Tails.place(subject), subject.probe(), "tail", String.format(Locale.ROOT, "over %.0f s", Measuring.LONGEST_TAIL)));
    }
}
