package gentlecomet.sound.effect;

import gentlecomet.sound.filter.VoiceFilter;
import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.FilterParameters;

/** Every filter of the voices as an effect; what tracks the keys follows the newest note. */
final class FilterEffect implements Effect {

    private static final int SAMPLES = ControlStep.SAMPLES;
    private static final int MIDDLE_KEY = 60;

    private final double sampleRate;
    private final VoiceFilter filter = new VoiceFilter();
    private final double[] settings = new double[FilterParameters.SIZE];
    private final double[] left = new double[SAMPLES];
    private final double[] right = new double[SAMPLES];
    private double key = MIDDLE_KEY;

    FilterEffect(double sampleRate) {
        this.sampleRate = sampleRate;
        filter.equip(FilterParameters.COMB, sampleRate);
        filter.equip(FilterParameters.VOWELS, sampleRate);
        filter.equip(FilterParameters.PHASER, sampleRate);
    }

    @Override
    public void reset() {
        filter.reset();
    }

    @Override
    public boolean listens(double[] block, int at) {
        return block[at + EffectParameters.FILTER_KEY_TRACKING] > 0;
    }

    @Override
    public void follow(double newKey, boolean held) {
        key = newKey;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] toLeft, double[] toRight) {
        take(block, at, settings);
        for (int from = 0; from < EffectStep.SAMPLES; from += SAMPLES) {
            System.arraycopy(toLeft, from, left, 0, SAMPLES);
            System.arraycopy(toRight, from, right, 0, SAMPLES);
            filter.process(left, right, settings, 0, key, 0, sampleRate);
            System.arraycopy(left, 0, toLeft, from, SAMPLES);
            System.arraycopy(right, 0, toRight, from, SAMPLES);
        }
    }

    /** The parameters of the effect as those of a voice's filter. */
    private static void take(double[] block, int at, double[] settings) {
        settings[FilterParameters.TYPE] = block[at + EffectParameters.FILTER_TYPE] + 1;
        settings[FilterParameters.CUTOFF] = block[at + EffectParameters.FILTER_CUTOFF];
        settings[FilterParameters.RESONANCE] = block[at + EffectParameters.FILTER_RESONANCE];
        settings[FilterParameters.KEY_TRACKING] = block[at + EffectParameters.FILTER_KEY_TRACKING];
        settings[FilterParameters.DRIVE] = block[at + EffectParameters.FILTER_DRIVE];
        settings[FilterParameters.COMB_TUNE] = block[at + EffectParameters.FILTER_COMB_TUNE];
        settings[FilterParameters.COMB_FEEDBACK] = block[at + EffectParameters.FILTER_COMB_FEEDBACK];
        settings[FilterParameters.COMB_DAMPING] = block[at + EffectParameters.FILTER_COMB_DAMPING];
        settings[FilterParameters.VOWEL] = block[at + EffectParameters.FILTER_VOWEL];
        for (int stop = 0; stop < FilterParameters.VOWEL_STOPS; stop++) {
            settings[FilterParameters.VOWEL_PATH + stop] = block[at + EffectParameters.FILTER_VOWEL_PATH + stop];
        }
        settings[FilterParameters.MIX] = 100;
    }

    /** Response in dB at a frequency as the parameters of a block stand, for pictures. */
    static double responseDb(double[] block, int at, double hz, double sampleRate) {
        double[] settings = new double[FilterParameters.SIZE];
        take(block, at, settings);
        return VoiceFilter.responseDb(settings, 0, hz, sampleRate);
    }
}
