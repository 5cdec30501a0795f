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

    /** One number of a row: its name, unit and range, and the value that a new row starts with. */
    public record Column(String id, String label, Unit unit, double min, double max, double neutral) {
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
