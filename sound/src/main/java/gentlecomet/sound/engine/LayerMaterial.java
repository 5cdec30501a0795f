package gentlecomet.sound.engine;

import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.source.SourceMaterial;
import gentlecomet.sound.source.WaveCache;

/** What the voices of a layer share beside its parameters: the material of its sources, drawn curves and the steps of its LFOs. */
final class LayerMaterial {

    final SourceMaterial[] sources = new SourceMaterial[LayerParameters.SOURCES];
    final double[][] curves = new double[LayerParameters.CURVES][];
    final double[][] lfoPoints = new double[LayerParameters.LFOS][];
    final double[][] lfoSteps = new double[LayerParameters.LFOS][];

    double[] keyLevels = new double[0];

    LayerMaterial(WaveCache shelf) {
        for (int s = 0; s < sources.length; s++) {
            sources[s] = new SourceMaterial(shelf);
        }
    }

    /** Takes over what an image says about a layer. @param block the layer's parameters as they are to stand */
    void take(double[] image, int layer, double[] block) {
        for (int s = 0; s < sources.length; s++) {
            sources[s].take(block, LayerParameters.source(s), PatchImage.shape(image, Shapes.harmonics(layer, s)),
                    PatchImage.shape(image, Shapes.copies(layer, s)), PatchImage.shape(image, Shapes.modes(layer, s)),
                    PatchImage.recording(image, layer, s));
        }
        keyLevels = PatchImage.shape(image, Shapes.keyLevels(layer));
        for (int c = 0; c < curves.length; c++) {
            curves[c] = PatchImage.shape(image, Shapes.curve(layer, c));
        }
        for (int l = 0; l < lfoSteps.length; l++) {
            lfoPoints[l] = PatchImage.shape(image, Shapes.lfoPoints(layer, l));
            lfoSteps[l] = PatchImage.shape(image, Shapes.lfoSteps(layer, l));
        }
    }

    /** Makes ready what the choices of a block need. */
    void choose(double[] block) {
        for (int s = 0; s < sources.length; s++) {
            sources[s].choose(block, LayerParameters.source(s));
        }
    }
}
