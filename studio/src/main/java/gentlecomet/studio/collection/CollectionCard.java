package gentlecomet.studio.collection;

import java.time.Instant;

/**
 * A collection as the page of all collections shows it.
 *
 * @param trashedAt when it was deleted, null where it was not
 * @param touched   when a patch of it was changed last, null where it has none
 * @param firstBank 0 where it has none
 */
public record CollectionCard(long id, String name, String author, boolean archived, Instant trashedAt, int banks, int patches, Instant touched, long firstBank) {
}
