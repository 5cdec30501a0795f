package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.EffectParameters;

/**
 * A reverb: what comes in is cut, delayed and made dense by all-passes ({@link Diffuser}); that burst is heard at once and feeds a tail ({@link ReverbTank}). A few early
 * reflections come straight from the pre-delay, and a gate may end it all ({@link ReverbGate}). While a note is held the tail can be frozen: nothing comes in, nothing is lost.
 */
final class Reverb implements Effect {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final double LONGEST_PRE_DELAY = 0.65;
    private static final double LONGEST_DIFFUSION = 5;
    /** All-passes that ring no longer than the tail does. */
    private static final double DIFFUSION_OF_DECAY = 2;
    /** Level of a full-sized tail whose lines are as long as a second on average; shorter ones give out more of what they hold. */
    private static final double LEVEL_OF_A_SECOND = 5.2 / Diffuser.GAIN;
    /** Between what comes in and what comes out of the longest line. */
    private static final double LONGEST_GAP = 0.25;
    /** Early reflections: seconds and level of each, left and right alternating. */
    private static final double[] EARLY_SECONDS = {0.0067, 0.0091, 0.0137, 0.0173, 0.0211, 0.0263, 0.0317, 0.0373};
    private static final double[] EARLY_LEVELS = {0.8, 0.75, 0.65, 0.6, 0.5, 0.45, 0.38, 0.33};
    private static final double CLOSEST = 0.25;
    /** The most that the size moves in a step: what is in the lines is stretched with them. */
    private static final double FASTEST = 0.015;
    /** The same of decay and damping, in octaves, and of the decay of the highs. */
    private static final double FASTEST_OCTAVES = 0.07;
    private static final double FASTEST_PART = 0.01;
    private static final double FREEZE_SECONDS = 0.05;

    private final double sampleRate;
    private final ReverbTank tank;
    private final Diffuser diffuser;
    private final BlockRing preLeft;
    private final BlockRing preRight;
    private final OnePoleCuts cuts = new OnePoleCuts();
    private final WetCuts wetCuts = new WetCuts();
    private final ReverbGate gate;
    private final double[] fedLeft = new double[SAMPLES];
    private final double[] fedRight = new double[SAMPLES];
    private final double[] tailLeft = new double[SAMPLES];
    private final double[] tailRight = new double[SAMPLES];
    private final double freezeStep;
    private final double[] lateLeft = new double[SAMPLES];
    private final double[] lateRight = new double[SAMPLES];
    private double size = -1;
    private double decay;
    private double damping;
    private double highPart;
    /** In seconds. */
    private double preDelay;
    private boolean held;
    private double frozen;

    Reverb(double sampleRate) {
        this.sampleRate = sampleRate;
        tank = new ReverbTank(sampleRate);
        diffuser = new Diffuser(LONGEST_DIFFUSION, sampleRate);
        preLeft = new BlockRing(LONGEST_PRE_DELAY * sampleRate);
        preRight = new BlockRing(LONGEST_PRE_DELAY * sampleRate);
        gate = new ReverbGate(sampleRate);
        freezeStep = SAMPLES / (FREEZE_SECONDS * sampleRate);
    }

