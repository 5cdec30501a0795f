package gentlecomet.sound.engine;

import gentlecomet.sound.motion.Lfo;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.LfoParameters;
import gentlecomet.sound.parameter.Parameters;

/** LFOs that all notes of a layer share. */
final class SharedLfos {

    private final Lfo[][] lfos = new Lfo[Parameters.LAYERS][LayerParameters.LFOS];

    SharedLfos() {
        for (Lfo[] layer : lfos) {
            for (int l = 0; l < layer.length; l++) {
                layer[l] = new Lfo();
            }
        }
    }

    void start(int layer, double[] block, double tempo) {
        for (int l = 0; l < LayerParameters.LFOS; l++) {
            lfos[layer][l].start(block, LayerParameters.lfo(l), tempo, 31 * layer + l, 0);
        }
    }

    /** Whether notes of a layer share any. */
    static boolean any(double[] block) {
        boolean any = false;
        for (int l = 0; l < LayerParameters.LFOS; l++) {
            any |= block[LayerParameters.lfo(l) + LfoParameters.SCOPE] == 1;
        }
        return any && block[LayerParameters.ON] == 1;
    }

    /**
     * Moves those on that a layer shares, and writes what they say.
     *
     * @param block the layer's parameters as the newest note's routes have moved them
     */
    void advance(int layer, double[] block, LayerMaterial material, double tempo, double seconds, double[] into) {
        for (int l = 0; l < LayerParameters.LFOS; l++) {
            int at = LayerParameters.lfo(l);
            if (block[at + LfoParameters.SCOPE] == 1) {
                into[l] = lfos[layer][l].advance(block, at, material.lfoPoints[l], material.lfoSteps[l], tempo, seconds);
            }
        }
    }
}
