package gentlecomet.studio.soundcheck;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;

/** A run of the soundcheck. @param seen keys of findings by patch, as they were known when it was asked for; a patch that had never been checked is left out */
public record CheckRun(OffsetDateTime startedAt, Map<Long, List<String>> seen) {
}
