package gentlecomet.craft.check.rule;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.FindingText;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.check.Threshold;
import gentlecomet.craft.rules.Category;
import java.util.List;
import java.util.Locale;

/** Tail of the probe against the limit of its category. */
public final class LongTail extends SoundcheckRule {

    public LongTail() {
        super("tail.long", Finding.Severity.WARNING, "The tail of the probe is within the limit of the category.", "Shorten the release or the reverb, or give the category a longer limit in the rules.");
    }

    private static final Threshold ELSEWHERE = new Threshold("limit", "s", 10, "limit of a patch without a category of the house");

    @Override
    public List<Threshold> thresholds() {
        return List.of(ELSEWHERE);
    }

    @Override
    public List<Finding> check(Subject subject) {
        double tail = subject.measurement().tailSeconds();
        double limit = subject.house().category(subject.patch().naming().category()).map(Category::tailLimitSeconds).orElse(ELSEWHERE.standard());
        return subject.measurement().endless() || tail <= limit ? List.of() : List.of(finding(String.format(Locale.ROOT,
                "The tail rings for %.1f s; its category allows %.1f s.", tail, limit), Tails.place(subject), subject.probe(),
                "tail", FindingText.seconds(tail), "limit", FindingText.seconds(limit)));
    }
}
