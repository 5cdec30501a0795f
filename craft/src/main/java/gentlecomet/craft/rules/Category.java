package gentlecomet.craft.rules;

/**
 * A kind of patch in the house rules.
 *
 * @param id               text id used in patches, for example "bell"
 * @param name             name on the screen
 * @param phrase           id of the phrase by which its patches are heard and measured
 * @param measure          what its patches are levelled by
 * @param tailLimitSeconds longest tail after the key is let go
 * @param planned          how many patches the plan wants
 */
public record Category(String id, String name, String phrase, LevelMeasure measure, double tailLimitSeconds, int planned) {
}
