package gentlecomet.craft.check;

import java.util.List;

/**
 * A small picture of the evidence: a line or bars over a scale, what is allowed, and the place of the fault.
 *
 * @param kind   of the picture
 * @param across name and unit of what goes from left to right
 * @param up     name and unit of what goes from bottom to top
 * @param x      places
 * @param y      values at these places
 * @param limit  a value that is allowed at the most or at the least, or null
 * @param mark   place of the fault, or null
 */
public record Picture(Kind kind, String across, String up, List<Double> x, List<Double> y, Double limit, Double mark) {

    /** How it is drawn. */
    public enum Kind { LINE, BARS }

    public Picture {
        x = List.copyOf(x);
        y = List.copyOf(y);
    }
}
