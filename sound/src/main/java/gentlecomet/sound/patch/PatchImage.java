package gentlecomet.sound.patch;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import java.util.List;

/**
 * A patch as plain numbers, as it travels to the audio thread: the parameters in registry order, the count of routes and
 * three numbers for each (modulator, parameter index, depth), the count of macro targets and four numbers for each (macro
 * from 0, parameter index, low, high).
 */
public final class PatchImage {

    private PatchImage() {
    }

    /** The numbers of a patch. */
    public static double[] of(Patch patch) {
        int targets = 0;
        for (Macro macro : patch.macros()) {
            targets += macro.targets().size();
        }
        double[] image = new double[Parameters.COUNT + 1 + 3 * patch.routes().size() + 1 + 4 * targets];
        int at = 0;
        while (at < Parameters.COUNT) {
            image[at] = patch.value(at);
            at++;
        }
        image[at++] = patch.routes().size();
        for (Route route : patch.routes()) {
            image[at++] = route.source().ordinal();
            image[at++] = route.target().index();
            image[at++] = route.depth();
        }
        image[at++] = targets;
        List<Macro> macros = patch.macros();
        for (int m = 0; m < macros.size(); m++) {
            for (MacroTarget target : macros.get(m).targets()) {
                image[at++] = m;
                image[at++] = target.target().index();
                image[at++] = target.low();
                image[at++] = target.high();
            }
        }
        return image;
    }

    /** The value at which a parameter sounds before routes: where its macro puts it, or else as stored. As {@link Patch#soundingValue}. */
    public static double sounding(double[] image, int index) {
        int target = targetHolding(image, index);
        if (target < 0) {
            return image[index];
        }
        double position = image[PatchParameters.MACRO + (int) image[target]] / 100;
        return new MacroTarget(Parameters.at(index), image[target + 2], image[target + 3]).at(position);
    }

    /** Puts a parameter to a value in place; where a macro holds it both ends of the macro's range move along. As {@link Patch#withValue}. */
    public static void put(double[] image, int index, double value) {
        Parameter parameter = Parameters.at(index);
        double allowed = parameter.clamp(value);
        int target = targetHolding(image, index);
        if (target < 0) {
            image[index] = allowed;
            return;
        }
        double shift = parameter.position(allowed) - parameter.position(sounding(image, index));
        image[target + 2] = parameter.value(parameter.position(image[target + 2]) + shift);
        image[target + 3] = parameter.value(parameter.position(image[target + 3]) + shift);
    }

    /** Place of the macro target that holds a parameter, or -1. */
    private static int targetHolding(double[] image, int index) {
        int at = targetsAt(image);
        int count = (int) image[at];
        for (int i = 0; i < count; i++) {
            if ((int) image[at + 1 + 4 * i + 1] == index) {
                return at + 1 + 4 * i;
            }
        }
        return -1;
    }

    /** Place of the count of routes. */
    public static int routesAt() {
        return Parameters.COUNT;
    }

    /** Place of the count of macro targets in an image. */
    public static int targetsAt(double[] image) {
        return Parameters.COUNT + 1 + 3 * (int) image[Parameters.COUNT];
    }
}
