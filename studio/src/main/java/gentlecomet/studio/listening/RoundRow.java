package gentlecomet.studio.listening;

import java.time.Instant;

/** A listening round. @param given how many verdicts have been given */
public record RoundRow(long id, long bankId, Instant startedAt, int given) {
}
