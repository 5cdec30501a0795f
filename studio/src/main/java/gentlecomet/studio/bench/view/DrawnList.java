package gentlecomet.studio.bench.view;

import gentlecomet.sound.parameter.ShapeKind;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Patch;

/** A drawn list for its canvas: {@code look} is "bars", "points", "map" of unison voices, "steps" of a pattern, or "rows" of numbers alone. */
public record DrawnList(ShapeKind kind, String look, String text) {
    /** Whether its rows are things of one kind, such as partials, to which the same can be done. */
    public boolean alike() {
        return !kind.ordered();
    }

    /** What it is without rows. */
    public String usual() {
        return kind.index() == Shapes.PATTERN_STEPS ? "every step a plain note" : kind.index() == Shapes.PATTERN_CHORD ? "the key alone" : "usual form";
    }

    /** Whether it stands in a fold, which is open where something is drawn. */
    public boolean folded() {
        return look.equals("rows") || look.equals("map");
    }

    /** The source that it belongs to, from 0, and its layer. */
    public int source() {
        return kind.id().charAt(kind.id().indexOf("source") + 6) - '1';
    }

    public int layer() {
        return kind.id().charAt(5) - '1';
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
