package gentlecomet.craft.check;

import gentlecomet.craft.check.Finding.Severity;
import gentlecomet.craft.rules.CheckSettings;
import java.util.List;

/**
 * One rule of the soundcheck: what it is called, how bad it is when it is broken, what it compares with, how it is found and what mends it. Rules of a family stand in a class of
 * {@code check.rule}, which {@link SoundcheckRules} lists. Rules keep nothing between two patches and render nothing: what they need has been probed.
 *
 * @param id         family and name, for example "level.ceiling"
 * @param severity   how bad it is where the house says nothing else
 * @param text       what the rule wants, as a sentence
 * @param advice     what mends a patch that breaks it, as a sentence
 * @param thresholds what it compares with beside the house rules
 * @param ofSilence  whether it says something of a patch that nothing is heard of
 * @param repairs    what may mend a patch at a click, the likeliest first
 * @param check      finds what a patch breaks of it
 */
public record SoundcheckRule(String id, Severity severity, String text, String advice, List<Threshold> thresholds, boolean ofSilence, List<Repair> repairs, Check check) {

    /** What finds. */
    @FunctionalInterface
    public interface Check {
        void check(Subject subject, Findings findings);
    }

    public SoundcheckRule {
        thresholds = List.copyOf(thresholds);
        repairs = List.copyOf(repairs);
    }

    /** A rule that is broken in earnest. */
    public static SoundcheckRule fault(String id, String text, String advice, Check check, Threshold... thresholds) {
        return new SoundcheckRule(id, Severity.FAULT, text, advice, List.of(thresholds), false, List.of(), check);
    }

    /** A rule that asks for a look. */
    public static SoundcheckRule look(String id, String text, String advice, Check check, Threshold... thresholds) {
        return new SoundcheckRule(id, Severity.WARNING, text, advice, List.of(thresholds), false, List.of(), check);
    }

    /** The same, which may be mended at a click. */
    public SoundcheckRule mendedBy(Repair... some) {
        return new SoundcheckRule(id, severity, text, advice, thresholds, ofSilence, List.of(some), check);
    }

    /** The same, which says something of silent patches as well. */
    public SoundcheckRule ofSilenceToo() {
        return new SoundcheckRule(id, severity, text, advice, thresholds, true, repairs, check);
    }

    /** The part of the id before the dot; rules of a family share a column. */
    public String family() {
        return id.substring(0, id.indexOf('.'));
    }

    /** What the house takes the rule for; null where it does not ask for it. */
    public Severity severity(CheckSettings settings) {
        return switch (settings.weight(id)) {
            case FAULT -> Severity.FAULT;
            case LOOK -> Severity.WARNING;
            case OFF -> null;
            case USUAL -> severity;
        };
    }

    /** What a patch breaks of it, nothing when it keeps it or the house does not ask. */
    List<Finding> findings(Subject subject) {
        Severity weight = severity(subject.house().conventions().checks());
        if (weight == null || subject.measurement().silent() && !ofSilence) {
            return List.of();
        }
        Findings findings = new Findings(id, weight);
        check.check(subject, findings);
        return findings.all();
    }
}
