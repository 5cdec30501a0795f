package gentlecomet.craft.edit;

import gentlecomet.sound.parameter.ShapeKind;
import gentlecomet.sound.parameter.ShapeKind.Column;
import gentlecomet.sound.patch.Patch;

/**
 * Does the same to one number of every row of a drawn list: all partials of a body, all harmonics, all copies of a source. What would
 * leave the number's range stops at its edge.
 *
 * @param column    of the list, from 0
 * @param usualRows rows of the list in its usual form, with every number neutral; 0 where the usual form cannot be written so
 */
public record FillRows(ShapeKind kind, int column, How how, double value, int usualRows) implements PatchEdit {

    /** What is done with the number. */
    public enum How {
        SET("set to"), ADD("moved by"), TIMES("times");

        private final String words;

        How(String words) {
            this.words = words;
        }

        double of(double old, double value) {
            return this == SET ? value : this == ADD ? old + value : old * value;
        }
    }

    public FillRows {
        if (column < 0 || column >= kind.columns().size()) {
            throw new EditException("There is no such column.");
        }
    }

    @Override
    public Patch apply(Patch patch) {
        double[] rows = patch.shape(kind.index()).clone();
        int width = kind.columns().size();
        if (rows.length == 0) {
            rows = usual(width);
        }
        Column c = kind.columns().get(column);
        for (int i = column; i < rows.length; i += width) {
            rows[i] = Math.max(c.min(), Math.min(c.max(), how.of(rows[i], value)));
        }
        return patch.withShape(kind.index(), rows);
    }

    private double[] usual(int width) {
        if (usualRows == 0) {
            throw new EditException(kind.place() + ", " + kind.label() + ": draw or type some rows first.");
        }
        double[] rows = new double[usualRows * width];
        for (int i = 0; i < rows.length; i++) {
            rows[i] = kind.columns().get(i % width).neutral();
        }
        return rows;
    }

    @Override
    public String label(Patch before) {
        double shown = Math.rint(value * 100) / 100;
        return kind.place() + ": " + kind.columns().get(column).label() + " of all " + kind.label().toLowerCase(java.util.Locale.ROOT) + " " + how.words + " "
                + (shown == Math.rint(shown) ? String.valueOf((long) shown) : String.valueOf(shown));
    }
}
