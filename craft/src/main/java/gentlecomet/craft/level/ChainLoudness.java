package gentlecomet.craft.level;

import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;

/** How loud a phrase is at a place in a chain of effects: rendered without what follows. In the chain of a layer, that layer is heard alone and without the chain of all. */
public final class ChainLoudness {

    /** In place of a slot: what goes into the chain. */
    public static final int BEFORE = -1;
    private static final double TAIL_SECONDS = 4;

    private final Rendering rendering;

    public ChainLoudness(Recordings recordings) {
        rendering = new Rendering(Measuring.RATE, recordings);
    }

    /**
     * Integrated loudness in LUFS (ITU-R BS.1770-4), {@link Loudness#SILENT} where nothing is heard.
     *
     * @param layer from 0, or -1 for the chain that all layers share
     * @param slot  from 0, or {@link #BEFORE}
     */
    public double after(Patch patch, Phrase phrase, int layer, int slot) {
        double[] image = PatchImage.of(patch);
        bypass(image, layer, slot + 1);
        if (layer >= 0) {
            bypass(image, -1, 0);
            for (int other = 0; other < Parameters.LAYERS; other++) {
                if (other != layer) {
                    PatchImage.pin(image, Parameters.ofLayer(other, LayerParameters.ON), 0);
                }
            }
        }
        return of(image, phrase);
    }

    /** Integrated loudness of a phrase in LUFS. */
    double of(double[] image, Phrase phrase) {
        return Loudness.of(rendering.render(image, phrase, TAIL_SECONDS, Rendering.ControllerState.AT_REST).audio()).integrated();
    }

    /** Takes a chain's slots from one on out of an image. */
    static void bypass(double[] image, int layer, int from) {
        int slots = layer < 0 ? PatchParameters.EFFECTS : LayerParameters.EFFECTS;
        for (int slot = from; slot < slots; slot++) {
            PatchImage.pin(image, Parameters.ofEffect(layer, slot) + EffectParameters.ON, 1);
        }
    }
}
