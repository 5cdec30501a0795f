package gentlecomet.sound.effect;

import gentlecomet.sound.maths.NoiseGenerator;
import gentlecomet.sound.maths.Polynomials;

/** A slow random walk between 0 and 1, as of a tape: from one drawn value to the next along half a cosine. */
final class Drift {

    private static final double SHORTEST_SECONDS = 0.35;
    private static final double LONGEST_SECONDS = 1.1;
    private static final int SEED = 5501;

    private final int which;
    private int drawn;
    private double place;
    private double seconds = SHORTEST_SECONDS;
    private double from = 0.5;
    private double to = 0.5;

    /** @param which of several, so that each goes its own way */
    Drift(int which) {
        this.which = which;
    }

    void reset() {
        drawn = 0;
        place = 0;
        seconds = SHORTEST_SECONDS;
        from = 0.5;
        to = 0.5;
    }

    /** The value after so many seconds more. */
    double next(double more) {
        place += more / seconds;
        if (place >= 1) {
            place = 0;
            drawn++;
            from = to;
            to = NoiseGenerator.fraction(SEED, which, drawn);
            seconds = SHORTEST_SECONDS + (LONGEST_SECONDS - SHORTEST_SECONDS) * NoiseGenerator.fraction(SEED + 1, which, drawn);
        }
        return from + (to - from) * (0.5 - 0.5 * Polynomials.cosCycles(0.5 * place));
    }
}
