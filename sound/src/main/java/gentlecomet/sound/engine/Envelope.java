package gentlecomet.sound.engine;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.EnvelopeParameters;

/**
 * Delay, attack, hold, decay, sustain, release, worked out once for each control step. Attack rises in a straight line to
 * 1 at the end of its time. Decay and release fall exponentially, by 60 dB over their time, and are bent so that they end
 * exactly on the sustain level and on zero.
 */
public final class Envelope {

    private static final int IDLE = 0;
    private static final int DELAY = 1;
    private static final int ATTACK = 2;
    private static final int HOLD = 3;
    private static final int DECAY = 4;
    private static final int RELEASE = 5;
    /** log2(1000): the exponent of a fall by 60 dB. */
    private static final double FALL = 9.965784284662087;
    private static final double FLOOR = Polynomials.exp2(-FALL);

    private int stage = IDLE;
    private double seconds;
    private double level;
    private double startLevel;

    /** Starts from silence, or from the present level where a note takes over a sounding voice. */
    public void start(boolean fromPresentLevel) {
        startLevel = fromPresentLevel ? level : 0;
        level = startLevel;
        stage = DELAY;
        seconds = 0;
    }

    /** Lets go: the release begins at the present level. */
    public void release() {
        if (stage != IDLE && stage != RELEASE) {
            stage = RELEASE;
            startLevel = level;
            seconds = 0;
        }
    }

    /** Ends at once. */
    public void stop() {
        stage = IDLE;
        level = 0;
    }

    /** Whether it has come to its end. */
    public boolean idle() {
        return stage == IDLE;
    }

    /** Whether the key has been let go. */
    public boolean released() {
        return stage == RELEASE || stage == IDLE;
    }

    public double level() {
        return level;
    }

    /**
     * Moves on by a control step and answers the level at its end.
     *
     * @param block  parameters of the layer
     * @param at     start of this envelope's group in the block
     * @param step   length of the control step in seconds
     */
    public double advance(double[] block, int at, double step) {
        seconds += step;
        if (stage == DELAY && leave(block[at + EnvelopeParameters.DELAY])) {
            stage = ATTACK;
        }
        if (stage == ATTACK) {
            double time = block[at + EnvelopeParameters.ATTACK];
            if (leave(time)) {
                stage = HOLD;
                level = 1;
            } else {
                level = startLevel + (1 - startLevel) * seconds / time;
            }
        }
        if (stage == HOLD && leave(block[at + EnvelopeParameters.HOLD])) {
            stage = DECAY;
        }
        if (stage == DECAY) {
            double sustain = block[at + EnvelopeParameters.SUSTAIN] / 100;
            level = sustain + (1 - sustain) * fall(seconds / block[at + EnvelopeParameters.DECAY]);
        } else if (stage == RELEASE) {
            level = startLevel * fall(seconds / block[at + EnvelopeParameters.RELEASE]);
            if (level <= 0) {
                stage = IDLE;
            }
        }
        return level;
    }

    private boolean leave(double time) {
        if (seconds < time) {
            return false;
        }
        seconds -= time;
        return true;
    }

    private static double fall(double part) {
        return part >= 1 ? 0 : (Polynomials.exp2(-FALL * part) - FLOOR) / (1 - FLOOR);
    }
}
