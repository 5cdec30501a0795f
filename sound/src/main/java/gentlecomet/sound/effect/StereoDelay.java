package gentlecomet.sound.effect;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.EffectParameters;

/** A delay with its own time for each side, cuts and a wobble inside the loop, and ping-pong. */
final class StereoDelay implements Effect {

    private static final int SAMPLES = ControlStep.SAMPLES;
    private static final double LONGEST_SECONDS = 8;
    private static final double GLIDE = 0.004;

    private final double sampleRate;
    private final StepRing lineLeft;
    private final StepRing lineRight;
    private final double[] echoLeft = new double[SAMPLES];
    private final double[] echoRight = new double[SAMPLES];
    private final double[] middle = new double[SAMPLES];
    private final OnePoleCuts cuts = new OnePoleCuts();
    private double lengthLeft;
    private double lengthRight;
    private double wobblePhase;

    StereoDelay(double sampleRate) {
        this.sampleRate = sampleRate;
        lineLeft = new StepRing(LONGEST_SECONDS * sampleRate + SAMPLES);
        lineRight = new StepRing(LONGEST_SECONDS * sampleRate + SAMPLES);
    }

    @Override
    public void reset() {
        lineLeft.reset();
        lineRight.reset();
        cuts.reset();
        lengthLeft = 0;
        wobblePhase = 0;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] left, double[] right) {
        process(block, at, tempo, left, right, left, right);
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] inLeft, double[] inRight, double[] left, double[] right) {
        double wobble = block[at + EffectParameters.DELAY_WOBBLE];
        double drift = 0;
        if (wobble > 0) {
            wobblePhase += block[at + EffectParameters.DELAY_WOBBLE_RATE] * SAMPLES / sampleRate;
            wobblePhase -= Math.floor(wobblePhase);
            drift = wobble * sampleRate * (0.5 + 0.5 * Polynomials.sinCycles(wobblePhase));
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
        double lowCut = block[at + EffectParameters.DELAY_LOW_CUT];
        double highCut = block[at + EffectParameters.DELAY_HIGH_CUT];
        if (wobble == 0 && lengthLeft == wantedLeft && lengthRight == wantedRight) {
            cuts.process(lineLeft.samples, lineLeft.before((int) lengthLeft), lineRight.samples, lineRight.before((int) lengthRight), outLeft, outRight,
                    lowCut, highCut, sampleRate);
        } else {
            lengthLeft = slide(lineLeft, outLeft, lengthLeft, wantedLeft, wobble > 0);
            lengthRight = slide(lineRight, outRight, lengthRight, wantedRight, wobble > 0);
            cuts.process(outLeft, outRight, lowCut, highCut, sampleRate);
        }
        double feedback = block[at + EffectParameters.DELAY_FEEDBACK] / 100;
        if (block[at + EffectParameters.DELAY_PING_PONG] == 1) {
            for (int i = 0; i < SAMPLES; i++) {
                middle[i] = 0.5 * (inLeft[i] + inRight[i]);
            }
            feed(lineLeft, middle, outRight, feedback);
            feed(lineRight, outLeft, outLeft, 0);
        } else {
            feed(lineLeft, inLeft, outLeft, feedback);
            feed(lineRight, inRight, outRight, feedback);
        }
        if (outLeft != left) {
            for (int i = 0; i < SAMPLES; i++) {
                left[i] = outLeft[i];
                right[i] = outRight[i];
            }
        }
    }

    private static void feed(StepRing line, double[] samples, double[] echo, double feedback) {
        sum(samples, echo, feedback, line.samples, line.at());
        line.repeatBeginning();
        line.moveOn();
    }

    private static void sum(double[] samples, double[] echo, double feedback, double[] to, int at) {
        for (int i = 0; i < SAMPLES; i++) {
            to[at + i] = samples[i] + echo[i] * feedback;
        }
    }

    private double samples(double[] block, int division, int time, double tempo) {
        return Math.max(SAMPLES + 1, Math.floor(seconds(block, division, time, tempo) * sampleRate + 0.5));
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

    /** Reads a block whose length is on its way to another: it slides, and reads between samples. */
    private static double slide(StepRing line, double[] into, double length, double wanted, boolean wobbling) {
        double gap = wanted - length;
        double moved = length + gap * Math.min(1, GLIDE * SAMPLES);
        double next = Math.abs(gap) < (wobbling ? 16 : 1) ? wanted : moved;
        double slope = (next - length) / SAMPLES;
        for (int i = 0; i < SAMPLES; i++) {
            double place = i - (length + slope * i);
            double whole = Math.floor(place);
            int at = line.index((int) whole);
            double part = place - whole;
            into[i] = line.samples[at] * (1 - part) + line.samples[at + 1] * part;
        }
        return next;
    }
}
