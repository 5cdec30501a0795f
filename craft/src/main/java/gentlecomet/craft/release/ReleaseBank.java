package gentlecomet.craft.release;

/**
 * The bank in which a patch of a release stands.
 *
 * @param position from 0
 * @param msb      bank select, controller 0
 * @param lsb      bank select, controller 32
 */
public record ReleaseBank(int position, String name, int msb, int lsb) {
}
