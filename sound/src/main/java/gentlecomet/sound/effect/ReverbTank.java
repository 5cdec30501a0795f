package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;

/**
 * The tail of a reverb: a feedback delay network (J.-M. Jot and A. Chaigne, AES 90th Convention, 1991) of eight lines joined by a Hadamard matrix, long enough together
 * that its modes overlap (M. R. Schroeder, 1962: a tail is smooth where they lie closer than they are wide). Every line loses exactly the gain that brings the whole to -60 dB
 * after the decay time, and its highs that of their own decay time, by a shelf whose middle lies at the damping frequency.
 *
 * <p>Modulation turns pairs of lines into each other, slowly and each pair at a pace of its own (S. J. Schlecht and E. A. P. Habets, JASA 138, 2015: feedback matrices that
 * vary in time): the modes wander, no energy is lost, and no pitch moves.
 */
final class ReverbTank {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final int LINES = 8;
    private static final int HALF = LINES / 2;
    private static final int PAIRS = LINES / 2;
    /** Line lengths in seconds at full size: about evenly spaced in octaves, of odd numbers of samples. */
    private static final double[] LENGTHS = {0.08513, 0.14009, 0.10487, 0.16211, 0.09689, 0.17483, 0.11891, 0.12997};
    /** Every entry of a feedback matrix of eight that loses nothing, but for its sign; the gains of the lines take it in. */
    private static final double ENTRY = 0.35355339059327373;
    /** Turns per second of the slowest and the fastest pair at full modulation. */
    private static final double SLOWEST_HZ = 0.31;
    private static final double FASTEST_HZ = 1.13;
    private static final double LOG2_OF_1000 = 9.965784284662087;
    /** A shelf nearer to one than this is left out. */
    private static final double OPEN = 0.9999;

    private final double sampleRate;
    private final ReverbDelayLine[] lines = new ReverbDelayLine[LINES];
    /** Of each line's shelf: what of a sample goes out at once, what goes into its memory, and what of that stays. */
    private final double[] direct = new double[LINES];
    private final double[] kept = new double[LINES];
    private final double[] stays = new double[LINES];
    private final double[] memory = new double[LINES];
    private final double[] turned = new double[PAIRS];
    private double scale = -1;
    private double decayOfGains = -1;
    private double highPartOfGains = -1;
    private double dampingOfGains = -1;
    /** Some pairs have turned; they stay as they are when the modulation ends. */
    private boolean turning;
    private double totalSeconds;

    ReverbTank(double sampleRate) {
        this.sampleRate = sampleRate;
        for (int k = 0; k < LINES; k++) {
            lines[k] = new ReverbDelayLine(length(k, 1));
        }
    }

    private int length(int k, double newScale) {
        return Math.max(SAMPLES + 1, (int) (LENGTHS[k] * newScale * sampleRate) | 1);
    }

    void reset() {
        for (int k = 0; k < LINES; k++) {
            lines[k].reset();
            memory[k] = 0;
        }
        for (int p = 0; p < PAIRS; p++) {
            turned[p] = 0;
        }
        turning = false;
    }

    /** Mean length of a line in seconds, by which the level of a tail goes. */
    double meanSeconds() {
        return totalSeconds / LINES;
    }

    /** @param newScale part of the full length of all lines */
    void resize(double newScale) {
        if (newScale == scale) {
            return;
        }
        scale = newScale;
        decayOfGains = -1;
        totalSeconds = 0;
        for (int k = 0; k < LINES; k++) {
            lines[k].resize(length(k, newScale));
            totalSeconds += lines[k].length() / sampleRate;
        }
    }

    /** @param decaySeconds to -60 dB @param dampingHz middle of the shelf @param highPart decay time of the highs as a part of the decay time, 0 to 1 */
    void tune(double decaySeconds, double dampingHz, double highPart) {
        if (decaySeconds == decayOfGains && highPart == highPartOfGains && dampingHz == dampingOfGains) {
            return;
        }
        decayOfGains = decaySeconds;
        highPartOfGains = highPart;
        dampingOfGains = dampingHz;
        boolean damped = highPart < OPEN && dampingHz < OnePoleCuts.NO_HIGH_CUT;
        double t = Polynomials.tanHalfTurns(Math.min(0.49, dampingHz / sampleRate));
        for (int k = 0; k < LINES; k++) {
            double octaves = -LOG2_OF_1000 * lines[k].length() / (decaySeconds * sampleRate);
            double gain = ENTRY * Polynomials.exp2(octaves);
            if (damped) {
                // (1 + r s) / (1 + s / r) with the shelf's root r, which it has at its middle; bilinear.
                double root = Polynomials.exp2(0.5 * octaves * (1 / highPart - 1));
                double below = t + 1 / root;
                double back = (t - 1 / root) / below;
                direct[k] = gain * (t + root) / below;
                kept[k] = gain * (t - root) / below - back * direct[k];
                stays[k] = -back;
            } else {
                direct[k] = gain;
                kept[k] = 0;
                stays[k] = 0;
            }
        }
    }

