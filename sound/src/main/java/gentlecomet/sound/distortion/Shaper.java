package gentlecomet.sound.distortion;

import gentlecomet.sound.maths.Polynomials;

/**
 * Distortion curves for one channel that make fewer aliases than their samples would: each output is the mean of the curve over the straight line from the last input to this one,
 * from its antiderivative (J. D. Parker, V. Zavalishin and E. Le Bivic, "Reducing the aliasing of nonlinear waveshaping using continuous-time convolution", DAFx 2016); for the
 * fold, whose harmonics reach highest, the mean of two such means, from its second antiderivative (S. Bilbao, F. Esqueda, J. D. Parker and V. Valimaki, "Antiderivative
 * antialiasing for memoryless nonlinearities", IEEE Signal Processing Letters 24, 2017). Late by half a sample, and by one.
 */
public final class Shaper {

    public static final int SOFT = 1;
    public static final int HARD = 2;
    public static final int FOLD = 3;
    /** How late what comes out is at most, in samples. */
    static final double DELAY = 1;

    /** Inputs nearer to each other than this are taken as one: the quotient of two differences would have no digits left. */
    private static final double NEAR = 1e-5;
    private static final double SCALE = Polynomials.SOFT_CLIP_SCALE;

    private int shape;
    private double last;
    private double lastBut;
    /** Antiderivative at the last input, for the fold the second one. */
    private double integral;
    /** For the fold: the mean of the first antiderivative over the line before. */
    private double mean;

    /** Forgets everything. */
    public void reset() {
        shape = 0;
        last = 0;
        lastBut = 0;
    }

    /** Bends one value after the other. @param newShape one of the constants @param lean is added before the curve */
    public void process(double[] x, int frames, int newShape, double lean) {
        if (newShape != shape) {
            shape = newShape;
            integral = shape == FOLD ? secondOfFold(last) : first(shape, last);
            mean = firstOfFold(last);
            lastBut = last;
        }
        if (shape == SOFT) {
            soft(x, frames, lean);
        } else if (shape == HARD) {
            hard(x, frames);
        } else {
            fold(x, frames);
        }
    }

    private void soft(double[] x, int frames, double lean) {
        double before = last;
        double area = integral;
        for (int i = 0; i < frames; i++) {
            double v = x[i] + lean;
            double here = firstOfSoft(v);
            double step = v - before;
            x[i] = Math.abs(step) < NEAR ? Polynomials.softClip(0.5 * (v + before)) : (here - area) / step;
            before = v;
            area = here;
        }
        last = before;
        integral = area;
    }

    private void hard(double[] x, int frames) {
        double before = last;
        double area = integral;
        for (int i = 0; i < frames; i++) {
            double v = x[i];
            double here = firstOfHard(v);
            double step = v - before;
            x[i] = Math.abs(step) < NEAR ? value(HARD, 0.5 * (v + before)) : (here - area) / step;
            before = v;
            area = here;
        }
        last = before;
        integral = area;
    }

    private void fold(double[] x, int frames) {
        for (int i = 0; i < frames; i++) {
            double v = x[i];
            double here = secondOfFold(v);
            double step = v - last;
            double newMean = Math.abs(step) < NEAR ? firstOfFold(0.5 * (v + last)) : (here - integral) / step;
            double both = v - lastBut;
            if (Math.abs(both) >= NEAR) {
                x[i] = 2 * (newMean - mean) / both;
            } else {
                // There and back: twice the same line.
                double end = 0.5 * (v + lastBut);
                double line = end - last;
                x[i] = Math.abs(line) < NEAR ? value(FOLD, 0.5 * (end + last)) : 2 / line * (firstOfFold(end) + (integral - secondOfFold(end)) / line);
            }
            lastBut = last;
            last = v;
            integral = here;
            mean = newMean;
        }
    }

    /** The curve itself. */
    public static double value(int shape, double x) {
        switch (shape) {
            case SOFT:
                return Polynomials.softClip(x);
            case HARD:
                return Math.max(-1, Math.min(1, x));
            default:
                // A triangle over the input: beyond full scale it comes back.
                double place = place(x);
                return place <= 1 ? place : 2 - place;
        }
    }

    private static double first(int shape, double x) {
        return shape == HARD ? firstOfHard(x) : firstOfSoft(x);
    }

    private static double firstOfHard(double x) {
        double size = Math.abs(x);
        return size < 1 ? 0.5 * size * size : size - 0.5;
    }

    /** Of 1.5 u - 0.5 u cubed, u = x / 1.5, which is 1 from x = 1.5 on. */
    private static double firstOfSoft(double x) {
        double u = Math.abs(x) * SCALE;
        double square = u * u;
        return u < 1 ? square * (1.125 - 0.1875 * square) : 1.5 * u - 0.5625;
    }

    /** Where in a turn of the triangle a value stands: from -1 to 3, rising to 1 and falling after it. */
    private static double place(double x) {
        double turns = x * 0.25 + 0.25;
        return 4 * (turns - Math.floor(turns)) - 1;
    }

    /** Of the triangle, without a mean of its own, so that the second one is as periodic. */
    private static double firstOfFold(double x) {
        double place = place(x);
        double fromTop = place - 2;
        return place <= 1 ? 0.5 * place * place - 0.5 : 0.5 - 0.5 * fromTop * fromTop;
    }

    private static double secondOfFold(double x) {
        double place = place(x);
        double rising = place <= 1 ? place : place - 2;
        double cubic = rising * (rising * rising * (1.0 / 6) - 0.5);
        return place <= 1 ? cubic : -cubic;
    }
}
