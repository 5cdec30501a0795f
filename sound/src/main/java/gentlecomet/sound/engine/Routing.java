package gentlecomet.sound.engine;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.Taper;
import gentlecomet.sound.patch.PatchImage;

/** The routes of a patch image that move one block of parameters, laid out for the control step. */
final class Routing {

    private int count;
    private int[] modulators = new int[0];
    private int[] places = new int[0];
    private double[] depths = new double[0];
    private Parameter[] targets = new Parameter[0];

    /**
     * Takes the routes of an image whose targets belong to a block.
     *
     * @param layer the layer that owns the block, or -1 for the patch as a whole
     */
    void load(double[] image, int layer) {
        int all = (int) image[PatchImage.routesAt()];
        modulators = new int[all];
        places = new int[all];
        depths = new double[all];
        targets = new Parameter[all];
        count = 0;
        int start = layer < 0 ? 0 : Parameters.ofLayer(layer, 0);
        for (int i = 0; i < all; i++) {
            int at = PatchImage.routesAt() + 1 + 3 * i;
            int target = (int) image[at + 1];
            if (Parameters.layerOf(target) == layer && image[at + 2] != 0) {
                modulators[count] = (int) image[at];
                places[count] = target - start;
                depths[count] = image[at + 2];
                targets[count] = Parameters.at(target);
                count++;
            }
        }
    }

    boolean empty() {
        return count == 0;
    }

    /** Moves the values of a block by its routes and keeps them within their ranges. */
    void apply(double[] block, double[] modulation) {
        for (int i = 0; i < count; i++) {
            double move = depths[i] * modulation[modulators[i]];
            int place = places[i];
            if (targets[i].taper() == Taper.LOGARITHMIC) {
                block[place] *= Polynomials.exp2(move);
            } else {
                block[place] += move;
            }
        }
        for (int i = 0; i < count; i++) {
            double v = block[places[i]];
            block[places[i]] = Math.max(targets[i].min(), Math.min(targets[i].max(), v));
        }
    }

    /** Length of an array of modulator values, indexed by {@link gentlecomet.sound.patch.Modulator#ordinal}. */
    static int modulators() {
        return 9 + PatchParameters.MACROS;
    }
}
