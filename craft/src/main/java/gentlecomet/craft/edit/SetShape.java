package gentlecomet.craft.edit;

import gentlecomet.sound.parameter.ShapeKind;
import gentlecomet.sound.patch.Patch;
import java.util.Arrays;

/** Replaces a drawn list: harmonics, points, steps. @param numbers row by row; empty for the usual form */
public record SetShape(ShapeKind kind, double[] numbers) implements PatchEdit {

    public SetShape(ShapeKind kind, double[] numbers) {
        this.kind = kind;
        this.numbers = numbers.clone();
    }

    @Override
    public Patch apply(Patch patch) {
        String fault = kind.fault(numbers);
        if (fault != null) {
            throw new EditException(kind.place() + ", " + kind.label() + ": " + fault + ".");
        }
        return patch.withShape(kind.index(), numbers);
    }

    @Override
    public String label(Patch before) {
        return kind.place() + ": " + kind.label() + (numbers.length == 0 ? " back to the usual form"
                : " drawn, " + numbers.length / kind.columns().size() + " rows");
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof SetShape shape && kind.equals(shape.kind) && Arrays.equals(numbers, shape.numbers);
    }

    @Override
    public int hashCode() {
        return 31 * kind.hashCode() + Arrays.hashCode(numbers);
    }
}
