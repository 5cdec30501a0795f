package gentlecomet.craft.check;

import gentlecomet.craft.check.Finding.Severity;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * One rule of the soundcheck: what it is called, how bad it is when it is broken, what it compares with, how it is found and what mends it. A new one is a class in
 * {@code check.rule} and its line in {@link SoundcheckRules}. Rules keep nothing between two patches.
 */
public abstract class SoundcheckRule {

    private final String id;
    private final Severity severity;
    private final String text;
    private final String repair;

    /**
     * @param id     family and name, for example "level.ceiling"
     * @param text   what the rule wants, as a sentence
     * @param repair what mends a patch that breaks it, as a sentence
     */
    protected SoundcheckRule(String id, Severity severity, String text, String repair) {
        this.id = id;
        this.severity = severity;
        this.text = text;
        this.repair = repair;
    }

    public final String id() {
        return id;
    }

    /** The part of the id before the dot; rules of a family share a column. */
    public final String family() {
        return id.substring(0, id.indexOf('.'));
    }

    public final Severity severity() {
        return severity;
    }

    public final String text() {
        return text;
    }

    public final String repair() {
        return repair;
    }

    /** What the rule compares with beside the house rules. A change of one makes findings of before count for nothing. */
    public List<Threshold> thresholds() {
        return List.of();
    }

    /** Whether it says something of a patch that nothing is heard of. */
    public boolean ofSilence() {
        return false;
    }

    /** What the patch breaks of it, nothing when it keeps it. */
    public abstract List<Finding> check(Subject subject);

    /**
     * A finding of this rule.
     *
     * @param place    id of the parameter to open, or empty
     * @param clip     notes to hear it by, or empty
     * @param evidence name, value, name, value ...
     */
    protected final Finding finding(String message, String place, String clip, String... evidence) {
        Map<String, String> numbers = new LinkedHashMap<>();
        for (int i = 0; i < evidence.length; i += 2) {
            numbers.put(evidence[i], evidence[i + 1]);
        }
        return new Finding(id, severity, message, numbers, place, clip);
    }
}
