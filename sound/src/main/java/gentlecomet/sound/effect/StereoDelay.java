package gentlecomet.sound.effect;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.EffectParameters;

/** A delay with its own time for each side, cuts and modulation inside the loop (steeper cuts before it), and ping-pong. */
final class StereoDelay implements Effect {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final double LONGEST_SECONDS = 8;
    private static final double GLIDE = 0.004;

    private final double sampleRate;
    private final BlockRing lineLeft;
    private final BlockRing lineRight;
    private final double[] echoLeft = new double[SAMPLES];
    private final double[] echoRight = new double[SAMPLES];
    private final double[] middle = new double[SAMPLES];
    private final OnePoleCuts cuts = new OnePoleCuts();
    private final WetCuts wetCuts = new WetCuts();
    private double lengthLeft;
    private double lengthRight;
    private double modulationPhase;

    StereoDelay(double sampleRate) {
        this.sampleRate = sampleRate;
        lineLeft = new BlockRing(LONGEST_SECONDS * sampleRate + SAMPLES);
        lineRight = new BlockRing(LONGEST_SECONDS * sampleRate + SAMPLES);
    }

    @Override
    public void reset() {
        lineLeft.reset();
        lineRight.reset();
        cuts.reset();
        wetCuts.reset();
        lengthLeft = 0;
        modulationPhase = 0;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] left, double[] right) {
        process(block, at, tempo, left, right, left, right);
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] inLeft, double[] inRight, double[] left, double[] right) {
        double modulation = block[at + EffectParameters.DELAY_MODULATION_DEPTH];
        double drift = 0;
        if (modulation > 0) {
            modulationPhase += block[at + EffectParameters.DELAY_MODULATION_RATE] * SAMPLES / sampleRate;
            modulationPhase -= Math.floor(modulationPhase);
            drift = modulation * sampleRate * (0.5 + 0.5 * Polynomials.sinCycles(modulationPhase));
        }
        double wantedLeft = samples(block, at + EffectParameters.DELAY_DIVISION_LEFT, at + EffectParameters.DELAY_TIME_LEFT, tempo) + drift;
        double wantedRight = samples(block, at + EffectParameters.DELAY_DIVISION_RIGHT, at + EffectParameters.DELAY_TIME_RIGHT, tempo) + drift;
        if (lengthLeft == 0) {
            lengthLeft = wantedLeft;
            lengthRight = wantedRight;
        }
        // What comes out is needed once more where the samples that come in are to be added to it.
        double[] outLeft = inLeft == left ? echoLeft : left;
        double[] outRight = inRight == right ? echoRight : right;
        wetCuts.aim(block, at + EffectParameters.DELAY_LOW_CUT, at + EffectParameters.DELAY_LOW_SLOPE, at + EffectParameters.DELAY_HIGH_CUT, at + EffectParameters.DELAY_HIGH_SLOPE);
        cuts.aim(wetCuts.lowOfLoop(), wetCuts.highOfLoop(), sampleRate);
        double[] fedLeft = inLeft;
        double[] fedRight = inRight;
        if (wetCuts.steep()) {
            wetCuts.process(inLeft, inRight, sampleRate);
            fedLeft = wetCuts.left();
            fedRight = wetCuts.right();
        }
        double feedback = block[at + EffectParameters.DELAY_FEEDBACK] / 100;
        boolean pingPong = block[at + EffectParameters.DELAY_PING_PONG] == 1;
        double endLeft = nextLength(lengthLeft, wantedLeft, modulation > 0);
        double endRight = nextLength(lengthRight, wantedRight, modulation > 0);
        boolean still = modulation == 0 && lengthLeft == endLeft && lengthRight == endRight;
        // An echo that comes back sooner than the step ends is heard in its second half.
        double shortest = Math.min(Math.min(lengthLeft, lengthRight), Math.min(endLeft, endRight));
        int count = shortest > SAMPLES ? SAMPLES : ControlStep.SAMPLES;
        for (int first = 0; first < SAMPLES; first += count) {
            if (still) {
                cuts.process(lineLeft.samples, lineLeft.index(first - (int) lengthLeft), lineRight.samples, lineRight.index(first - (int) lengthRight),
                        outLeft, outRight, first, count);
            } else {
                slide(lineLeft, outLeft, lengthLeft, endLeft, first, count);
                slide(lineRight, outRight, lengthRight, endRight, first, count);
                cuts.process(outLeft, first, outRight, first, outLeft, outRight, first, count);
            }
            if (pingPong) {
                for (int i = first; i < first + count; i++) {
                    middle[i] = 0.5 * (fedLeft[i] + fedRight[i]);
                }
                feed(lineLeft, middle, outRight, feedback, first, count);
                feed(lineRight, outLeft, outLeft, 0, first, count);
            } else {
                feed(lineLeft, fedLeft, outLeft, feedback, first, count);
                feed(lineRight, fedRight, outRight, feedback, first, count);
            }
        }
        lengthLeft = endLeft;
        lengthRight = endRight;
        lineLeft.moveOn();
        lineRight.moveOn();
        place(outLeft, outRight, Polynomials.gainOfDb(block[at + EffectParameters.DELAY_LEVEL_LEFT]), Polynomials.gainOfDb(block[at + EffectParameters.DELAY_LEVEL_RIGHT]),
                block[at + EffectParameters.DELAY_WIDTH] / 100, left, right);
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

    private static void feed(BlockRing line, double[] samples, double[] echo, double feedback, int first, int count) {
        sum(samples, echo, feedback, first, line.samples, line.at() + first, count);
        line.repeatBeginning();
    }

    private static void sum(double[] samples, double[] echo, double feedback, int first, double[] to, int at, int count) {
        for (int i = 0; i < count; i++) {
            to[at + i] = samples[first + i] + echo[first + i] * feedback;
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
        return Math.abs(gap) < (wobbling ? 16 : 1) ? wanted : length + gap * Math.min(1, GLIDE * SAMPLES);
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
