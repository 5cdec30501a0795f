package gentlecomet.studio.patch;

/** Where a patch stands. @param slot from 1 */
public record Placement(long bankId, int slot) {
}
