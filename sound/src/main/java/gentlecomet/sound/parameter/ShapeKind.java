package gentlecomet.sound.parameter;

import java.util.List;

/**
 * The description of one drawn list of a patch: harmonics, points of a curve, steps. A list has rows of numbers; an empty one
 * stands for its usual form. Described here once, as {@link Parameter} is for single values.
 *
 * @param index   place in {@link Shapes}
 * @param id      stable text id, for example {@code layer1.source1.harmonics}
 * @param label   name on the screen
 * @param place   where it lives, for people
 * @param columns what the numbers of a row mean
 * @param maxRows most rows
 * @param ordered whether the first number of a row may not be less than that of the row before
 */
public record ShapeKind(int index, String id, String label, String place, List<Column> columns, int maxRows, boolean ordered) {

    /** One number of a row: its name, unit and range, the value that a new row starts with, and whether a row may end before it. */
    public record Column(String id, String label, Unit unit, double min, double max, double neutral, boolean optional) {

        public Column(String id, String label, Unit unit, double min, double max, double neutral) {
            this(id, label, unit, min, max, neutral, false);
        }

        /** Whether its numbers lie to both sides of the neutral one. */
        public boolean signed() {
            return min < neutral && max > neutral;
        }
    }

    /** Numbers that a row has at least; the last ones of its columns may be left out where they are neutral. */
    public int leastColumns() {
        return (int) columns.stream().filter(c -> !c.optional()).count();
    }

    /** Rows of fewer numbers, one after the other, completed with neutral ones; as they are where their number does not tell. */
    public double[] completed(double[] numbers, int given) {
        int width = columns.size();
        if (given == width || given < leastColumns() || numbers.length % given != 0) {
            return numbers;
        }
        double[] full = new double[numbers.length / given * width];
        for (int i = 0; i < full.length; i++) {
            full[i] = i % width < given ? numbers[i / width * given + i % width] : columns.get(i % width).neutral();
        }
        return full;
    }

    /** Why a list of rows, one after the other, is not allowed, or null. */
    public String fault(double[] numbers) {
        int width = columns.size();
        if (numbers.length % width != 0) {
            return "expected " + width + " numbers for each row";
        }
        if (numbers.length / width > maxRows) {
            return "expected at most " + maxRows + " rows, found " + numbers.length / width;
        }
        for (int i = 0; i < numbers.length; i++) {
            Column column = columns.get(i % width);
            if (!(numbers[i] >= column.min() && numbers[i] <= column.max())) {
                return "expected " + column.label() + " from " + ValueText.fixed(column.min(), 2) + " to "
                        + ValueText.fixed(column.max(), 2) + " in row " + (i / width + 1);
            }
            if (ordered && i % width == 0 && i > 0 && numbers[i] < numbers[i - width]) {
                return "expected " + column.label() + " of row " + (i / width + 1) + " not before that of the row above";
            }
        }
        return null;
    }
}
