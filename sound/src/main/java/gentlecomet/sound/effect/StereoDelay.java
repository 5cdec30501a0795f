package gentlecomet.sound.effect;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.EffectParameters;

/**
 * A delay with its own time for each side. What comes back goes through cuts and all-passes and on to its own side, to the other, or to and fro; the times may swing and drift,
 * and the echoes make room for the dry sound. While a note is held they can be frozen: nothing comes in, nothing is lost.
 */
final class StereoDelay implements Effect {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final double LONGEST_SECONDS = 8;
    private static final double GLIDE = 0.004;
    /** The most that a length moves with each sample on its way: echoes are heard at three times their pitch at most, or backwards. */
    private static final double FASTEST = 2;
    /** All-passes in the loop, in seconds, of the left and the right, and their coefficient at full diffusion. */
    private static final double[] DIFFUSE_LEFT = {0.00713, 0.01127};
    private static final double[] DIFFUSE_RIGHT = {0.00797, 0.01031};
    private static final double DIFFUSION = 0.65;
    private static final double DRIFT_SECONDS = 0.003;
    private static final double FREEZE_SECONDS = 0.03;

    private final double sampleRate;
    private final BlockRing lineLeft;
    private final BlockRing lineRight;
    private final double[] echoLeft = new double[SAMPLES];
    private final double[] echoRight = new double[SAMPLES];
    private final double[] feedLeft = new double[SAMPLES];
    private final double[] feedRight = new double[SAMPLES];
    private final ReverbDelayLine[] diffuseLeft = new ReverbDelayLine[DIFFUSE_LEFT.length];
    private final ReverbDelayLine[] diffuseRight = new ReverbDelayLine[DIFFUSE_RIGHT.length];
    private final OnePoleCuts cuts = new OnePoleCuts();
    private final WetCuts wetCuts = new WetCuts();
    private final Drift driftLeft = new Drift(1);
    private final Drift driftRight = new Drift(2);
    private final DuckedBy ducked;
    private final double freezeStep;
    private boolean held;
    private double frozen;
    private double diffusion;
    private double lengthLeft;
    private double lengthRight;
    private double modulationPhase;

    StereoDelay(double sampleRate) {
        this.sampleRate = sampleRate;
        lineLeft = new BlockRing(LONGEST_SECONDS * sampleRate + SAMPLES);
        lineRight = new BlockRing(LONGEST_SECONDS * sampleRate + SAMPLES);
        for (int k = 0; k < diffuseLeft.length; k++) {
            diffuseLeft[k] = new ReverbDelayLine((int) (DIFFUSE_LEFT[k] * sampleRate) | 1);
            diffuseRight[k] = new ReverbDelayLine((int) (DIFFUSE_RIGHT[k] * sampleRate) | 1);
        }
        ducked = new DuckedBy(sampleRate);
        freezeStep = SAMPLES / (FREEZE_SECONDS * sampleRate);
    }

    @Override
    public void reset() {
        lineLeft.reset();
        lineRight.reset();
        for (int k = 0; k < diffuseLeft.length; k++) {
            diffuseLeft[k].reset();
            diffuseRight[k].reset();
        }
        cuts.reset();
        wetCuts.reset();
        driftLeft.reset();
        driftRight.reset();
        ducked.reset();
        held = false;
        frozen = 0;
        diffusion = 0;
        lengthLeft = 0;
        modulationPhase = 0;
    }

    @Override
    public boolean listens(double[] block, int at) {
        return block[at + EffectParameters.DELAY_FREEZE] > 0;
    }

