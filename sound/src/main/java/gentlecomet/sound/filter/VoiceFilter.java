package gentlecomet.sound.filter;

import gentlecomet.sound.maths.CachedGain;
import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.FilterParameters;

/** One filter of a voice, of whatever type its parameters say. A change of type fades over one control step. */
public final class VoiceFilter {

    private static final int SAMPLES = ControlStep.SAMPLES;
    private static final double MIDDLE_KEY = 60;
    /** From per cent of tracking and semitones to octaves. */
    private static final double OCTAVES_OF_PERCENT = 1.0 / 1200;
    private static final double LOWEST_HZ = 10;

    private final StateVariable stateVariable = new StateVariable();
    private final Ladder ladder = new Ladder();
    private final double[] dryLeft = new double[SAMPLES];
    private final double[] dryRight = new double[SAMPLES];
    private final CachedGain opening = new CachedGain();
    private final CachedGain driveGain = new CachedGain();
    private Comb comb;
    private Vowel vowel;
    private PhaseShift phaser;
    private int type = -1;
    private double mix;
    private double mixWanted;
    private boolean mixed;
    private double drive = 1;

    /** Makes ready what a type needs, so that nothing has to be made while rendering. @param highestRate in Hz */
    public void equip(int newType, double highestRate) {
        if (newType == FilterParameters.COMB && comb == null) {
            comb = new Comb(highestRate);
        } else if (newType == FilterParameters.VOWELS && vowel == null) {
            vowel = new Vowel(SAMPLES);
        } else if (newType == FilterParameters.PHASER && phaser == null) {
            phaser = new PhaseShift();
        }
    }

    /** Forgets everything, at the start of a note. */
    public void reset() {
        type = -1;
    }

    /** Filters one control step in place; arguments as in {@link #begin}. */
    public void process(double[] left, double[] right, double[] block, int at, double pitch, double envelope, double sampleRate) {
        if (begin(left, right, block, at, pitch, envelope, sampleRate)) {
            ladder.process(left, right, SAMPLES);
        }
        finish(left, right);
    }

    /**
     * Filters one control step in place, except that a ladder is only aimed, so that those of two voices can be run together: it has to be
     * run before {@link #finish}.
     *
     * @param pitch    key number with fraction at which the voice sounds
     * @param envelope value of the second envelope
     * @return whether the ladder is still to be run
     */
    public boolean begin(double[] left, double[] right, double[] block, int at, double pitch, double envelope, double sampleRate) {
        int wanted = (int) block[at + FilterParameters.TYPE];
        boolean starting = type == -1;
        if (wanted != type) {
            change(wanted);
            mix = starting && wanted != FilterParameters.OFF ? block[at + FilterParameters.MIX] * 0.01 : 0;
            drive = Polynomials.gainOfDb(block[at + FilterParameters.DRIVE]);
        }
        mixed = false;
        if (type == FilterParameters.OFF) {
            return false;
        }
        mixWanted = block[at + FilterParameters.MIX] * 0.01;
        mixed = mix != 1 || mixWanted != 1;
        if (mixed) {
            for (int i = 0; i < SAMPLES; i++) {
                dryLeft[i] = left[i];
                dryRight[i] = right[i];
            }
        }
        driveIn(left, right, block[at + FilterParameters.DRIVE]);
        double octaves = block[at + FilterParameters.KEY_TRACKING] * (pitch - MIDDLE_KEY) * OCTAVES_OF_PERCENT
                + block[at + FilterParameters.ENVELOPE_AMOUNT] * envelope;
        double moved = octaves == 0 ? 1 : opening.exp2(octaves);
        double resonance = block[at + FilterParameters.RESONANCE];
        if (type == FilterParameters.LADDER_24) {
            double hz = cutoff(block, at, moved);
            ladder.aim(hz, resonance, resonance >= FilterParameters.SINGING_DB, sampleRate);
            return true;
        } else if (type == FilterParameters.COMB) {
            if (comb != null) {
                combAt(left, right, block, at, moved, sampleRate);
            }
        } else if (type == FilterParameters.VOWELS) {
            if (vowel != null) {
                vowel.process(left, right, SAMPLES, block[at + FilterParameters.VOWEL] / 100, block, at + FilterParameters.VOWEL_PATH, moved, sampleRate);
            }
        } else if (type == FilterParameters.PHASER) {
            if (phaser != null) {
                phaser.process(left, right, SAMPLES, cutoff(block, at, moved), resonance, sampleRate);
            }
        } else {
            double hz = cutoff(block, at, moved);
            stateVariable.process(left, right, SAMPLES, type, hz, resonance, sampleRate);
        }
        return false;
    }

