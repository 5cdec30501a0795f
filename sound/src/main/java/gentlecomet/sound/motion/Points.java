package gentlecomet.sound.motion;

import gentlecomet.sound.maths.Bend;

/**
 * A drawn line as it is stored: rows of time (0 to 100 %), level (-100 to 100 %) and bend of the way to the next point (-100 to 100 %).
 */
public final class Points {

    private static final int ROW = 3;
    /** What an empty list stands for: a fall from full to nothing. */
    private static final double[] USUAL = {0, 100, 0, 100, 0, 0};

    private Points() {
    }

    static double[] orUsual(double[] rows) {
        return rows.length < 2 * ROW ? USUAL : rows;
    }

    static int count(double[] rows) {
        return orUsual(rows).length / ROW;
    }

    /** Time of a point, 0 to 1; points count from 0. */
    static double time(double[] rows, int point) {
        double[] r = orUsual(rows);
        return r[ROW * Math.max(0, Math.min(r.length / ROW - 1, point))] / 100;
    }

    /** The level from -1 to 1 at a time from 0 to 1. */
    public static double at(double[] rows, double time) {
        double[] r = orUsual(rows);
        double percent = time * 100;
        int last = r.length / ROW - 1;
        if (percent <= r[0]) {
            return r[1] / 100;
        }
        for (int p = 0; p < last; p++) {
            double from = r[ROW * p];
            double to = r[ROW * (p + 1)];
            if (percent < to) {
                double part = to > from ? (percent - from) / (to - from) : 1;
                double a = r[ROW * p + 1];
                double b = r[ROW * (p + 1) + 1];
                return (a + (b - a) * Bend.at(part, r[ROW * p + 2] / 100)) / 100;
            }
        }
        return r[ROW * last + 1] / 100;
    }
}
