package gentlecomet.sound.filter;

/** x - x^3, which is level from 1 / sqrt(3) on. */
final class CubicLimit {

    /** Where it is level. */
    static final double LEVEL = 0.3849001794597505;
    private static final double EDGE = 0.5773502691896257;
    private static final double LEVEL_SQUARED = 1.0 / 3;

    private CubicLimit() {
    }

    /** With branches that are cheap where all go the same way. */
    static double limited(double x) {
        double square = x * x;
        return square < LEVEL_SQUARED ? x * (1 - square) : x > 0 ? LEVEL : -LEVEL;
    }

    /** The same without branches, for what goes beyond the limit now and then: held between its edges first. */
    static double held(double x) {
        double inside = 0.5 * (Math.abs(x + EDGE) - Math.abs(x - EDGE));
        return inside * (1 - inside * inside);
    }
}
