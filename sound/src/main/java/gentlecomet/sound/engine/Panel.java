package gentlecomet.sound.engine;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.PatchImage;

/**
 * Where every parameter of the patch stands: as stored, where macros want it, and, eased over a few milliseconds so that
 * nothing clicks, where it is now. Routes shared by all notes are applied to the patch's own block.
 */
final class Panel {

    private static final double EASE_SECONDS = 0.004;
    private static final double LOG2_E = 1.4426950408889634;

    private final Routing[] layerRouting = new Routing[Parameters.LAYERS];
    private final Routing patchRouting = new Routing();
    private final double[] wanted = Parameters.neutralValues();
    private final double[] eased = Parameters.neutralValues();
    private final double[] patchBlock = new double[PatchParameters.SIZE];
    private final double[][] layerBlocks = new double[Parameters.LAYERS][LayerParameters.SIZE];
    private double[] image = new double[Parameters.COUNT + 2];
    private boolean easing;

    Panel() {
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            layerRouting[layer] = new Routing();
        }
    }

    /** Takes over an image; {@code atOnce} without easing. The image is copied. */
    void take(double[] patchImage, boolean atOnce) {
        image = patchImage.clone();
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            layerRouting[layer].load(image, layer);
        }
        patchRouting.load(image, -1);
        aim();
        easing = !atOnce;
        if (atOnce) {
            System.arraycopy(wanted, 0, eased, 0, wanted.length);
        }
        lay();
    }

    /** Moves one parameter by hand. */
    void put(int index, double value) {
        PatchImage.put(image, index, value);
        aim();
        easing = true;
    }

    /** Where a parameter of the patch as a whole is to stand. */
    double wanted(int index) {
        return wanted[index];
    }

    /** Where a parameter stands now, before routes. */
    double eased(int index) {
        return eased[index];
    }

    /** The patch's own parameters in this control step, routes included. */
    double[] patchBlock() {
        return patchBlock;
    }

    /** A layer's parameters in this control step, before the routes of its voices. */
    double[] layerBlock(int layer) {
        return layerBlocks[layer];
    }

    Routing layerRouting(int layer) {
        return layerRouting[layer];
    }

    /** Parameters on their way go most of it within a few milliseconds; steps and choices jump. */
    void advance(double stepSeconds) {
        if (easing) {
            double part = 1 - Polynomials.exp2(-stepSeconds / EASE_SECONDS * LOG2_E);
            boolean moving = false;
            for (int i = 0; i < Parameters.COUNT; i++) {
                moving |= ease(i, part);
            }
            easing = moving;
        }
        lay();
    }

    /** Applies the routes that all notes share. */
    void route(double[] modulation) {
        if (!patchRouting.empty()) {
            patchRouting.apply(patchBlock, modulation);
        }
    }

    private boolean ease(int i, double part) {
        double gap = wanted[i] - eased[i];
        if (gap == 0) {
            return false;
        }
        Parameter p = Parameters.at(i);
        if (!p.taper().continuous() || Math.abs(gap) < 1e-5 * (p.max() - p.min())) {
            eased[i] = wanted[i];
            return false;
        }
        eased[i] += gap * part;
        return true;
    }

    private void lay() {
        copy(eased, 0, patchBlock);
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            copy(eased, Parameters.ofLayer(layer, 0), layerBlocks[layer]);
        }
    }

    private static void copy(double[] from, int start, double[] to) {
        for (int i = 0; i < to.length; i++) {
            to[i] = from[start + i];
        }
    }

    private void aim() {
        System.arraycopy(image, 0, wanted, 0, Parameters.COUNT);
        int at = PatchImage.targetsAt(image);
        int count = (int) image[at];
        for (int i = 0; i < count; i++) {
            int index = (int) image[at + 1 + 4 * i + 1];
            wanted[index] = PatchImage.sounding(image, index);
        }
    }
}
