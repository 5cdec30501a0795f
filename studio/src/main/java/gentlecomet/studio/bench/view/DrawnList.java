package gentlecomet.studio.bench.view;

import gentlecomet.sound.parameter.ShapeKind;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Patch;

/** A drawn list for its canvas: {@code look} is "bars" or "points". */
public record DrawnList(ShapeKind kind, String look, String text) {
    /** Whether its rows are things of one kind, such as partials, to which the same can be done. */
    public boolean alike() {
        return !kind.ordered();
    }

    static DrawnList of(Patch patch, int kind, String look) {
        double[] numbers = patch.shape(kind);
        StringBuilder text = new StringBuilder();
        int width = Shapes.ALL.get(kind).columns().size();
        for (int i = 0; i < numbers.length; i++) {
            text.append(i == 0 ? "" : i % width == 0 ? "; " : " ").append(ValueText.fixed(numbers[i], numbers[i] == Math.rint(numbers[i]) ? 0 : 2));
        }
        return new DrawnList(Shapes.ALL.get(kind), look, text.toString());
    }
}
