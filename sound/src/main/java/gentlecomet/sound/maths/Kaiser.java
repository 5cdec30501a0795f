package gentlecomet.sound.maths;

/** The Bessel function of which a Kaiser window is made (J. F. Kaiser, 1974). */
public final class Kaiser {

    private static final int TERMS = 60;

    private Kaiser() {
    }

    /** I0, the modified Bessel function of the first kind and order zero, by its power series; for x from 0 to 20 to the last digits. */
    public static double besselI0(double x) {
        double sum = 1;
        double term = 1;
        for (int k = 1; k < TERMS; k++) {
            term = term * x / (2 * k) * x / (2 * k);
            sum += term;
        }
        return sum;
    }
}
