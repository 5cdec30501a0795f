package gentlecomet.sound.engine;

/** A line through points, rows of place and value with the places in order. */
public final class BreakPoints {

    private BreakPoints() {
    }

    /** The value at a place: straight between two points, that of the first or last beyond them; {@code none} without any. */
    public static double at(double[] rows, double place, double none) {
        if (rows.length == 0) {
            return none;
        }
        if (place <= rows[0]) {
            return rows[1];
        }
        for (int i = 2; i < rows.length; i += 2) {
            if (place <= rows[i]) {
                double span = rows[i] - rows[i - 2];
                return span <= 0 ? rows[i + 1] : rows[i - 1] + (rows[i + 1] - rows[i - 1]) * (place - rows[i - 2]) / span;
            }
        }
        return rows[rows.length - 1];
    }
}
