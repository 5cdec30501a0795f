package gentlecomet.studio.patch;

import java.time.Instant;

/** One step of a patch's history. @param current whether the working state comes from it */
public record EditRow(int number, String label, Instant madeAt, boolean current) {
}
