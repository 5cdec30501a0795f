package gentlecomet.craft.level;

import gentlecomet.craft.edit.CompositeEdit;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.FilterParameters;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.source.Recordings;
import java.util.List;
import java.util.Locale;

/**
 * Brings what comes out of an effect to the loudness of what goes in: the phrase is rendered with the effect and without it, both
 * without what follows, and the difference of their loudness (ITU-R BS.1770-4) becomes the slot's level after.
 */
public final class GainMatch {

    /** In place of a slot: the filters and the drive of a layer, matched by the layer's level. */
    public static final int FILTERS = -1;

    private final ChainLoudness loudness;

    public GainMatch(Recordings recordings) {
        loudness = new ChainLoudness(recordings);
    }

    /** What was found. @param slot the parameter that is set @param db its new value */
    public record Result(Parameter slot, double db, double beforeLufs, double afterLufs) {

        /** What was found and done, for people. */
        public String words() {
            double off = afterLufs - beforeLufs;
            String found = Math.abs(off) < 0.05 ? "as loud as what goes in" : String.format(Locale.ROOT, "%.1f LU %s than what goes in", Math.abs(off), off > 0 ? "louder" : "quieter");
            double left = Math.abs(off + db);
            return String.format(Locale.ROOT, "%s at 0 dB is %s; it stands at %+.1f dB now%s.", slot.place(), found, db,
                    left < 0.06 ? ", matched" : String.format(Locale.ROOT, ", %.1f LU short of a match", left));
        }

        /** The setting as one step of the history. */
        public PatchEdit edit() {
            return new CompositeEdit(String.format(Locale.ROOT, "%s matched: %.1f LUFS before, %.1f after, %+.1f dB", slot.place(), beforeLufs, afterLufs, db),
                    List.of(new PatchEdit.SetValue(slot, db)));
        }
    }

    /**
     * @param layer from 0, or -1 for the chain that all layers share
     * @param slot  from 0, or {@link #FILTERS}
     * @throws IllegalArgumentException where nothing is heard there
     */
    public Result match(Patch patch, Phrase phrase, int layer, int slot) {
        if (slot == FILTERS) {
            return matchFilters(patch, phrase, layer);
        }
        Parameter gain = Parameters.at(Parameters.ofEffect(layer, slot) + EffectParameters.OUTPUT);
        double[] with = PatchImage.of(patch);
        PatchImage.pin(with, gain.index(), 0);
        ChainLoudness.bypass(with, layer, slot + 1);
        double[] without = with.clone();
        PatchImage.pin(without, Parameters.ofEffect(layer, slot) + EffectParameters.ON, 1);
        return result(gain, loudness.of(without, phrase), loudness.of(with, phrase));
    }

    /** The layer is heard alone at a level of 0 dB, with filters and drive and without. */
    private Result matchFilters(Patch patch, Phrase phrase, int layer) {
        Parameter level = Parameters.at(Parameters.ofLayer(layer, LayerParameters.ZONE_LEVEL));
        double[] with = PatchImage.of(patch);
        for (int other = 0; other < Parameters.LAYERS; other++) {
            PatchImage.pin(with, Parameters.ofLayer(other, LayerParameters.ON), other == layer ? 1 : 0);
        }
        PatchImage.pin(with, level.index(), 0);
        double[] without = with.clone();
        for (int f = 0; f < LayerParameters.FILTERS; f++) {
            PatchImage.pin(without, Parameters.ofLayer(layer, LayerParameters.filter(f) + FilterParameters.TYPE), 0);
        }
        PatchImage.pin(without, Parameters.ofLayer(layer, LayerParameters.DRIVE_TYPE), 0);
        return result(level, loudness.of(without, phrase), loudness.of(with, phrase));
    }

    private static Result result(Parameter gain, double before, double after) {
        if (!(before > -70 && after > -70)) {
            throw new IllegalArgumentException("nothing is heard before or after it");
        }
        return new Result(gain, gain.clamp(Math.rint(10 * (before - after)) / 10), before, after);
    }
}
