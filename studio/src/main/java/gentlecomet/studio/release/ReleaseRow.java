package gentlecomet.studio.release;

import java.time.Instant;
import java.util.List;

/**
 * A release without its archive.
 *
 * @param state    building, verified or failed
 * @param progress 0 to 1 while it is building
 * @param reason   why it was built although something stood against it
 */
public record ReleaseRow(long id, long collectionId, String version, String state, double progress, String report, String archiveHash,
        int patches, Instant startedAt, long bytes, String reason, ReleaseChoice choice, boolean thinned) {
    public List<String> reportLines() {
        return report.isEmpty() ? List.of() : List.of(report.split("\n"));
    }
}
