package gentlecomet.sound.source;

import gentlecomet.sound.maths.Polynomials;

/**
 * Ratios of the partials of struck bodies and how strongly a strike wakes each. Sources: N. H. Fletcher and T. D. Rossing, "The Physics
 * of Musical Instruments": strings and harmonic bodies n; the ideal circular membrane, zeros of the Bessel functions
 * J(m); bars after Euler and Bernoulli, roots of cos x cosh x = 1 (both ends free) and -1 (one end clamped), ratios of
 * their squares; the square plate with supported edges (m squared + n squared) / 2.
 */
public final class ModeSets {

    static final int MOST = 64;

    /** Zeros of the Bessel functions of the first kind, the 64 lowest of all orders, from M. Abramowitz and I. A. Stegun, section 9.5. */
    private static final double[] ZEROS = {
        2.4048255577, 3.8317059702, 5.1356223018, 5.5200781103, 6.3801618959, 7.0155866698, 7.5883424345, 8.4172441404,
        8.6537279129, 8.7714838160, 9.7610231300, 9.9361095242, 10.1734681351, 11.0647094885, 11.0863700192, 11.6198411721,
        11.7915344390, 12.2250922640, 12.3386041975, 13.0152007217, 13.3236919363, 13.3543004774, 13.5892901705, 14.3725366716,
        14.4755006866, 14.7959517824, 14.8212687270, 14.9309177085, 15.5898478845, 15.7001740797, 16.0377741909, 16.2234661603,
        16.4706300509, 16.6982499338, 17.0038196678, 17.2412203825, 17.6159660498, 17.8014351533, 17.9598194950, 18.0710639679,
        18.2875828325, 18.4334636670, 18.8999979532, 18.9801338752, 19.4094152264, 19.5545364310, 19.6158585105, 19.6159669040,
        19.9944306298, 20.3207892136, 20.7899063601, 20.8070477893, 20.8269329570, 21.0851461131, 21.1169970530, 21.2116366299,
        21.6415410198, 21.9562440678, 22.0469853647, 22.1724946188, 22.2177998966, 22.5827295931, 22.7600843806, 22.9451731319};
    /** The order of each. */
    private static final int[] ORDERS = {
        0, 1, 2, 0, 3, 1, 4, 2, 0, 5, 3, 6, 1, 4, 7, 2, 0, 8, 5, 3, 1, 9, 6, 4, 10, 2, 7, 0, 11, 5, 8, 3, 1, 12, 6, 9, 4, 13, 2, 0, 7, 10, 14, 5, 3, 8, 1, 11, 15, 6, 12, 9, 4, 16, 2, 0, 7, 13, 10, 17, 5, 3, 1, 8};

    private static final ModeSets[] SETS = {harmonic(), membrane(), freeBar(), clampedBar(), plate()};

    private final double[] ratios = new double[MOST];
    private final int[] orders = new int[MOST];
    private final double[] roots = new double[MOST];

    private ModeSets() {
    }

    /** The set of a choice, or null where the partials come from an analysis. */
    public static ModeSets of(int set) {
        return set < SETS.length ? SETS[set] : null;
    }

    /** Frequency of a partial against the lowest. */
    public double ratio(int partial) {
        return ratios[partial];
    }

    /**
     * How much of a partial a strike wakes: the deflection of its shape at the place of the strike. Bars and strings by
     * sin(pi n x), the membrane by J(m) at that part of its radius.
     *
     * @param strike 0.01 at the edge to 0.5 in the middle
     */
    double level(int partial, double strike) {
        if (roots[partial] == 0) {
            return Math.abs(Polynomials.sinCycles(orders[partial] * strike / 2)) + 0.02;
        }
        return Math.abs(bessel(orders[partial], roots[partial] * (1 - 2 * strike))) + 0.02;
    }

    /** J(m, x) by its integral: the mean of cos(m t - x sin t) over half a turn. */
    static double bessel(int order, double x) {
        int points = 96;
        double sum = 0;
        for (int i = 0; i < points; i++) {
            double turn = (i + 0.5) / points / 2;
            sum += Polynomials.cosCycles(order * turn - x / (2 * Math.PI) * Polynomials.sinCycles(turn));
        }
        return sum / points;
    }

    private static ModeSets harmonic() {
        ModeSets set = new ModeSets();
        for (int k = 0; k < MOST; k++) {
            set.ratios[k] = k + 1;
            set.orders[k] = k + 1;
        }
        return set;
    }

    private static ModeSets membrane() {
        ModeSets set = new ModeSets();
        for (int k = 0; k < MOST; k++) {
            set.ratios[k] = ZEROS[k] / ZEROS[0];
            set.orders[k] = ORDERS[k];
            set.roots[k] = ZEROS[k];
        }
        return set;
    }

    /** cos x cosh x = 1 has its roots close to (n + 1/2) pi; the first three are given, beyond them the difference is below 1e-9. */
    private static ModeSets freeBar() {
        double[] first = {4.730040744862704, 7.853204624095838, 10.995607838001671};
        return bar(first, 0.5);
    }

    private static ModeSets clampedBar() {
        double[] first = {1.875104068711961, 4.694091132974174, 7.854757438237613, 10.995540734875467};
        return bar(first, -0.5);
    }

    private static ModeSets bar(double[] first, double offset) {
        ModeSets set = new ModeSets();
        for (int k = 0; k < MOST; k++) {
            double root = k < first.length ? first[k] : (k + 1 + offset) * Math.PI;
            set.ratios[k] = root * root / (first[0] * first[0]);
            set.orders[k] = k + 1;
        }
        return set;
    }

    private static ModeSets plate() {
        ModeSets set = new ModeSets();
        int found = 0;
        for (int square = 2; found < MOST; square++) {
            for (int m = 1; m * m < square && found < MOST; m++) {
                int rest = square - m * m;
                int n = (int) Math.floor(Math.sqrt(rest) + 0.5);
                // The two directions of a square plate sound alike: each pair is kept once.
                if (n * n == rest && n >= m) {
                    set.ratios[found] = square / 2.0;
                    set.orders[found] = m;
                    found++;
                }
            }
        }
        return set;
    }
}