    private static double cutoff(double[] block, int at, double moved) {
        double hz = block[at + FilterParameters.CUTOFF] * moved;
        return hz > LOWEST_HZ ? hz : LOWEST_HZ;
    }

    /** The ladder, when it is to be run. */
    public Ladder ladder() {
        return ladder;
    }

    /** Mixes what has been filtered with what came in. */
    public void finish(double[] left, double[] right) {
        if (mixed) {
            double slope = (mixWanted - mix) / SAMPLES;
            double m = mix;
            for (int i = 0; i < SAMPLES; i++) {
                m += slope;
                left[i] = dryLeft[i] + (left[i] - dryLeft[i]) * m;
                right[i] = dryRight[i] + (right[i] - dryRight[i]) * m;
            }
            mix = mixWanted;
        }
    }

    /** The comb is tuned in semitones from middle C, moved by key tracking: at 100 % it rings at the key. */
    private void combAt(double[] left, double[] right, double[] block, int at, double moved, double sampleRate) {
        double hz = 261.6255653005986 * Polynomials.exp2(block[at + FilterParameters.COMB_TUNE] / 12) * moved;
        comb.process(left, right, hz, block[at + FilterParameters.COMB_FEEDBACK] / 100, block[at + FilterParameters.COMB_DAMPING],
                block[at + FilterParameters.COMB_ATTACK], sampleRate);
    }

    private void driveIn(double[] left, double[] right, double db) {
        if (db == 0 && drive == 1) {
            return;
        }
        double wanted = driveGain.gainOfDb(db);
        softClip(left, right, drive * Polynomials.SOFT_CLIP_SCALE, (wanted - drive) / SAMPLES * Polynomials.SOFT_CLIP_SCALE);
        drive = wanted;
    }

    /** {@link Polynomials#softClip} behind a gain that moves in a straight line. Its scale has been taken into the gain. */
    private static void softClip(double[] left, double[] right, double gain, double slope) {
        double g = gain;
        for (int i = 0; i < SAMPLES; i++) {
            g += slope;
            left[i] = Polynomials.softClipScaled(left[i] * g);
            right[i] = Polynomials.softClipScaled(right[i] * g);
        }
    }

    private void change(int wanted) {
        type = wanted;
        if (wanted == FilterParameters.LADDER_24) {
            ladder.reset();
        } else if (wanted == FilterParameters.COMB) {
            if (comb != null) {
                comb.reset();
            }
        } else if (wanted == FilterParameters.VOWELS) {
            if (vowel != null) {
                vowel.reset();
            }
        } else if (wanted == FilterParameters.PHASER) {
            if (phaser != null) {
                phaser.reset();
            }
        } else {
            stateVariable.reset();
        }
    }

    /** Response in dB at a frequency as the parameters of a block stand, for pictures. */
    public static double responseDb(double[] block, int at, double frequencyHz, double sampleRate) {
        int type = (int) block[at + FilterParameters.TYPE];
        double resonance = block[at + FilterParameters.RESONANCE];
        switch (type) {
            case FilterParameters.OFF:
                return 0;
            case FilterParameters.LADDER_24:
                return Ladder.responseDb(frequencyHz, block[at + FilterParameters.CUTOFF], resonance,
                        resonance >= FilterParameters.SINGING_DB, sampleRate);
            case FilterParameters.COMB:
                double hz = 261.6255653005986 * Polynomials.exp2(block[at + FilterParameters.COMB_TUNE] / 12);
                double feedback = block[at + FilterParameters.COMB_FEEDBACK] / 100;
                double turns = frequencyHz / hz * (feedback < 0 ? 0.5 : 1);
                double re = 1 - feedback * Polynomials.cosCycles(turns);
                double im = feedback * Polynomials.sinCycles(turns);
                return -Polynomials.dbOfGain(Math.sqrt(re * re + im * im));
            case FilterParameters.VOWELS:
                return Vowel.responseDb(frequencyHz, block[at + FilterParameters.VOWEL] / 100, block, at + FilterParameters.VOWEL_PATH, 1, sampleRate);
            case FilterParameters.PHASER:
                return PhaseShift.responseDb(frequencyHz, block[at + FilterParameters.CUTOFF], resonance, sampleRate);
            default:
                return StateVariable.responseDb(type, frequencyHz, block[at + FilterParameters.CUTOFF], resonance, sampleRate);
        }
    }
}
