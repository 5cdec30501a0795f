package gentlecomet.sound.motion;

import gentlecomet.sound.maths.Bend;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.EnvelopeParameters;

/**
 * Delay, attack, hold, decay, sustain, release, worked out once for each control step. Attack rises to 1 at the end of its time, in
 * a straight line or bent. Decay and release fall by 60 dB over their time, and are bent so that they end exactly on the
 * sustain level and on zero; their curves lead from there to a straight line. Each time can be a note division instead.
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

    /** How far it has come: 1000 x the stage (1 delay, 2 attack, 3 hold, 4 decay and sustain, 5 release) + seconds within it. */
    public double place() {
        return 1000.0 * stage + Math.min(999, seconds);
    }

    /**
     * Moves on by a control step and answers the level at its end.
     *
     * @param block  parameters of the layer
     * @param at     start of this envelope's group in the block
     * @param tempo  in beats per minute, for times that are note divisions
     * @param step   length of the control step in seconds
     */
    public double advance(double[] block, int at, double tempo, double step) {
        if (stage == IDLE) {
            return level;
        }
        seconds += step;
        if (stage == DELAY && leave(time(block, at, EnvelopeParameters.DELAY, EnvelopeParameters.DELAY_DIVISION, tempo))) {
            stage = ATTACK;
        }
        if (stage == ATTACK) {
            double time = time(block, at, EnvelopeParameters.ATTACK, EnvelopeParameters.ATTACK_DIVISION, tempo);
            if (leave(time)) {
                stage = HOLD;
                level = 1;
            } else {
                double part = Bend.at(seconds / time, block[at + EnvelopeParameters.ATTACK_CURVE] / 100);
                level = startLevel + (1 - startLevel) * part;
            }
        }
        if (stage == HOLD && leave(time(block, at, EnvelopeParameters.HOLD, EnvelopeParameters.HOLD_DIVISION, tempo))) {
            stage = DECAY;
        }
        if (stage == DECAY) {
            double sustain = block[at + EnvelopeParameters.SUSTAIN] / 100;
            double time = time(block, at, EnvelopeParameters.DECAY, EnvelopeParameters.DECAY_DIVISION, tempo);
            level = sustain + (1 - sustain) * fall(seconds / time, block[at + EnvelopeParameters.DECAY_CURVE] / 100);
        } else if (stage == RELEASE) {
            double time = time(block, at, EnvelopeParameters.RELEASE, EnvelopeParameters.RELEASE_DIVISION, tempo);
            level = startLevel * fall(seconds / time, block[at + EnvelopeParameters.RELEASE_CURVE] / 100);
            if (level <= 0) {
                stage = IDLE;
            }
        }
        return level;
    }

    private static double time(double[] block, int at, int free, int division, double tempo) {
        int choice = (int) block[at + division];
        return choice == 0 ? block[at + free] : Division.seconds(choice, tempo);
    }

    private boolean leave(double time) {
        if (seconds < time) {
            return false;
        }
        seconds -= time;
        return true;
    }

    private static double fall(double part, double curve) {
        if (part >= 1) {
            return 0;
        }
        double falling = (Polynomials.exp2(-FALL * part) - FLOOR) / (1 - FLOOR);
        return curve == 1 ? falling : falling * curve + (1 - part) * (1 - curve);
    }
}
