package gentlecomet.sound.patch;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.Shapes;
import java.util.List;

/**
 * A patch as plain numbers, as it travels to the audio thread: the parameters in registry order; the count of routes and
 * {@link #ROUTE} numbers for each (modulator, parameter index, depth, side, bend, low, high, scaler or -1); the count of macro
 * targets and four numbers for each (macro from 0, parameter index, low, high); the count of drawn lists and for each its
 * place in the registry, its length and its numbers; the count of recordings and for each the source (layer x sources +
 * source) and the recording's key.
 */
public final class PatchImage {

    /** Numbers of a route. */
    public static final int ROUTE = 8;
    /** Numbers of a macro target: macro, parameter, low, high, bend. */
    public static final int TARGET = 5;

    private PatchImage() {
    }

    /** The numbers of a patch. */
    public static double[] of(Patch patch) {
        int targets = 0;
        for (Macro macro : patch.macros()) {
            targets += macro.targets().size();
        }
        int drawn = 0;
        for (int kind = 0; kind < Shapes.COUNT; kind++) {
            int length = patch.shape(kind).length;
            drawn += length == 0 ? 0 : 2 + length;
        }
        double[] image = new double[Parameters.COUNT + 1 + ROUTE * patch.routes().size() + 1 + TARGET * targets + 1 + drawn + 1
                + 2 * patch.recordings().size()];
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
            image[at++] = route.side().ordinal();
            image[at++] = route.bend();
            image[at++] = route.low();
            image[at++] = route.high();
            image[at++] = route.scaler() == null ? -1 : route.scaler().ordinal();
        }
        image[at++] = targets;
        List<Macro> macros = patch.macros();
        for (int m = 0; m < macros.size(); m++) {
            for (MacroTarget target : macros.get(m).targets()) {
                image[at++] = m;
                image[at++] = target.target().index();
                image[at++] = target.low();
                image[at++] = target.high();
                image[at++] = target.bend();
            }
        }
        int countAt = at++;
        for (int kind = 0; kind < Shapes.COUNT; kind++) {
            double[] numbers = patch.shape(kind);
            if (numbers.length > 0) {
                image[countAt]++;
                image[at++] = kind;
                image[at++] = numbers.length;
                for (double v : numbers) {
                    image[at++] = v;
                }
            }
        }
        image[at++] = patch.recordings().size();
        for (SoundFile file : patch.recordings()) {
            image[at++] = file.source();
            image[at++] = file.key();
        }
        return image;
    }

    /** The image of a patch with everything neutral: no layer on, no route, no macro target, nothing drawn. */
    public static double[] empty() {
        double[] image = new double[Parameters.COUNT + 4];
        double[] neutral = Parameters.neutralValues();
        for (int i = 0; i < neutral.length; i++) {
            image[i] = neutral[i];
        }
        return image;
    }

    /** Whether a route or a macro moves a parameter. @param parameter by registry index */
    public static boolean moves(double[] image, int parameter) {
        int routes = (int) image[routesAt()];
        for (int r = 0; r < routes; r++) {
            if ((int) image[routesAt() + 1 + ROUTE * r + 1] == parameter) {
                return true;
            }
        }
        int targetsAt = routesAt() + 1 + ROUTE * routes;
        int targets = (int) image[targetsAt];
        for (int t = 0; t < targets; t++) {
            if ((int) image[targetsAt + 1 + TARGET * t + 1] == parameter) {
                return true;
            }
        }
        return false;
    }

    /** The numbers of a drawn list; empty for its usual form. */
    public static double[] shape(double[] image, int kind) {
        int at = shapesAt(image);
        int count = (int) image[at++];
        for (int i = 0; i < count; i++) {
            int length = (int) image[at + 1];
            if ((int) image[at] == kind) {
                double[] numbers = new double[length];
                for (int k = 0; k < length; k++) {
                    numbers[k] = image[at + 2 + k];
                }
                return numbers;
            }
            at += 2 + length;
        }
        return new double[0];
    }

    /** Keys of all recordings that an image refers to. */
    public static double[] recordings(double[] image) {
        int at = recordingsAt(image);
        double[] keys = new double[(int) image[at]];
        for (int i = 0; i < keys.length; i++) {
            keys[i] = image[at + 2 + 2 * i];
        }
        return keys;
    }

    /** Key of the recording that a source has, or 0. */
    public static double recording(double[] image, int layer, int source) {
        int at = recordingsAt(image);
        int files = (int) image[at++];
        for (int i = 0; i < files; i++) {
            if ((int) image[at + 2 * i] == SoundFile.place(layer, source)) {
                return image[at + 2 * i + 1];
            }
        }
        return 0;
    }

    private static int recordingsAt(double[] image) {
        int at = shapesAt(image);
        int count = (int) image[at++];
        for (int i = 0; i < count; i++) {
            at += 2 + (int) image[at + 1];
        }
        return at;
    }

    private static int shapesAt(double[] image) {
        int at = targetsAt(image);
        return at + 1 + TARGET * (int) image[at];
    }

    /** The value at which a parameter sounds before routes: where its macro puts it, or else as stored. As {@link Patch#soundingValue}. */
    public static double sounding(double[] image, int index) {
        int target = targetHolding(image, index);
        if (target < 0) {
            return image[index];
        }
        double position = image[PatchParameters.MACRO + (int) image[target]] / 100;
        return new MacroTarget(Parameters.at(index), image[target + 2], image[target + 3], image[target + 4]).at(position);
    }

    /** {@link #sounding} of every parameter, in registry order. */
    public static double[] soundings(double[] image) {
        double[] values = new double[Parameters.COUNT];
        for (int i = 0; i < values.length; i++) {
            values[i] = image[i];
        }
        int at = targetsAt(image);
        int count = (int) image[at];
        for (int i = 0; i < count; i++) {
            int index = (int) image[at + 2 + TARGET * i];
            values[index] = sounding(image, index);
        }
        return values;
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

    /** Holds a parameter at a value in place, wherever a macro that holds it stands. For pictures and comparisons; not an edit. */
    public static void pin(double[] image, int index, double value) {
        image[index] = value;
        int target = targetHolding(image, index);
        if (target >= 0) {
            image[target + 2] = value;
            image[target + 3] = value;
        }
    }

    /** Place of the macro target that holds a parameter, or -1. */
    private static int targetHolding(double[] image, int index) {
        int at = targetsAt(image);
        int count = (int) image[at];
        for (int i = 0; i < count; i++) {
            if ((int) image[at + 1 + TARGET * i + 1] == index) {
                return at + 1 + TARGET * i;
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
        return Parameters.COUNT + 1 + ROUTE * (int) image[Parameters.COUNT];
    }
}
