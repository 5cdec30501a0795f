package gentlecomet.sound.engine;

import gentlecomet.sound.filter.Ladder;
import gentlecomet.sound.filter.VoiceDrive;
import gentlecomet.sound.filter.VoiceFilter;
import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.parameter.FilterParameters;
import gentlecomet.sound.parameter.LayerParameters;

/** The two filters and the drive of a voice, as the layer joins them. */
final class VoiceFilters {

    private static final int SAMPLES = ControlStep.SAMPLES;

    private final VoiceFilter[] filters = {new VoiceFilter(), new VoiceFilter()};
    private final VoiceDrive drive = new VoiceDrive();

    void equip(double[] layerBlock, double highestRate, double rate) {
        for (int f = 0; f < filters.length; f++) {
            filters[f].equip((int) layerBlock[LayerParameters.filter(f) + FilterParameters.TYPE], highestRate);
        }
        if (layerBlock[LayerParameters.DRIVE_TYPE] != 0) {
            drive.equip(rate);
        }
    }

    void reset() {
        for (VoiceFilter f : filters) {
            f.reset();
        }
        drive.reset();
    }

    /**
     * Begins to filter what the sources have drawn, up to a ladder at the first place.
     *
     * @param bent     pitch of the voice as a key number with fraction
     * @param envelope what the second envelope says
     * @return whether {@link #ladder} is to be run on the sources' first two channels, before {@link #finish}
     */
    boolean begin(VoiceSources sources, double[] block, double bent, double envelope, double rate) {
        return filters[0].begin(sources.left, sources.right, block, LayerParameters.filter(0), bent, envelope, rate);
    }

    Ladder ladder() {
        return filters[0].ladder();
    }

    /** Brings everything that the sources have drawn into their first two channels, filtered. Arguments as in {@link #begin}. */
    void finish(VoiceSources sources, double[] block, double bent, double envelope, double rate) {
        int second = LayerParameters.filter(1);
        boolean driven = block[LayerParameters.DRIVE_TYPE] != 0;
        boolean between = driven && block[LayerParameters.DRIVE_PLACE] == 1;
        double[] left = sources.left;
        double[] right = sources.right;
        filters[0].finish(left, right);
        if (block[LayerParameters.FILTER_ROUTING] == 0) {
            if (between) {
                driveThrough(sources, block);
            }
            if (sources.usesSecond()) {
                mix(sources.secondLeft, left);
                mix(sources.secondRight, right);
            }
            filters[1].process(left, right, block, second, bent, envelope, rate);
        } else {
            filters[1].process(sources.secondLeft, sources.secondRight, block, second, bent, envelope, rate);
            mix(sources.secondLeft, left);
            mix(sources.secondRight, right);
        }
        if (driven && !(between && block[LayerParameters.FILTER_ROUTING] == 0)) {
            driveThrough(sources, block);
        }
        if (sources.usesPast()) {
            mix(sources.pastLeft, left);
            mix(sources.pastRight, right);
        }
    }

    private void driveThrough(VoiceSources sources, double[] block) {
        drive.process(sources.left, sources.right, (int) block[LayerParameters.DRIVE_TYPE], block[LayerParameters.DRIVE_AMOUNT],
                block[LayerParameters.DRIVE_MIX] / 100);
    }

    private static void mix(double[] samples, double[] to) {
        for (int i = 0; i < SAMPLES; i++) {
            to[i] += samples[i];
        }
    }
}
