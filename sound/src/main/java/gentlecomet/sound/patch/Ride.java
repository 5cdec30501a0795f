package gentlecomet.sound.patch;

import gentlecomet.sound.parameter.PatchParameters;
import java.util.ArrayList;
import java.util.List;

/**
 * How one hand moves while a phrase plays: straight lines between points. It is kept with the patch for that phrase and heard wherever the patch plays it; how the patch
 * sounds under other hands it does not touch.
 *
 * @param phrase id of the phrase
 * @param points in the order of their beats, at least one; before the first and after the last the hand rests there
 */
public record Ride(String phrase, Hand hand, List<Point> points) {

    /** Points of a ride at the most. */
    public static final int MOST_POINTS = 128;
    /** Beats from the start of a phrase at the most. */
    public static final double LAST_BEAT = 2000;

    public Ride {
        points = List.copyOf(points);
    }

    /** Where a hand stands at a beat. @param value in per cent: 0 to 100, of a bend -100 to 100 */
    public record Point(double beat, double value) {
    }

    /** What a player moves besides keys. */
    public enum Hand {
        MACRO1, MACRO2, MACRO3, MACRO4, MACRO5, MACRO6, MACRO7, MACRO8, WHEEL, PRESSURE, BEND;

        /** Stable text id, used in files: "macro1", "wheel". */
        public String id() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }

        /** The macro it moves, from 0, or -1. */
        public int macro() {
            return ordinal() < PatchParameters.MACROS ? ordinal() : -1;
        }

        /** Its least value in per cent. */
        public double least() {
            return this == BEND ? -100 : 0;
        }

        /** The hand of an id, or null. */
        public static Hand find(String id) {
            for (Hand hand : values()) {
                if (hand.id().equals(id)) {
                    return hand;
                }
            }
            return null;
        }
    }

    /** Why it is not allowed, or null. */
    public String fault() {
        if (points.isEmpty() || points.size() > MOST_POINTS) {
            return "expected 1 to " + MOST_POINTS + " points, found " + points.size();
        }
        double before = 0;
        for (Point p : points) {
            if (!(p.beat >= before && p.beat <= LAST_BEAT)) {
                return "expected beats that rise from 0 to " + (int) LAST_BEAT + ", found " + p.beat;
            }
            if (!(p.value >= hand.least() && p.value <= 100)) {
                return "expected " + (int) hand.least() + " to 100 %, found " + p.value;
            }
            before = p.beat;
        }
        return null;
    }

    /** Where the hand stands at a beat, in per cent. At a beat with several points it stands at the last of them. */
    public double at(double beat) {
        Point before = points.get(0);
        for (Point p : points) {
            if (p.beat > beat) {
                return before.beat >= p.beat || beat <= before.beat ? before.value : before.value + (p.value - before.value) * (beat - before.beat) / (p.beat - before.beat);
            }
            before = p;
        }
        return before.value;
    }

    /**
     * With as few points as keep it within a tolerance of where it was, and no more than are allowed (Ramer 1972, Douglas and Peucker 1973, with the distance taken in value).
     *
     * @param tolerance in per cent, above 0; doubled until the points are few enough
     */
    public Ride thinned(double tolerance) {
        List<Point> kept = points;
        for (double most = tolerance; kept.size() > 2 && (most == tolerance || kept.size() > MOST_POINTS); most *= 2) {
            kept = new ArrayList<>();
            kept.add(points.get(0));
            thin(0, points.size() - 1, most, kept);
        }
        return new Ride(phrase, hand, kept);
    }

    /** Adds what is needed after the first point up to the last. */
    private void thin(int first, int last, double tolerance, List<Point> kept) {
        Point a = points.get(first);
        Point b = points.get(last);
        int farthest = -1;
        double most = tolerance;
        for (int i = first + 1; i < last; i++) {
            Point p = points.get(i);
            double straight = b.beat > a.beat ? a.value + (b.value - a.value) * (p.beat - a.beat) / (b.beat - a.beat) : a.value;
            if (Math.abs(p.value - straight) > most) {
                most = Math.abs(p.value - straight);
                farthest = i;
            }
        }
        if (farthest < 0) {
            kept.add(b);
        } else {
            thin(first, farthest, tolerance, kept);
            thin(farthest, last, tolerance, kept);
        }
    }
}