    @Override
    public void reset() {
        tank.reset();
        diffuser.reset();
        preLeft.reset();
        preRight.reset();
        cuts.reset();
        wetCuts.reset();
        gate.reset();
        size = -1;
        held = false;
        frozen = 0;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] left, double[] right) {
        process(block, at, tempo, left, right, left, right);
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] inLeft, double[] inRight, double[] left, double[] right) {
        int gated = (int) block[at + EffectParameters.REVERB_GATE];
        if (gated != ReverbGate.OFF) {
            gate.listen(inLeft, inRight, gated, block[at + EffectParameters.REVERB_GATE_THRESHOLD], block[at + EffectParameters.REVERB_GATE_HOLD]);
        }
        ReverbKind kind = ReverbKind.of(block[at + EffectParameters.REVERB_KIND]);
        double wanted = block[at + EffectParameters.REVERB_SIZE] / 100;
        glide(block, at, tempo, size < 0);
        size = size < 0 || Math.abs(wanted - size) <= FASTEST ? wanted : size + (wanted > size ? FASTEST : -FASTEST);
        tank.resize(kind.lines(size));
        diffuser.resize(kind == ReverbKind.BLOOM ? kind.diffusion(size) : Math.min(kind.diffusion(size), decay * DIFFUSION_OF_DECAY));
        double wantedFreeze = held ? block[at + EffectParameters.REVERB_FREEZE] / 100 : 0;
        double frozenBefore = frozen;
        frozen += Math.max(-freezeStep, Math.min(freezeStep, wantedFreeze - frozen));
        tank.tune(decay / Math.max(1e-9, 1 - frozen), damping, highPart + (1 - highPart) * frozen);
        wetCuts.aim(block, at + EffectParameters.REVERB_LOW_CUT, at + EffectParameters.REVERB_LOW_SLOPE, at + EffectParameters.REVERB_HIGH_CUT, at + EffectParameters.REVERB_HIGH_SLOPE);
        if (wetCuts.steep()) {
            wetCuts.process(inLeft, inRight, sampleRate);
        }
        preLeft.write(wetCuts.steep() ? wetCuts.left() : inLeft);
        preRight.write(wetCuts.steep() ? wetCuts.right() : inRight);
        double preDelayBefore = preDelay;
        preDelay = preDelay(block, at, tempo);
        int from = preLeft.before((int) (preDelay * sampleRate));
        cuts.aim(wetCuts.lowOfLoop(), wetCuts.highOfLoop(), sampleRate);
        if (preDelay == preDelayBefore) {
            cuts.process(preLeft.samples, from, preRight.samples, from, fedLeft, fedRight, 0, SAMPLES);
        } else {
            int before = preLeft.before((int) (preDelayBefore * sampleRate));
            EffectStep.cross(preLeft.samples, before, from, lateLeft);
            EffectStep.cross(preRight.samples, before, from, lateRight);
            cuts.process(lateLeft, 0, lateRight, 0, fedLeft, fedRight, 0, SAMPLES);
        }
        if (frozen > 0 || frozenBefore > 0) {
            shut(fedLeft, 1 - frozenBefore, frozenBefore - frozen);
            shut(fedRight, 1 - frozenBefore, frozenBefore - frozen);
        }
        diffuser.process(fedLeft, fedRight);
        tank.process(fedLeft, fedRight, block[at + EffectParameters.REVERB_MODULATION] / 100, tailLeft, tailRight);
        // What a small space gives back comes more often.
        double level = LEVEL_OF_A_SECOND * Math.sqrt(tank.meanSeconds() / (CLOSEST + (1 - CLOSEST) * size));
        join(kind.burst * level, kind.tail * level, block[at + EffectParameters.REVERB_WIDTH] / 100, left, right);
        reflect(block[at + EffectParameters.REVERB_EARLY], preDelayBefore, CLOSEST + (1 - CLOSEST) * size, left, right);
        if (gated != ReverbGate.OFF) {
            gate.close(left, right);
        }
        preLeft.moveOn();
        preRight.moveOn();
    }

    /** What loses the tail moves no faster than a hand can hear as a movement. @param first whether it stands where it is asked at once */
    private void glide(double[] block, int at, double tempo, boolean first) {
        double wantedDecay = block[at + EffectParameters.REVERB_DECAY];
        double wantedDamping = block[at + EffectParameters.REVERB_DAMPING];
        double wantedPart = block[at + EffectParameters.REVERB_HIGH_DECAY] / 100;
        if (first) {
            decay = wantedDecay;
            damping = wantedDamping;
            highPart = wantedPart;
            preDelay = preDelay(block, at, tempo);
            return;
        }
        decay = wantedDecay == decay ? decay : nearer(decay, wantedDecay);
        damping = wantedDamping == damping ? damping : nearer(damping, wantedDamping);
        highPart += Math.max(-FASTEST_PART, Math.min(FASTEST_PART, wantedPart - highPart));
    }

    private static double nearer(double from, double to) {
        double most = Polynomials.exp2(FASTEST_OCTAVES);
        return to > from * most ? from * most : to < from / most ? from / most : to;
    }

    /** Nothing comes into what is frozen. */
    private static void shut(double[] samples, double open, double more) {
        double[] ramp = EffectStep.RAMP;
        for (int i = 0; i < SAMPLES; i++) {
            samples[i] *= open + more / SAMPLES * ramp[i];
        }
    }

    @Override
    public boolean listens(double[] block, int at) {
        return block[at + EffectParameters.REVERB_FREEZE] > 0;
    }

    @Override
    public void follow(double key, boolean anyHeld) {
        held = anyHeld;
    }

    @Override
    public double gapSeconds(double[] block, int at, double tempo) {
        return preDelay(block, at, tempo) + LONGEST_GAP;
    }

    private static double preDelay(double[] block, int at, double tempo) {
        int division = (int) block[at + EffectParameters.REVERB_DIVISION];
        return division == 0 ? block[at + EffectParameters.REVERB_PRE_DELAY] : Math.min(0.6, Division.seconds(division, tempo));
    }

    /** The burst and the tail of both sides, brought together as far as the width asks for. */
    private void join(double burst, double tail, double width, double[] left, double[] right) {
        double straight = 0.5 + 0.5 * width;
        double across = 0.5 - 0.5 * width;
        for (int i = 0; i < SAMPLES; i++) {
            double l = fedLeft[i] * burst + tailLeft[i] * tail;
            double r = fedRight[i] * burst + tailRight[i] * tail;
            left[i] = l * straight + r * across;
            right[i] = r * straight + l * across;
        }
    }

    /** @param before pre-delay at the beginning of the step */
    private void reflect(double levelDb, double before, double scale, double[] left, double[] right) {
        if (levelDb <= -48) {
            return;
        }
        double level = 0.5 * Polynomials.gainOfDb(levelDb);
        for (int side = 0; side < 2; side++) {
            double[] to = side == 0 ? left : right;
            if (before == preDelay) {
                reflect(side, level, preDelay, scale, to);
            } else {
                move(side, level, before, scale, to);
            }
        }
    }

    /** The same while the pre-delay moves. */
    private void move(int side, double level, double before, double scale, double[] to) {
        for (int i = 0; i < SAMPLES; i++) {
            lateLeft[i] = 0;
            lateRight[i] = 0;
        }
        reflect(side, level, before, scale, lateLeft);
        reflect(side, level, preDelay, scale, lateRight);
        double[] ramp = EffectStep.RAMP;
        for (int i = 0; i < SAMPLES; i++) {
            to[i] = to[i] + lateLeft[i] + (lateRight[i] - lateLeft[i]) * (ramp[i] + 1) / SAMPLES;
        }
    }

    /** Adds the four reflections of a side: the first and third from the left of what comes in, the others from the right. */
    private void reflect(int side, double level, double preDelaySeconds, double scale, double[] to) {
        double[] fromLeft = preLeft.samples;
        double[] fromRight = preRight.samples;
        int one = early(side, preDelaySeconds, scale);
        int two = early(side + 2, preDelaySeconds, scale);
        int three = early(side + 4, preDelaySeconds, scale);
        int four = early(side + 6, preDelaySeconds, scale);
        double gainOne = level * EARLY_LEVELS[side];
        double gainTwo = level * EARLY_LEVELS[side + 2];
        double gainThree = level * EARLY_LEVELS[side + 4];
        double gainFour = level * EARLY_LEVELS[side + 6];
        for (int i = 0; i < SAMPLES; i++) {
            to[i] = to[i] + fromLeft[one + i] * gainOne + fromRight[two + i] * gainTwo + fromLeft[three + i] * gainThree
                    + fromRight[four + i] * gainFour;
        }
    }

    private int early(int tap, double preDelaySeconds, double scale) {
        return preLeft.before((int) (sampleRate * (preDelaySeconds + scale * EARLY_SECONDS[tap])));
    }
}
