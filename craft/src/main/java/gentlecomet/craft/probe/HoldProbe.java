package gentlecomet.craft.probe;

import java.util.List;

/**
 * A note that is held for eight seconds.
 *
 * @param course     level in dBFS (root mean square of both channels) of every 100 ms from its start, the tail as well; -120 for silence
 * @param growthDb   level of the last two seconds of the hold against the seconds from 2 to 4; 0 where it has fallen silent
 * @param decayDb    by which it has fallen from its greatest level half a second later
 * @param slopeDb    per second over the last four seconds of the hold
 * @param driftCents by which its pitch changes from the second to the seventh second; null without a clear pitch
 * @param dcPercent  greatest mean of a channel over the hold, of full scale
 * @param crestDb    peak against root mean square while it is held
 * @param floorDb    level of the last 100 ms, dBFS
 */
public record HoldProbe(List<Double> course, double growthDb, double decayDb, double slopeDb, Double driftCents, double dcPercent, double crestDb, double floorDb) {

    public HoldProbe {
        course = List.copyOf(course);
    }
}
