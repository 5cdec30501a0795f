package gentlecomet.studio.patch;

import java.time.Instant;

/**
 * A patch in the trash.
 *
 * @param bankId where it stood, 0 where that bank is gone
 * @param slot   from 1
 */
public record TrashedPatch(long id, String name, String category, String soundHash, long bankId, int slot, Instant trashedAt) {
}
