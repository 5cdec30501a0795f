package gentlecomet.craft.edit;

import gentlecomet.sound.parameter.ShapeKind;
import gentlecomet.sound.parameter.ShapeKind.Column;
import gentlecomet.sound.patch.Patch;
import java.util.Arrays;
import java.util.Locale;
import java.util.Random;

/**
 * Does the same to one number of every row of a drawn list: all partials of a body, all harmonics, all voices of a unison. What would
 * leave the number's range stops at its edge.
 *
 * @param column    of the list, from 0
 * @param usualRows rows that the list has at least once it is drawn, new ones with every number neutral; 0 where that cannot be told
 */
public record FillRows(ShapeKind kind, int column, How how, double value, int usualRows) implements PatchEdit {

    /** What is done with the numbers of a column. */
    public enum How {
        SET("set to") {
            @Override
            void fill(double[] numbers, double value, Column column) {
                Arrays.fill(numbers, value);
            }
        },
        ADD("moved by") {
            @Override
            void fill(double[] numbers, double value, Column column) {
                Arrays.setAll(numbers, i -> numbers[i] + value);
            }
        },
        TIMES("times") {
            @Override
            void fill(double[] numbers, double value, Column column) {
                Arrays.setAll(numbers, i -> numbers[i] * value);
            }
        },
        /** The second half answers the first: with the other sign where numbers have one. */
        MIRROR("mirrored") {
            @Override
            void fill(double[] numbers, double value, Column column) {
                for (int i = (numbers.length + 1) / 2; i < numbers.length; i++) {
                    double first = numbers[numbers.length - 1 - i];
                    numbers[i] = column.signed() ? 2 * column.neutral() - first : first;
                }
            }
        },
        ALTERNATE("alternating by") {
            @Override
            void fill(double[] numbers, double value, Column column) {
                Arrays.setAll(numbers, i -> column.neutral() + (i % 2 == 0 ? value : column.signed() ? -value : 0));
            }
        },
        /** Evenly from one end to the other. */
        SPREAD("spread by") {
            @Override
            void fill(double[] numbers, double value, Column column) {
                double low = column.signed() ? -value : 0;
                Arrays.setAll(numbers, i -> column.neutral() + (numbers.length == 1 ? 0 : low + (value - low) * i / (numbers.length - 1)));
            }
        },
        /** By chance, each by itself; the same list always becomes the same, and another one when it is done again. */
        RANDOM("random within") {
            @Override
            void fill(double[] numbers, double value, Column column) {
                Random random = new Random(Arrays.hashCode(numbers));
                double low = column.signed() ? -value : 0;
                Arrays.setAll(numbers, i -> column.neutral() + Math.rint(100 * (low + (value - low) * random.nextDouble())) / 100);
            }
        };

        private final String words;

        How(String words) {
            this.words = words;
        }

        abstract void fill(double[] numbers, double value, Column column);
    }

    public FillRows {
        if (column < 0 || column >= kind.columns().size()) {
            throw new EditException("There is no such column.");
        }
    }

    @Override
    public Patch apply(Patch patch) {
        int width = kind.columns().size();
        double[] rows = patch.shape(kind.index());
        if (rows.length == 0 && usualRows == 0) {
            throw new EditException(kind.place() + ", " + kind.label() + ": draw or type some rows first.");
        }
        int before = rows.length;
        rows = Arrays.copyOf(rows, Math.max(before, usualRows * width));
        for (int i = before; i < rows.length; i++) {
            rows[i] = kind.columns().get(i % width).neutral();
        }
        Column c = kind.columns().get(column);
        double[] numbers = new double[rows.length / width];
        for (int r = 0; r < numbers.length; r++) {
            numbers[r] = rows[r * width + column];
        }
        how.fill(numbers, value, c);
        for (int r = 0; r < numbers.length; r++) {
            rows[r * width + column] = Math.max(c.min(), Math.min(c.max(), numbers[r]));
        }
        return patch.withShape(kind.index(), rows);
    }

    @Override
    public String label(Patch before) {
        double shown = Math.rint(value * 100) / 100;
        String number = how == How.MIRROR ? "" : " " + (shown == Math.rint(shown) ? String.valueOf((long) shown) : String.valueOf(shown));
        return kind.place() + ": " + kind.columns().get(column).label() + " of all " + kind.label().toLowerCase(Locale.ROOT) + " " + how.words + number;
    }
}
