package gentlecomet.craft.check;

/**
 * A number that a rule compares with. A house may have its own.
 *
 * @param rule      id of the rule
 * @param id        short name, for example "unheard"
 * @param unit      unit of the value, for example "dB"
 * @param standard  the value where the house has none
 * @param text      what it is, as a phrase
 */
public record Threshold(String rule, String id, String unit, double standard, String text) {
}
