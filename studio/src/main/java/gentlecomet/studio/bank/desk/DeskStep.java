package gentlecomet.studio.bank.desk;

import java.time.Instant;

/**
 * Something that was done to the patches of a collection at once.
 *
 * @param label     in words
 * @param patches   how many it changed
 * @param takenBack whether it has been undone
 */
public record DeskStep(long id, String label, int patches, boolean takenBack, Instant madeAt) {
}
