package gentlecomet.sound.patch;

import gentlecomet.sound.parameter.Parameters;
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

    /** Place of the count of routes. */
    public static int routesAt() {
        return Parameters.COUNT;
    }

    /** Place of the count of macro targets in an image. */
    public static int targetsAt(double[] image) {
        return Parameters.COUNT + 1 + 3 * (int) image[Parameters.COUNT];
    }
}
