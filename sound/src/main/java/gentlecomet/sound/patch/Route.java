package gentlecomet.sound.patch;

import gentlecomet.sound.maths.Bend;
import gentlecomet.sound.parameter.Parameter;

/**
 * One modulation connection. At full modulation the target has moved by {@code depth}, counted in the target's depth unit
 * (octaves for logarithmic parameters, else its own unit). What the modulator says goes through, in this order, the side, the
 * bend, the scaling modulator and the limits.
 *
 * @param source where it starts
 * @param target the parameter that moves
 * @param depth  how far, up or down
 * @param side   whether it is taken as it is, from 0 to 1, or from -1 to 1
 * @param bend   of its curve, -1 to 1, see {@link gentlecomet.sound.maths.Bend}
 * @param low    least modulation, -1 to 1
 * @param high   greatest modulation, -1 to 1
 * @param scaler a second modulator that it is multiplied by, or null
 */
public record Route(Modulator source, Parameter target, double depth, Side side, double bend, double low, double high, Modulator scaler) {

    /** How a modulator is taken. */
    public enum Side {
        /** As it comes. */
        OWN("own"),
        /** From 0 to 1: what swings both ways is lifted. */
        ONE("oneSided"),
        /** From -1 to 1: what rises from 0 is stretched. */
        BOTH("twoSided");

        private final String id;

        Side(String id) {
            this.id = id;
        }

        /** Stable text id, used in files. */
        public String id() {
            return id;
        }

        /** The side of an id, or null. */
        public static Side find(String id) {
            for (Side side : values()) {
                if (side.id.equals(id)) {
                    return side;
                }
            }
            return null;
        }
    }

    /** A route with nothing but a depth. */
    public Route(Modulator source, Parameter target, double depth) {
        this(source, target, depth, Side.OWN, 0, -1, 1, null);
    }

    public Route withDepth(double newDepth) {
        return new Route(source, target, newDepth, side, bend, low, high, scaler);
    }

    /** What becomes of a modulator's value on its way through side, bend and limits, the scaler at full; as the engine does it. */
    public double shaped(double modulator) {
        return Math.max(low, Math.min(high, unlimited(modulator)));
    }

    /** Whether what comes through is never below 0, before its limits. */
    public boolean oneSided() {
        return (side == Side.ONE || side == Side.OWN && !source.twoSided()) && (scaler == null || !scaler.twoSided());
    }

    private double unlimited(double modulator) {
        double m = modulator;
        if (side == Side.ONE && source.twoSided()) {
            m = 0.5 * m + 0.5;
        } else if (side == Side.BOTH && !source.twoSided()) {
            m = 2 * m - 1;
        }
        if (bend != 0) {
            m = m < 0 ? -Bend.at(Math.min(1, -m), bend) : Bend.at(Math.min(1, m), bend);
        }
        return m;
    }

    /** The least and the greatest modulation that comes through, over all that source and scaler can say; by the engine's own arithmetic. */
    public double[] modulation() {
        double[] reach = {Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY};
        for (double m : ends(source)) {
            for (double s : scaler == null ? new double[] {1} : ends(scaler)) {
                // The limits come after the scaler, and everything before them is monotonic: the ends are met at the corners.
                double through = Math.max(low, Math.min(high, unlimited(m) * s));
                reach[0] = Math.min(reach[0], through);
                reach[1] = Math.max(reach[1], through);
            }
        }
        return reach;
    }

    /** Where it takes its target at the most, down and up, from where it stands without it. */
    public double[] reach(double base) {
        double[] through = modulation();
        double a = target.moved(base, depth * through[0]);
        double b = target.moved(base, depth * through[1]);
        return new double[] {Math.min(a, b), Math.max(a, b)};
    }

    private static double[] ends(Modulator modulator) {
        return modulator == Modulator.CONSTANT ? new double[] {1} : new double[] {modulator.twoSided() ? -1 : 0, 1};
    }
}
