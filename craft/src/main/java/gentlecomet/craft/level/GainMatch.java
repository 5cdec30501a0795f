package gentlecomet.craft.level;

import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;

/**
 * Brings what comes out of an effect to the loudness of what goes in: the phrase is rendered with the effect and without it, both
 * without what follows, and the difference of their loudness (ITU-R BS.1770-4) becomes the slot's level after.
 */
public final class GainMatch {

    private static final double TAIL_SECONDS = 4;

    private final Rendering rendering;

    public GainMatch(Recordings recordings) {
        rendering = new Rendering(Measuring.RATE, recordings);
    }

    /** What was found. @param slot the parameter that is set @param db its new value */
    public record Result(Parameter slot, double db, double beforeLufs, double afterLufs) {
    }

    /**
     * @param layer from 0, or -1 for the chain that all layers share
     * @param slot  from 0
     * @throws IllegalArgumentException where nothing is heard there
     */
    public Result match(Patch patch, Phrase phrase, int layer, int slot) {
        Parameter gain = Parameters.at(first(layer, slot) + EffectParameters.GAIN);
        double[] with = PatchImage.of(patch);
        PatchImage.pin(with, gain.index(), 0);
        int slots = layer < 0 ? PatchParameters.EFFECTS : LayerParameters.EFFECTS;
        for (int later = slot + 1; later < slots; later++) {
            PatchImage.pin(with, first(layer, later) + EffectParameters.ON, 1);
        }
        double[] without = with.clone();
        PatchImage.pin(without, first(layer, slot) + EffectParameters.ON, 1);
        double before = loudness(without, phrase);
        double after = loudness(with, phrase);
        if (!(before > -70 && after > -70)) {
            throw new IllegalArgumentException("nothing is heard before or after the effect");
        }
        return new Result(gain, gain.clamp(Math.rint(10 * (before - after)) / 10), before, after);
    }

    private double loudness(double[] image, Phrase phrase) {
        return Loudness.of(rendering.render(image, phrase, TAIL_SECONDS, Rendering.Hands.AT_REST).audio()).integrated();
    }

    private static int first(int layer, int slot) {
        return layer < 0 ? PatchParameters.effect(slot) : Parameters.ofLayer(layer, LayerParameters.effect(slot));
    }
}
