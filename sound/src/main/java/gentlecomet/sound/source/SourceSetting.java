package gentlecomet.sound.source;

import gentlecomet.sound.maths.CachedGain;
import gentlecomet.sound.parameter.SourceParameters;

/** Where the parameters of a tone source stand, as drawing needs them. Taken from a block only when they may have moved. */
final class SourceSetting {

    private static final double PERCENT = 0.01;

    int wave;
    int copies;
    double detuneCents;
    /** -1 left to 1 right. */
    double pan;
    /** 0 to 1. */
    double width;
    double balanceDb;
    /** How much of the drawn map of the unison voices counts, 0 to 2. */
    double map;
    /** Ranges of each unison voice of each note: cents, and 0 to 1. */
    double randomCents;
    double randomPan;
    double pulseWidth;
    double position;
    /** Level as a gain; 0 when it is off. */
    double gain;
    /** Part that ring modulation has, 0 to 1, and by which source. */
    double ring;
    int ringFrom;
    /** Source to which it is synced, counted from 1; 0 for none. */
    int sync;
    /** Bus of the filters, as the parameter counts them. */
    int into;
    /** How far the pitch follows the key, 0 to 1. */
    double follow;
    /** Frequency against that of the key, and what is added to it in Hz. */
    double ratio;
    double offsetHz;
    private final CachedGain levelGain = new CachedGain();
    private final CachedGain interval = new CachedGain();

    void take(double[] block, int at) {
        wave = (int) block[at + SourceParameters.WAVE];
        copies = (int) block[at + SourceParameters.UNISON_VOICES];
        detuneCents = block[at + SourceParameters.DETUNE];
        pan = block[at + SourceParameters.PAN] * PERCENT;
        width = block[at + SourceParameters.WIDTH] * PERCENT;
        balanceDb = block[at + SourceParameters.BALANCE];
        map = block[at + SourceParameters.UNISON_MAP] * PERCENT;
        randomCents = block[at + SourceParameters.RANDOM_PITCH];
        randomPan = block[at + SourceParameters.RANDOM_PAN] * PERCENT;
        pulseWidth = block[at + SourceParameters.PULSE_WIDTH] * PERCENT;
        position = block[at + SourceParameters.POSITION] * PERCENT;
        double level = block[at + SourceParameters.LEVEL];
        gain = level <= SourceParameters.OFF_DB ? 0 : levelGain.gainOfDb(level);
        ring = block[at + SourceParameters.RING] * PERCENT;
        ringFrom = (int) block[at + SourceParameters.RING_FROM];
        sync = (int) block[at + SourceParameters.SYNC];
        into = (int) block[at + SourceParameters.OUTPUT];
        follow = block[at + SourceParameters.KEY_FOLLOW] * PERCENT;
        double octaves = block[at + SourceParameters.OCTAVE] + block[at + SourceParameters.SEMITONES] / 12 + block[at + SourceParameters.CENTS] / 1200;
        double tuned = block[at + SourceParameters.RATIO];
        ratio = octaves == 0 ? tuned : tuned * interval.exp2(octaves);
        offsetHz = block[at + SourceParameters.OFFSET];
    }
}