    @Override
    public void follow(double key, boolean anyHeld) {
        held = anyHeld;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] left, double[] right) {
        process(block, at, tempo, left, right, left, right);
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] inLeft, double[] inRight, double[] left, double[] right) {
        double swing = swing(block, at);
        double drift = block[at + EffectParameters.DELAY_DRIFT] / 100 * DRIFT_SECONDS * sampleRate;
        double wantedLeft = samples(block, at + EffectParameters.DELAY_DIVISION_LEFT, at + EffectParameters.DELAY_TIME_LEFT, tempo) + swing;
        double wantedRight = samples(block, at + EffectParameters.DELAY_DIVISION_RIGHT, at + EffectParameters.DELAY_TIME_RIGHT, tempo) + swing;
        if (drift > 0) {
            wantedLeft += drift * driftLeft.next(SAMPLES / sampleRate);
            wantedRight += drift * driftRight.next(SAMPLES / sampleRate);
        }
        boolean wobbling = block[at + EffectParameters.DELAY_MODULATION_DEPTH] > 0 || drift > 0;
        if (lengthLeft == 0) {
            lengthLeft = wantedLeft;
            lengthRight = wantedRight;
        }
        // What comes out is needed once more where the samples that come in are to be added to it.
        double[] outLeft = inLeft == left ? echoLeft : left;
        double[] outRight = inRight == right ? echoRight : right;
        double wantedFreeze = held ? block[at + EffectParameters.DELAY_FREEZE] / 100 : 0;
        frozen += Math.max(-freezeStep, Math.min(freezeStep, wantedFreeze - frozen));
        double endLeft = nextLength(lengthLeft, wantedLeft, wobbling);
        double endRight = nextLength(lengthRight, wantedRight, wobbling);
        boolean still = !wobbling && lengthLeft == endLeft && lengthRight == endRight;
        // An echo that comes back sooner than the step ends is heard in its second half.
        double shortest = Math.min(Math.min(lengthLeft, lengthRight), Math.min(endLeft, endRight));
        int count = shortest > SAMPLES ? SAMPLES : ControlStep.SAMPLES;
        double[] fedLeft = inLeft;
        double[] fedRight = inRight;
        wetCuts.aim(block, at + EffectParameters.DELAY_LOW_CUT, at + EffectParameters.DELAY_LOW_SLOPE, at + EffectParameters.DELAY_HIGH_CUT, at + EffectParameters.DELAY_HIGH_SLOPE);
        cuts.aim(wetCuts.lowOfLoop(), wetCuts.highOfLoop(), sampleRate);
        boolean wholeSteps = count == SAMPLES;
        if (wetCuts.steep() && !wholeSteps) {
            // Steep cuts work on whole steps: of echoes that are closer together they take what comes in.
            wetCuts.process(inLeft, inRight, sampleRate);
            fedLeft = wetCuts.left();
            fedRight = wetCuts.right();
        }
        double room = block[at + EffectParameters.DELAY_DUCKING] > 0 ? ducked.gain(inLeft, inRight, block[at + EffectParameters.DELAY_DUCKING]) : 1;
        double feedback = block[at + EffectParameters.DELAY_FEEDBACK] / 100;
        feedback += (1 - feedback) * frozen;
        double cross = block[at + EffectParameters.DELAY_CROSS] / 100;
        boolean pingPong = block[at + EffectParameters.DELAY_PING_PONG] == 1;
        diffusion += 0.1 * (block[at + EffectParameters.DELAY_DIFFUSION] / 100 - diffusion);
        for (int first = 0; first < SAMPLES; first += count) {
            read(outLeft, outRight, still, endLeft, endRight, first, count);
            if (wholeSteps) {
                inLoop(outLeft, outRight);
            }
            send(fedLeft, fedRight, outLeft, outRight, pingPong, cross, feedback, first, count);
        }
        lengthLeft = endLeft;
        lengthRight = endRight;
        lineLeft.moveOn();
        lineRight.moveOn();
        place(outLeft, outRight, room * Polynomials.gainOfDb(block[at + EffectParameters.DELAY_LEVEL_LEFT]), room * Polynomials.gainOfDb(block[at + EffectParameters.DELAY_LEVEL_RIGHT]),
                block[at + EffectParameters.DELAY_WIDTH] / 100, left, right);
    }

    /** Samples by which the sine of the modulation makes both times longer. */
    private double swing(double[] block, int at) {
        double modulation = block[at + EffectParameters.DELAY_MODULATION_DEPTH];
        if (modulation == 0) {
            return 0;
        }
        modulationPhase += block[at + EffectParameters.DELAY_MODULATION_RATE] * SAMPLES / sampleRate;
        modulationPhase -= Math.floor(modulationPhase);
        return modulation * sampleRate * (0.5 + 0.5 * Polynomials.sinCycles(modulationPhase));
    }

    /** What comes out of the lines, behind the cuts of 6 dB; the more is frozen, the less is cut. */
    private void read(double[] outLeft, double[] outRight, boolean still, double endLeft, double endRight, int first, int count) {
        if (still && frozen == 0) {
            cuts.process(lineLeft.samples, lineLeft.index(first - (int) lengthLeft), lineRight.samples, lineRight.index(first - (int) lengthRight),
                    outLeft, outRight, first, count);
            return;
        }
        slide(lineLeft, outLeft, lengthLeft, endLeft, first, count);
        slide(lineRight, outRight, lengthRight, endRight, first, count);
        if (frozen == 0) {
            cuts.process(outLeft, first, outRight, first, outLeft, outRight, first, count);
            return;
        }
        cuts.process(outLeft, first, outRight, first, feedLeft, feedRight, first, count);
        for (int i = first; i < first + count; i++) {
            outLeft[i] = feedLeft[i] + (outLeft[i] - feedLeft[i]) * frozen;
            outRight[i] = feedRight[i] + (outRight[i] - feedRight[i]) * frozen;
        }
    }

    /** The steep cuts and the all-passes of the loop. */
    private void inLoop(double[] outLeft, double[] outRight) {
        if (wetCuts.steep()) {
            wetCuts.process(outLeft, outRight, sampleRate);
            double[] cutLeft = wetCuts.left();
            double[] cutRight = wetCuts.right();
            for (int i = 0; i < SAMPLES; i++) {
                outLeft[i] = cutLeft[i] + (outLeft[i] - cutLeft[i]) * frozen;
                outRight[i] = cutRight[i] + (outRight[i] - cutRight[i]) * frozen;
            }
        }
        if (diffusion > 0.001) {
            double part = DIFFUSION * diffusion;
            for (int k = 0; k < diffuseLeft.length; k++) {
                diffuse(outLeft, diffuseLeft[k], part);
                diffuse(outRight, diffuseRight[k], part);
            }
        }
    }

    /** An all-pass that crosses over to nothing, and not to a delay, as its coefficient goes to zero. */
    private void diffuse(double[] samples, ReverbDelayLine line, double part) {
        double[] late = line.samples;
        int at = line.at();
        double share = Math.min(1, 4 * diffusion);
        for (int i = 0; i < SAMPLES; i++) {
            double before = late[at + i];
            double fed = samples[i] + part * before;
            late[at + i] = fed;
            samples[i] += (before - part * fed - samples[i]) * share;
        }
        line.moveOn();
    }

    /** What goes into the lines: what comes in, and what came out. */
    private void send(double[] fedLeft, double[] fedRight, double[] outLeft, double[] outRight, boolean pingPong, double cross, double feedback, int first, int count) {
        double in = 1 - frozen;
        double[] toLeft = lineLeft.samples;
        double[] toRight = lineRight.samples;
        int left = lineLeft.at() + first;
        int right = lineRight.at() + first;
        if (pingPong) {
            for (int i = first; i < first + count; i++) {
                feedLeft[i] = 0.5 * in * (fedLeft[i] + fedRight[i]);
            }
            sum(feedLeft, 1, outRight, feedback, first, toLeft, left, count);
            System.arraycopy(outLeft, first, toRight, right, count);
        } else {
            double own = feedback * (1 - cross);
            sum(fedLeft, in, outLeft, own, first, toLeft, left, count);
            sum(fedRight, in, outRight, own, first, toRight, right, count);
            if (cross > 0) {
                add(outRight, feedback * cross, first, toLeft, left, count);
                add(outLeft, feedback * cross, first, toRight, right, count);
            }
        }
        lineLeft.repeatBeginning();
        lineRight.repeatBeginning();
    }

    private static void sum(double[] one, double oneGain, double[] other, double otherGain, int first, double[] to, int at, int count) {
        for (int i = 0; i < count; i++) {
            to[at + i] = one[first + i] * oneGain + other[first + i] * otherGain;
        }
    }

    private static void add(double[] samples, double gain, int first, double[] to, int at, int count) {
        for (int i = 0; i < count; i++) {
            to[at + i] += samples[first + i] * gain;
        }
    }

    /** Gives the echoes the level of their side, and brings the sides together. */
    private static void place(double[] fromLeft, double[] fromRight, double levelLeft, double levelRight, double width, double[] left, double[] right) {
        if (fromLeft == left && levelLeft == 1 && levelRight == 1 && width == 1) {
            return;
        }
        double straight = 0.5 + 0.5 * width;
        double across = 0.5 - 0.5 * width;
        for (int i = 0; i < SAMPLES; i++) {
            double l = fromLeft[i] * levelLeft;
            double r = fromRight[i] * levelRight;
            left[i] = l * straight + r * across;
            right[i] = r * straight + l * across;
        }
    }

    private double samples(double[] block, int division, int time, double tempo) {
        return Math.max(ControlStep.SAMPLES + 1, Math.floor(seconds(block, division, time, tempo) * sampleRate + 0.5));
    }

    private static double seconds(double[] block, int division, int time, double tempo) {
        int choice = (int) block[division];
        return choice == 0 ? block[time] : Math.min(LONGEST_SECONDS - 0.02, Division.seconds(choice, tempo));
    }

    @Override
    public double gapSeconds(double[] block, int at, double tempo) {
        return Math.max(seconds(block, at + EffectParameters.DELAY_DIVISION_LEFT, at + EffectParameters.DELAY_TIME_LEFT, tempo),
                seconds(block, at + EffectParameters.DELAY_DIVISION_RIGHT, at + EffectParameters.DELAY_TIME_RIGHT, tempo));
    }

    /** Length at the end of a step: on its way to another one it slides. */
    private static double nextLength(double length, double wanted, boolean wobbling) {
        double gap = wanted - length;
        double way = gap * Math.min(1, GLIDE * SAMPLES);
        return Math.abs(gap) < (wobbling ? 16 : 1) ? wanted : length + Math.max(-FASTEST * SAMPLES, Math.min(FASTEST * SAMPLES, way));
    }

    /** Reads a stretch of a step within which the length moves: between samples. */
    private static void slide(BlockRing line, double[] into, double length, double next, int first, int count) {
        double slope = (next - length) / SAMPLES;
        for (int i = first; i < first + count; i++) {
            double place = i - (length + slope * i);
            double whole = Math.floor(place);
            int at = line.index((int) whole);
            double part = place - whole;
            into[i] = line.samples[at] * (1 - part) + line.samples[at + 1] * part;
        }
    }
}
