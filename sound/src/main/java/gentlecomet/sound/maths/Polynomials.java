package gentlecomet.sound.maths;

/**
 * Elementary functions from {@code + - * /} and floor alone, so that every machine and every browser computes the same
 * bits; the library functions of the JVM and of browsers differ in the last place.
 *
 * <p>All functions are pure and safe for any thread. Accuracy is better than 1e-11 relative to the largest value, which is
 * checked against {@link StrictMath} in the tests.
 */
public final class Polynomials {

    /** What {@link #softClip} multiplies by before it limits. */
    public static final double SOFT_CLIP_SCALE = 2.0 / 3;

    private static final double TWO_PI = 6.283185307179586;
    private static final double LN_2 = 0.6931471805599453;
    private static final double SQRT_2 = 1.4142135623730951;
    /** 1.5 x 2^52: a double of this size has no room for a fraction, so adding it rounds to whole numbers. */
    private static final double ROUNDS = 6755399441055744.0;
    private static final int POWER_RANGE = 512;
    private static final double[] POWERS_OF_TWO = powersOfTwo();

    private Polynomials() {
    }

    /**
     * A whole number at most 1 below a number between -2^50 and 2^50, and not above it; for a whole number itself or the one
     * before. Faster in long chains than {@link Math#floor}, which on many processors waits for what stood in its register.
     */
    public static double wholeBelow(double x) {
        return x - 0.5 + ROUNDS - ROUNDS;
    }

    /** Sine of {@code cycles} turns: sin(2 pi cycles). Any finite input. */
    public static double sinCycles(double cycles) {
        double shifted = cycles - 0.25;
        double u = shifted - (shifted + ROUNDS - ROUNDS);
        double x = TWO_PI * (0.25 - Math.abs(u));
        double s = x * x;
        double t = s * s;
        double v = t * t;
        // Taylor series to x^17; |x| <= pi/2, so the first term left out is below 5e-14. In pairs (G. Estrin, 1960), so that
        // few products wait for others.
        double a = 1 + s * (-1.0 / 6);
        double b = 1.0 / 120 + s * (-1.0 / 5040);
        double c = 1.0 / 362880 + s * (-1.0 / 39916800);
        double d = 1.0 / 6227020800.0 + s * (-1.0 / 1307674368000.0) + t * (1.0 / 355687428096000.0);
        double low = a + b * t;
        double high = c + d * t;
        return x * (low + high * v);
    }

    /** Cosine of {@code cycles} turns. */
    public static double cosCycles(double cycles) {
        return sinCycles(cycles + 0.25);
    }

    /** Tangent of {@code halfTurns} half turns: tan(pi x), for |x| below 0.5. */
    public static double tanHalfTurns(double halfTurns) {
        double cycles = 0.5 * halfTurns;
        return sinCycles(cycles) / cosCycles(cycles);
    }

    /**
     * tan(pi x) / (1 + tan(pi x)) for x from 0 below 0.5: the part of a trapezoidal one-pole filter whose cutoff lies at x of the sample
     * rate. With t the tangent of half the angle it is 2t / (1 + 2t - t^2), and t is a quotient of two polynomials (H. Pade's seventh over
     * sixth order, good to 1e-12 here).
     */
    public static double trapezoidalPart(double x) {
        double y = x * 1.5707963267948966;
        double s = y * y;
        double above = (((378 - s) * s - 17325) * s + 135135) * y;
        double below = ((3150 - 28 * s) * s - 62370) * s + 135135;
        double twice = 2 * above * below;
        return twice / (below * below - above * above + twice);
    }

