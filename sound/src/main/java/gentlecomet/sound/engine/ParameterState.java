package gentlecomet.sound.engine;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.PatchImage;

/**
 * Where every parameter of the patch stands: as stored, where macros want it, and, eased over a few milliseconds so that
 * nothing clicks, where it is now. Only parameters on their way cost anything.
 */
final class ParameterState {

    private static final double EASE_SECONDS = 0.004;
    private static final double LOG2_E = 1.4426950408889634;

    private final ModulationMatrix[] voiceRouting = new ModulationMatrix[Parameters.LAYERS];
    private final ModulationMatrix[] effectRouting = new ModulationMatrix[Parameters.LAYERS];
    private final ModulationMatrix patchRouting = new ModulationMatrix();
    private final double[] wanted = Parameters.neutralValues();
    private final double[] eased = Parameters.neutralValues();
    private final double[] patchBlock = new double[PatchParameters.SIZE];
    private final double[][] layerBlocks = new double[Parameters.LAYERS][LayerParameters.SIZE];
    private final int[] moving = new int[Parameters.COUNT];
    private final boolean[] onItsWay = new boolean[Parameters.COUNT];
    private final boolean[][] listened = new boolean[Parameters.LAYERS][Modulator.COUNT];
    private final int[] editions = new int[Parameters.LAYERS];
    private double[] image = PatchImage.empty();
    private int movingCount;

    ParameterState() {
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            voiceRouting[layer] = new ModulationMatrix();
            effectRouting[layer] = new ModulationMatrix();
        }
        layAll();
    }

    /** Takes over an image; {@code atOnce} without easing. The image is copied. */
    void take(double[] patchImage, boolean atOnce) {
        image = patchImage.clone();
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            int start = Parameters.ofLayer(layer, 0);
            voiceRouting[layer].load(image, start, start + LayerParameters.VOICE_SIZE);
            // Places of the effects count from the layer's start as well.
            effectRouting[layer].load(image, start, start + LayerParameters.SIZE, start + LayerParameters.VOICE_SIZE);
        }
        patchRouting.load(image, 0, PatchParameters.SIZE);
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            for (int m = 0; m < Modulator.COUNT; m++) {
                listened[layer][m] = voiceRouting[layer].uses(m) || effectRouting[layer].uses(m) || patchRouting.uses(m);
            }
        }
        aim();
        if (atOnce) {
            movingCount = 0;
            for (int i = 0; i < Parameters.COUNT; i++) {
                eased[i] = wanted[i];
                onItsWay[i] = false;
            }
        }
        layAll();
    }

    /** Moves one parameter by hand. */
    void put(int index, double value) {
        PatchImage.put(image, index, value);
        aim();
    }

    /** The image as it stands. Not to be written to. */
    double[] image() {
        return image;
    }

    /** Where a parameter of the patch as a whole is to stand. */
    double wanted(int index) {
        return wanted[index];
    }

    /** Where the parameters of a layer are to stand; a copy. */
    double[] wantedLayer(int layer) {
        double[] block = new double[LayerParameters.SIZE];
        int start = Parameters.ofLayer(layer, 0);
        for (int i = 0; i < block.length; i++) {
            block[i] = wanted[start + i];
        }
        return block;
    }

    /** Where the parameters of the patch as a whole are to stand; a copy. */
    double[] wantedPatch() {
        double[] block = new double[PatchParameters.SIZE];
        for (int i = 0; i < block.length; i++) {
            block[i] = wanted[i];
        }
        return block;
    }

    /** Where a parameter stands now, before routes. */
    double eased(int index) {
        return eased[index];
    }

    /** The patch's own parameters in this control step, routes included. */
    double[] patchBlock() {
        return patchBlock;
    }

    /** A layer's parameters in this control step: those of voices before their routes, those of effects with them. */
    double[] layerBlock(int layer) {
        return layerBlocks[layer];
    }

    /** Goes up whenever a layer's block has changed. */
    int edition(int layer) {
        return editions[layer];
    }

    ModulationMatrix voiceRouting(int layer) {
        return voiceRouting[layer];
    }

    ModulationMatrix effectRouting(int layer) {
        return effectRouting[layer];
    }

    /** Which modulators of a layer's voices any route listens to. Not to be written to. */
    boolean[] listened(int layer) {
        return listened[layer];
    }

    ModulationMatrix patchRouting() {
        return patchRouting;
    }

    /**
     * Parameters on their way go most of it within a few milliseconds; steps and choices jump.
     *
     * @return whether any has moved
     */
    boolean advance(double stepSeconds) {
        if (movingCount == 0) {
            return false;
        }
        double part = 1 - Polynomials.exp2(-stepSeconds / EASE_SECONDS * LOG2_E);
        int still = 0;
        for (int k = 0; k < movingCount; k++) {
            int i = moving[k];
            if (ease(i, part)) {
                moving[still] = i;
                still++;
            } else {
                onItsWay[i] = false;
            }
            lay(i);
        }
        movingCount = still;
        return true;
    }

    /** Applies the routes to the effects that all layers share. */
    void routePatch(double[] modulation) {
        patchRouting.apply(eased, 0, patchBlock, modulation);
    }

    /** Applies the routes to a layer's effects. */
    void routeEffects(int layer, double[] modulation) {
        effectRouting[layer].apply(eased, Parameters.ofLayer(layer, 0), layerBlocks[layer], modulation);
    }

    private boolean ease(int i, double part) {
        double gap = wanted[i] - eased[i];
        Parameter p = Parameters.at(i);
        if (gap == 0 || !p.taper().continuous() || Math.abs(gap) < 1e-5 * (p.max() - p.min())) {
            eased[i] = wanted[i];
            return false;
        }
        eased[i] += gap * part;
        return true;
    }

    private void lay(int i) {
        if (i < PatchParameters.SIZE) {
            patchBlock[i] = eased[i];
        } else {
            int layer = Parameters.layerOf(i);
            layerBlocks[layer][i - Parameters.ofLayer(layer, 0)] = eased[i];
            editions[layer]++;
        }
    }

    private void layAll() {
        for (int i = 0; i < Parameters.COUNT; i++) {
            lay(i);
        }
    }

    private void aim() {
        for (int i = 0; i < Parameters.COUNT; i++) {
            wanted[i] = image[i];
        }
        int at = PatchImage.targetsAt(image);
        int count = (int) image[at];
        for (int i = 0; i < count; i++) {
            int index = (int) image[at + 1 + PatchImage.TARGET * i + 1];
            wanted[index] = PatchImage.sounding(image, index);
        }
        for (int i = 0; i < Parameters.COUNT; i++) {
            if (wanted[i] != eased[i] && !onItsWay[i]) {
                onItsWay[i] = true;
                moving[movingCount] = i;
                movingCount++;
            }
        }
    }
}