    /**
     * Works on one effect step.
     *
     * @param fedLeft    goes into the even lines
     * @param fedRight   goes into the odd ones
     * @param modulation 0 to 1
     * @param toLeft     is given what comes out of the even lines
     */
    void process(double[] fedLeft, double[] fedRight, double modulation, double[] toLeft, double[] toRight) {
        for (int i = 0; i < SAMPLES; i++) {
            toLeft[i] = 0;
            toRight[i] = 0;
        }
        lose(0, toLeft, toRight);
        lose(HALF, toLeft, toRight);
        for (int k = 0; k < HALF; k += 2) {
            joinAndFeed(k, fedLeft, fedRight);
        }
        turning |= modulation > 0;
        if (turning) {
            turn(modulation);
        }
        for (ReverbDelayLine line : lines) {
            line.moveOn();
        }
    }

    /**
     * The loss of four lines and of their highs, in one loop so that their chains overlap; what comes out; and sums and differences of the four, two thirds of the
     * Hadamard matrix.
     */
    private void lose(int n, double[] toLeft, double[] toRight) {
        double[] one = lines[n].samples;
        double[] two = lines[n + 1].samples;
        double[] three = lines[n + 2].samples;
        double[] four = lines[n + 3].samples;
        int atOne = lines[n].at();
        int atTwo = lines[n + 1].at();
        int atThree = lines[n + 2].at();
        int atFour = lines[n + 3].at();
        double a = direct[n];
        double b = direct[n + 1];
        double c = direct[n + 2];
        double d = direct[n + 3];
        double e = kept[n];
        double f = kept[n + 1];
        double g = kept[n + 2];
        double h = kept[n + 3];
        double p = stays[n];
        double q = stays[n + 1];
        double r = stays[n + 2];
        double s = stays[n + 3];
        double j = memory[n];
        double k = memory[n + 1];
        double l = memory[n + 2];
        double m = memory[n + 3];
        for (int i = 0; i < SAMPLES; i++) {
            double v = one[atOne + i];
            double w = two[atTwo + i];
            double x = three[atThree + i];
            double y = four[atFour + i];
            double first = a * v + j;
            double second = b * w + k;
            double third = c * x + l;
            double fourth = d * y + m;
            j = e * v + p * j;
            k = f * w + q * k;
            l = g * x + r * l;
            m = h * y + s * m;
            double sum = first + second;
            double less = first - second;
            double sumToo = third + fourth;
            double lessToo = third - fourth;
            toLeft[i] = first - third + toLeft[i];
            toRight[i] = second - fourth + toRight[i];
            one[atOne + i] = sum + sumToo;
            two[atTwo + i] = less + lessToo;
            three[atThree + i] = sum - sumToo;
            four[atFour + i] = less - lessToo;
        }
        memory[n] = j + 1e-20;
        memory[n + 1] = k + 1e-20;
        memory[n + 2] = l + 1e-20;
        memory[n + 3] = m + 1e-20;
    }

    /** Turns each line and its neighbour into each other by an angle that goes on. */
    private void turn(double modulation) {
        for (int p = 0; p < PAIRS; p++) {
            double hz = modulation * (SLOWEST_HZ + (FASTEST_HZ - SLOWEST_HZ) * p / (PAIRS - 1));
            double from = turned[p];
            double to = from + hz * SAMPLES / sampleRate;
            turn(lines[2 * p], lines[2 * p + 1], Polynomials.cosCycles(from), Polynomials.sinCycles(from), Polynomials.cosCycles(to), Polynomials.sinCycles(to));
            turned[p] = to - Math.floor(to);
        }
    }

    private static void turn(ReverbDelayLine one, ReverbDelayLine two, double cosine, double sine, double cosineEnd, double sineEnd) {
        double[] x = one.samples;
        double[] y = two.samples;
        int atX = one.at();
        int atY = two.at();
        double cosineSlope = (cosineEnd - cosine) / SAMPLES;
        double sineSlope = (sineEnd - sine) / SAMPLES;
        double[] ramp = EffectStep.RAMP;
        for (int i = 0; i < SAMPLES; i++) {
            double c = cosine + cosineSlope * ramp[i];
            double s = sine + sineSlope * ramp[i];
            double a = x[atX + i];
            double b = y[atY + i];
            x[atX + i] = c * a + s * b;
            y[atY + i] = c * b - s * a;
        }
    }

    /** The last third of the matrix for two pairs of lines, and what comes in. */
    private void joinAndFeed(int k, double[] fedLeft, double[] fedRight) {
        double[] one = lines[k].samples;
        double[] two = lines[k + HALF].samples;
        double[] three = lines[k + 1].samples;
        double[] four = lines[k + 1 + HALF].samples;
        int atOne = lines[k].at();
        int atTwo = lines[k + HALF].at();
        int atThree = lines[k + 1].at();
        int atFour = lines[k + 1 + HALF].at();
        for (int i = 0; i < SAMPLES; i++) {
            double a = one[atOne + i];
            double b = two[atTwo + i];
            double c = three[atThree + i];
            double d = four[atFour + i];
            double l = fedLeft[i];
            double r = fedRight[i];
            one[atOne + i] = a + b + l;
            two[atTwo + i] = a - b + l;
            three[atThree + i] = c + d + r;
            four[atFour + i] = c - d + r;
        }
    }
}