    /** The angle of a point from the x axis in cycles, -0.5 to 0.5: atan2(y, x) / (2 pi). */
    public static double cyclesOf(double y, double x) {
        double ax = Math.abs(x);
        double ay = Math.abs(y);
        if (ax == 0 && ay == 0) {
            return 0;
        }
        double ratio = ax > ay ? ay / ax : ax / ay;
        // Newton's method on tan(2 pi c) = ratio from a first guess that is good to 0.005 rad; it doubles its digits each turn.
        double c = ratio * 0.15915494309189535 * (1.0584 - 0.273 * ratio);
        for (int i = 0; i < 4; i++) {
            double sin = sinCycles(c);
            double cos = cosCycles(c);
            c += (ratio * cos - sin) / (TWO_PI * (cos + ratio * sin));
        }
        double first = ax > ay ? c : 0.25 - c;
        double upper = x < 0 ? 0.5 - first : first;
        return y < 0 ? -upper : upper;
    }

    /** A smooth limit: x for small x, never beyond -1 or 1. 1.5 u - 0.5 u cubed, with u = x / 1.5 held between -1 and 1. */
    public static double softClip(double x) {
        return softClipScaled(x * SOFT_CLIP_SCALE);
    }

    /** {@link #softClip} of a value that has already been multiplied by {@link #SOFT_CLIP_SCALE}. */
    public static double softClipScaled(double t) {
        return t >= 1 ? 1 : t <= -1 ? -1 : t * (1.5 - 0.5 * t * t);
    }

    /** Two to the power x; x is limited to -512..511. */
    public static double exp2(double x) {
        double limited = x < -POWER_RANGE ? -POWER_RANGE : x > POWER_RANGE - 1 ? POWER_RANGE - 1 : x;
        double whole = wholeBelow(limited);
        double y = (limited - whole - 0.5) * LN_2;
        double y2 = y * y;
        double y4 = y2 * y2;
        double a = 1 + y;
        double b = 1.0 / 2 + y * (1.0 / 6);
        double c = 1.0 / 24 + y * (1.0 / 120);
        double d = 1.0 / 720 + y * (1.0 / 5040);
        double e = 1.0 / 40320 + y * (1.0 / 362880) + y2 * (1.0 / 3628800);
        double low = a + b * y2;
        double middle = c + d * y2;
        double upper = middle + e * y4;
        double series = low + upper * y4;
        return series * SQRT_2 * POWERS_OF_TWO[(int) whole + POWER_RANGE];
    }

    /** Base two logarithm of a positive number; zero and below give -512. */
    public static double log2(double x) {
        if (!(x > 0)) {
            return -POWER_RANGE;
        }
        double mantissa = x;
        double whole = 0;
        for (int step = 256; step >= 1; step /= 2) {
            double power = POWERS_OF_TWO[step + POWER_RANGE];
            if (mantissa >= power) {
                mantissa /= power;
                whole += step;
            } else if (mantissa * power < 2) {
                mantissa *= power;
                whole -= step;
            }
        }
        if (mantissa > SQRT_2) {
            mantissa *= 0.5;
            whole += 1;
        }
        double s = (mantissa - 1) / (mantissa + 1);
        double q = s * s;
        double series = s * (1 + q * (1.0 / 3 + q * (1.0 / 5 + q * (1.0 / 7 + q * (1.0 / 9 + q * (1.0 / 11
                + q * (1.0 / 13 + q * (1.0 / 15))))))));
        return whole + 2 * series / LN_2;
    }

    /** Amplitude gain of a level in dB: 10^(dB/20); exactly 1 for 0 dB. */
    public static double gainOfDb(double db) {
        return db == 0 ? 1 : exp2(db * 0.16609640474436813);
    }

    /** Level in dB of an amplitude gain; zero and below give about -3083 dB. */
    public static double dbOfGain(double gain) {
        return log2(gain) * 6.020599913279624;
    }

    private static double[] powersOfTwo() {
        double[] powers = new double[2 * POWER_RANGE + 1];
        powers[POWER_RANGE] = 1;
        for (int i = 1; i <= POWER_RANGE; i++) {
            powers[POWER_RANGE + i] = powers[POWER_RANGE + i - 1] * 2;
            powers[POWER_RANGE - i] = powers[POWER_RANGE - i + 1] * 0.5;
        }
        return powers;
    }
}
