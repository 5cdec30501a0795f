package gentlecomet.sound.filter;

import gentlecomet.sound.parameter.FilterParameters;

/**
 * What makes the peak of a filter as high as its resonance says, above what it lets through, and puts it on the cutoff: the damping (of a ladder: what its feedback leaves
 * to oscillation), and by how much the corner lies above the cutoff. From the squared magnitudes of the analogue filters, which the bilinear transform keeps at the cutoff;
 * the peak of a second-order low-pass is a handbook formula, the others are searched for once.
 *
 * <p>Without resonance nothing is moved, so that a Butterworth filter is at -3 dB at its cutoff; the corner comes to its place over the first {@link #PLACED_DB}.
 */
final class Resonance {

    /** 1/Q of the two sections of a fourth-order Butterworth filter: 2 cos(pi/8) and 2 sin(pi/8); and of the one of a second-order one. */
    static final double FIRST_DAMPING = 1.8477590650225735;
    static final double SECOND_DAMPING = 0.7653668647301796;
    static final double SINGLE_DAMPING = 1.4142135623730951;

    /** From this resonance in dB on the peak stands on the cutoff. */
    private static final double PLACED_DB = 3;
    private static final int STEPS_OF_A_DB = 4;
    private static final int LAST = (int) (FilterParameters.SINGING_DB * STEPS_OF_A_DB);
    private static final int SEARCH = 60;

    /** Of low-passes and high-passes of 12 dB per octave: 1/Q. */
    static final Resonance OF_12 = new Resonance(SINGLE_DAMPING, 1e-6, Resonance::singlePower);
    /** Of those of 24 dB: 1/Q of the second section. */
    static final Resonance OF_24 = new Resonance(SECOND_DAMPING, 1e-6, Resonance::steepPower);
    /** Of a ladder: 1 - k / 4 for a feedback of k. */
    static final Resonance OF_LADDER = new Resonance(1, 1e-6, Resonance::ladderPower);

    private final double[] damping = new double[LAST + 2];
    private final double[] corner = new double[LAST + 2];

    /** Squared magnitude at a squared frequency, both relative, for a damping. */
    private interface Power {
        double at(double squaredFrequency, double damping);
    }

    private Resonance(double atRest, double least, Power power) {
        for (int n = 0; n < damping.length; n++) {
            double db = n / (double) STEPS_OF_A_DB;
            double wanted = StrictMath.pow(10, db / 10);
            double low = least;
            double high = atRest;
            for (int i = 0; i < SEARCH; i++) {
                double middle = 0.5 * (low + high);
                double height = power.at(peak(power, middle), middle);
                if (height > wanted) {
                    low = middle;
                } else {
                    high = middle;
                }
            }
            damping[n] = n == 0 ? atRest : 0.5 * (low + high);
            double place = db >= PLACED_DB ? 1 : db / PLACED_DB;
            double peak = StrictMath.sqrt(peak(power, damping[n]));
            corner[n] = n == 0 || peak < 0.1 ? 1 : StrictMath.pow(peak, -place);
        }
    }

    /** Squared frequency at which a filter lets most through, from 0 to the corner, by golden section: it rises to one peak and falls. */
    private static double peak(Power power, double damping) {
        double part = 0.6180339887498949;
        double from = 0;
        double to = 1.1;
        double one = to - part * (to - from);
        double two = from + part * (to - from);
        double atOne = power.at(one, damping);
        double atTwo = power.at(two, damping);
        for (int i = 0; i < SEARCH; i++) {
            if (atOne < atTwo) {
                from = one;
                one = two;
                atOne = atTwo;
                two = from + part * (to - from);
                atTwo = power.at(two, damping);
            } else {
                to = two;
                two = one;
                atTwo = atOne;
                one = to - part * (to - from);
                atOne = power.at(one, damping);
            }
        }
        return 0.5 * (from + to);
    }

    private static double singlePower(double x, double damping) {
        return 1 / ((1 - x) * (1 - x) + damping * damping * x);
    }

    private static double steepPower(double x, double damping) {
        return singlePower(x, FIRST_DAMPING) * singlePower(x, damping);
    }

    /** Of (1 + k) / ((1 + i w)^4 + k). */
    private static double ladderPower(double x, double left) {
        double k = 4 * (1 - left);
        double re = 1 - 6 * x + x * x + k;
        double im2 = 16 * x * (1 - x) * (1 - x);
        return (1 + k) * (1 + k) / (re * re + im2);
    }

    /** For a resonance in dB. */
    double damping(double db) {
        return between(damping, db);
    }

    /** Corner over cutoff; for a high-pass it lies as far below. */
    double corner(double db) {
        return between(corner, db);
    }

    private static double between(double[] table, double db) {
        double place = (db < FilterParameters.SINGING_DB ? db : FilterParameters.SINGING_DB) * STEPS_OF_A_DB;
        int n = (int) place;
        return table[n] + (table[n + 1] - table[n]) * (place - n);
    }
}
