package gentlecomet.craft.check;

/**
 * A number that a rule compares with.
 *
 * @param id        short name, for example "unheard"
 * @param unit      unit of the value, for example "dB"
 * @param standard  the value
 * @param text      what it is, as a phrase
 */
public record Threshold(String id, String unit, double standard, String text) {
}
