package gentlecomet.sound.maths;

/**
 * Dear functions whose last argument is remembered: in the control steps of a held note most of them get the same one again. One
 * instance for each place of use.
 */
public final class CachedGain {

    private double argument = Double.NaN;
    private double value;

    /** What the last call answered. */
    public double value() {
        return value;
    }

    /** {@link Polynomials#gainOfDb}. */
    public double gainOfDb(double db) {
        if (db != argument) {
            argument = db;
            value = Polynomials.gainOfDb(db);
        }
        return value;
    }

    /** {@link Polynomials#exp2}. */
    public double exp2(double x) {
        if (x != argument) {
            argument = x;
            value = Polynomials.exp2(x);
        }
        return value;
    }
}
