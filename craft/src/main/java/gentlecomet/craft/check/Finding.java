package gentlecomet.craft.check;

import java.util.Map;

/**
 * One thing that the soundcheck found.
 *
 * @param rule     id of the rule, for example {@code level.ceiling}
 * @param severity how bad it is
 * @param message  what was found and what is expected, in one or two sentences
 * @param numbers  the evidence: name to value with unit, in a fixed order of the names
 * @param place    id of the parameter to open, or empty
 * @param clip     notes to hear it by, in the notation of clips; empty when there is nothing to hear
 * @param picture  of the evidence, or null
 */
public record Finding(String rule, Severity severity, String message, Map<String, String> numbers, String place, String clip, Picture picture) {

    /** How bad a finding is. */
    public enum Severity {
        /** Should be mended before a release; the release page names it. */
        FAULT,
        /** To be looked at. */
        WARNING
    }

    /** What tells a finding from others of the same patch, however its numbers change: rule and place. */
    public String key() {
        return rule + " " + place;
    }

    /** Rule family: the part of the id before the dot. */
    public String family() {
        return rule.substring(0, rule.indexOf('.'));
    }
}
