package gentlecomet.sound.engine;

import gentlecomet.sound.effect.EffectType;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.FilterParameters;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.NoiseParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.PatchImage;

/**
 * What a held voice of a patch costs with the patch's effects, as a count: each part that runs, at what it takes on its own. The weights are nanoseconds for a stereo
 * sample, measured part by part on a quiet machine (the table of parts in docs/quality.md), so the same patch costs the same however busy the machine is.
 */
public final class Cost {

    private static final double VOICE = 15;
    private static final double ROUTE = 0.5;
    private static final double RING = 3;
    private static final double PHASE_MODULATION = 31;
    private static final double SYNC = 3;
    private static final double VOICE_DRIVE = 165;
    private static final double COPY_OF_A_LINE = 0.5;
    private static final double COPY_OF_A_TABLE = 5.4;
    /** By the choice of the wave: sine, triangle, saw, pulse, noise, rounded square, table, harmonics; partials and bodies count theirs. */
    private static final double[] WAVES = {6, 8, 4, 5.6, 12, 10, 10, 10, 0, 0, 10};
    private static final double PARTIAL = 2.1;
    private static final double BODY_PARTIAL = 2.7;
    private static final double[] NOISES = {2.8, 13, 13};
    /** By the choice of the filter; none is the first. */
    private static final double[] FILTERS = {0, 11.9, 9.8, 10.6, 18.6, 10.5, 18.3, 10.4, 18.4, 13.1, 34.4, 44.1, 26};
    /** By the choice of the effect; none is the first. */
    private static final double[] EFFECTS = {0, 139, 3, 17, 55, 37, 31, 28, 5, 10, 46, 14, 26, 90, 19, 3, 6, 5.4, 16, 29, 110, 0};
    /** A band of the drive by band that is driven. */
    private static final double DRIVEN_BAND = 139;
    /** A band of the filter bank, of eight. */
    private static final double BANK_BAND = 15;

    private Cost() {
    }

    /** How many plain voices, one sine each, a voice of the patch and its effects weigh. @param image of the patch */
    public static double ofVoice(double[] image) {
        double factor = 1 << (int) image[PatchParameters.OVERSAMPLING];
        double cost = 0;
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            if (image[Parameters.ofLayer(layer, LayerParameters.ON)] == 1) {
                cost += (VOICE + layer(image, layer)) * factor;
                cost += effects(image, Parameters.ofLayer(layer, LayerParameters.effect(0)), LayerParameters.EFFECTS);
            }
        }
        cost += effects(image, PatchParameters.effect(0), PatchParameters.EFFECTS);
        cost += ROUTE * image[PatchImage.routesAt()];
        return cost / (VOICE + WAVES[SourceParameters.WAVE_SINE]);
    }

    private static double layer(double[] image, int layer) {
        double cost = 0;
        for (int source = 0; source < LayerParameters.SOURCES; source++) {
            int at = Parameters.ofSource(layer, source, 0);
            if (runs(image, layer, source)) {
                cost += source(image, at);
            }
        }
        int noise = Parameters.ofLayer(layer, LayerParameters.NOISE);
        if (heard(image, noise + NoiseParameters.LEVEL)) {
            cost += NOISES[(int) image[noise + NoiseParameters.COLOUR]];
        }
        for (int filter = 0; filter < LayerParameters.FILTERS; filter++) {
            cost += FILTERS[(int) image[Parameters.ofLayer(layer, LayerParameters.filter(filter)) + FilterParameters.TYPE]];
        }
        return cost + (image[Parameters.ofLayer(layer, LayerParameters.DRIVE_TYPE)] > 0 ? VOICE_DRIVE : 0);
    }

    /** Whether a source is heard, or another one listens to it. */
    private static boolean runs(double[] image, int layer, int source) {
        if (heard(image, Parameters.ofSource(layer, source, SourceParameters.LEVEL))) {
            return true;
        }
        for (int other = 0; other < LayerParameters.SOURCES; other++) {
            int at = Parameters.ofSource(layer, other, 0);
            boolean listens = image[at + SourceParameters.PHASE_MODULATION + source] > 0 || image[at + SourceParameters.SYNC] == source + 1
                    || image[at + SourceParameters.RING] > 0 && image[at + SourceParameters.RING_FROM] == source;
            if (other != source && listens && heard(image, at + SourceParameters.LEVEL)) {
                return true;
            }
        }
        return false;
    }

    private static boolean heard(double[] image, int level) {
        return PatchImage.sounding(image, level) > Parameters.at(level).min();
    }

    private static double source(double[] image, int at) {
        int wave = (int) image[at + SourceParameters.WAVE];
        if (wave == SourceParameters.WAVE_PARTIALS) {
            return PARTIAL * image[at + SourceParameters.PARTIAL_COUNT];
        }
        if (wave == SourceParameters.WAVE_BODY) {
            return BODY_PARTIAL * image[at + SourceParameters.BODY_PARTIALS];
        }
        boolean line = wave == SourceParameters.WAVE_TRIANGLE || wave == SourceParameters.WAVE_SAW || wave == SourceParameters.WAVE_PULSE;
        double cost = WAVES[wave] + (image[at + SourceParameters.UNISON_VOICES] - 1) * (line ? COPY_OF_A_LINE : COPY_OF_A_TABLE);
        for (int from = 0; from < LayerParameters.SOURCES; from++) {
            cost += image[at + SourceParameters.PHASE_MODULATION + from] > 0 ? PHASE_MODULATION : 0;
        }
        return cost + (image[at + SourceParameters.SYNC] > 0 ? SYNC : 0) + (image[at + SourceParameters.RING] > 0 ? RING : 0);
    }

    private static double effects(double[] image, int first, int slots) {
        double cost = 0;
        for (int slot = 0; slot < slots; slot++) {
            int at = first + slot * EffectParameters.size();
            if (image[at + EffectParameters.ON] == 0) {
                cost += EFFECTS[(int) image[at + EffectParameters.TYPE]];
                cost += drivenBands(image, at) * DRIVEN_BAND;
                cost += EffectType.of(image[at + EffectParameters.TYPE]) == EffectType.FILTER_BANK ? image[at + EffectParameters.BANK_BANDS] * BANK_BAND : 0;
            }
        }
        return cost;
    }

    private static int drivenBands(double[] image, int at) {
        if (EffectType.of(image[at + EffectParameters.TYPE]) != EffectType.MULTIBAND_DRIVE) {
            return 0;
        }
        int driven = 0;
        int bands = 2 + (int) image[at + EffectParameters.BANDS_COUNT];
        for (int b = 0; b < bands; b++) {
            int band = at + EffectParameters.BANDS_DRIVE + EffectParameters.BAND_SIZE * b;
            driven += image[band + 1] > 0 && image[band + 2] > 0 ? 1 : 0;
        }
        return driven;
    }
}
