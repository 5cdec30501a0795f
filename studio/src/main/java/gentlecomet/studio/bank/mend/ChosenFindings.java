package gentlecomet.studio.bank.mend;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.SoundcheckRules;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.page.RefusedException;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;

/**
 * Findings of a bank whose repairs are asked for.
 *
 * @param rule   all findings of this one; empty where single ones were chosen
 * @param single keys of single findings, by patch
 */
public record ChosenFindings(String rule, Map<Long, Set<String>> single) {

    /**
     * Reads what a form says.
     *
     * @param rule  id of a rule, or empty
     * @param lines single findings, a line each: the id of the patch, a space, the key
     * @throws MissingException without such a rule
     * @throws RefusedException where neither is said, or a line is none
     */
    public static ChosenFindings read(String rule, String lines) {
        if (!rule.isEmpty()) {
            if (SoundcheckRules.find(rule).isEmpty()) {
                throw new MissingException("There is no rule \"" + rule + "\".");
            }
            return new ChosenFindings(rule, Map.of());
        }
        Map<Long, Set<String>> single = new LinkedHashMap<>();
        for (String line : lines.split("\n")) {
            String[] parts = line.strip().split(" ", 2);
            if (parts.length < 2 || !parts[0].matches("\\d{1,18}")) {
                throw new RefusedException("Choose findings of the list first.");
            }
            single.computeIfAbsent(Long.valueOf(parts[0]), p -> new LinkedHashSet<>()).add(parts[1]);
        }
        return new ChosenFindings("", single);
    }

    /** Whether a finding of a patch is among them. */
    boolean has(long patchId, Finding finding) {
        return rule.isEmpty() ? single.getOrDefault(patchId, Set.of()).contains(finding.key()) : finding.rule().equals(rule);
    }

    /** How many single ones they are. */
    public int size() {
        return single.values().stream().mapToInt(Set::size).sum();
    }
}
