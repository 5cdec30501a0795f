package gentlecomet.sound.engine;

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

    void equip(double[] layerBlock, double highestRate) {
        for (int f = 0; f < filters.length; f++) {
            filters[f].equip((int) layerBlock[LayerParameters.filter(f) + FilterParameters.TYPE], highestRate);
        }
    }

    void reset() {
        for (VoiceFilter f : filters) {
            f.reset();
        }
        drive.reset();
    }

    /**
     * Brings everything that the sources have drawn into their first two channels, filtered.
     *
     * @param bent     pitch of the voice as a key number with fraction
     * @param envelope what the second envelope says
     */
    void process(VoiceSources sources, double[] block, double bent, double envelope, double rate) {
        int first = LayerParameters.filter(0);
        int second = LayerParameters.filter(1);
        boolean driven = block[LayerParameters.DRIVE_TYPE] != 0;
        boolean between = driven && block[LayerParameters.DRIVE_PLACE] == 1;
        double[] left = sources.left;
        double[] right = sources.right;
        if (block[LayerParameters.FILTER_ROUTING] == 0) {
            filters[0].process(left, right, block, first, bent, envelope, rate);
            if (between) {
                driveThrough(sources, block);
            }
            if (sources.usesSecond()) {
                mix(sources.secondLeft, left);
                mix(sources.secondRight, right);
            }
            filters[1].process(left, right, block, second, bent, envelope, rate);
        } else {
            filters[0].process(left, right, block, first, bent, envelope, rate);
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
