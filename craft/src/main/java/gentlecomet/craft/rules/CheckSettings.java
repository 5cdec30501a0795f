package gentlecomet.craft.rules;

import java.util.Map;
import java.util.TreeMap;

/**
 * What a house has set otherwise in the soundcheck.
 *
 * @param limits  own values of thresholds, by the rule's id and the threshold's with a blank between them
 * @param weights what a rule counts for, by its id; those that count as usual are left out
 */
public record CheckSettings(Map<String, Double> limits, Map<String, Weight> weights) {

    /** Everything as the program has it. */
    public static final CheckSettings USUAL = new CheckSettings(Map.of(), Map.of());

    /** What a broken rule is taken for. */
    public enum Weight { USUAL, FAULT, LOOK, OFF }

    public CheckSettings {
        limits = limits == null ? Map.of() : new TreeMap<>(limits);
        TreeMap<String, Weight> kept = new TreeMap<>(weights == null ? Map.of() : weights);
        kept.values().removeIf(w -> w == Weight.USUAL);
        weights = kept;
    }

    /** @param rule id of a rule */
    public Weight weight(String rule) {
        return weights.getOrDefault(rule, Weight.USUAL);
    }

    /** The value of a threshold. @param standard where the house has none */
    public double limit(String rule, String threshold, double standard) {
        return limits.getOrDefault(rule + " " + threshold, standard);
    }
}
