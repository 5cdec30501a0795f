package gentlecomet.sound.performance;

/**
 * A change of tempo within a phrase, for the parts of a patch that follow the tempo. When notes begin and end has it counted in already.
 *
 * @param start in beats of the phrase's own tempo
 * @param ratio of the new tempo to the phrase's own
 */
public record TempoChange(double start, double ratio) {
}
