package gentlecomet.sound.maths;

/** A line from 0 to 1 that is bent by an amount: the one shape behind envelope stages, drawn curves and routes. */
public final class Bend {

    private static final double STRONGEST = 8;

    private Bend() {
    }

    /**
     * The height at a part of the way.
     *
     * @param part   0 to 1
     * @param amount -1 rises late, 0 is straight, 1 rises early: (1 - 2^(-8 a x)) / (1 - 2^(-8 a))
     */
    public static double at(double part, double amount) {
        if (Math.abs(amount) < 1e-6) {
            return part;
        }
        double k = -STRONGEST * amount;
        return (Polynomials.exp2(k * part) - 1) / (Polynomials.exp2(k) - 1);
    }
}
