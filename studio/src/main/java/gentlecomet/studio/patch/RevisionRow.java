package gentlecomet.studio.patch;

import java.time.Instant;

/** A saved revision without its content. */
public record RevisionRow(long patchId, int number, String contentHash, String note, Instant savedAt) {
}
