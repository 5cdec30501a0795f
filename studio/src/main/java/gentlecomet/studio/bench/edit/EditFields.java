package gentlecomet.studio.bench.edit;

import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.ShapeKind;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.Unit;
import gentlecomet.sound.parameter.ValueText;
import java.util.Map;

/** The fields of a form that edits a patch, read as what they stand for. What has no meaning is told as an {@link EditException}. */
public record EditFields(Map<String, String> form) {

    /** The text of a field, empty when it is missing. */
    String text(String name) {
        return form.getOrDefault(name, "");
    }

    /** A whole number, -1 when there is none. */
    int number(String name) {
        try {
            return Integer.parseInt(text(name));
        } catch (NumberFormatException e) {
            return -1;
        }
    }

    double percent(String name) {
        double value = ValueText.quantity(text(name), Unit.PERCENT);
        if (Double.isNaN(value)) {
            throw new EditException("\"" + text(name) + "\" is not a percentage.");
        }
        return value;
    }

    /** A number without a unit. */
    double plain(String name) {
        double value = ValueText.quantity(text(name), Unit.NONE);
        if (Double.isNaN(value)) {
            throw new EditException("\"" + text(name) + "\" is not a number.");
        }
        return value;
    }

    /** From 0. */
    int layer() {
        return within(number("layer"), Parameters.LAYERS, "layer");
    }

    /** From 0. */
    int source() {
        return within(number("source"), LayerParameters.SOURCES, "source");
    }

    /** From 0; the form counts from 1. */
    int macro() {
        int number = number("macro");
        if (number < 1 || number > PatchParameters.MACROS) {
            throw new EditException("A patch has macros 1 to " + PatchParameters.MACROS + ".");
        }
        return number - 1;
    }

    int key() {
        int key = KeyName.parse(text("key"));
        if (key < 0) {
            throw new EditException("\"" + text("key") + "\" is not a key; expected a name such as C3.");
        }
        return key;
    }

    ShapeKind shape() {
        ShapeKind kind = Shapes.find(text("shape"));
        if (kind == null) {
            throw new EditException("There is no such drawn list.");
        }
        return kind;
    }

    private static int within(int number, int count, String what) {
        if (number < 0 || number >= count) {
            throw new EditException("There is no such " + what + ".");
        }
        return number;
    }
}
