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
    private final int size;
    private final float[] lineLeft;
    private final float[] lineRight;
    private final double[] echoLeft = new double[SAMPLES];
    private final double[] echoRight = new double[SAMPLES];
    private final OnePoleCuts cuts = new OnePoleCuts();
    private int write;
    private double lengthLeft;
    private double lengthRight;
    private double wobblePhase;

    StereoDelay(double sampleRate) {
        this.sampleRate = sampleRate;
        int wanted = (int) (LONGEST_SECONDS * sampleRate) + 4 * SAMPLES;
        int power = 1;
        while (power < wanted) {
            power *= 2;
        }
        size = power;
        lineLeft = new float[size];
        lineRight = new float[size];
    }

    @Override
    public void reset() {
        for (int i = 0; i < size; i++) {
            lineLeft[i] = 0;
            lineRight[i] = 0;
        }
        cuts.reset();
        lengthLeft = 0;
        wobblePhase = 0;
        write = 0;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] left, double[] right) {
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
        lengthLeft = read(lineLeft, echoLeft, lengthLeft, wantedLeft, wobble > 0);
        lengthRight = read(lineRight, echoRight, lengthRight, wantedRight, wobble > 0);
        cuts.process(echoLeft, echoRight, block[at + EffectParameters.DELAY_LOW_CUT], block[at + EffectParameters.DELAY_HIGH_CUT], sampleRate);
        double feedback = block[at + EffectParameters.DELAY_FEEDBACK] / 100;
        if (block[at + EffectParameters.DELAY_PING_PONG] == 1) {
            for (int i = 0; i < SAMPLES; i++) {
                left[i] = 0.5 * (left[i] + right[i]);
            }
            writeSum(lineLeft, write, left, echoRight, feedback);
            writeSum(lineRight, write, echoLeft, echoLeft, 0);
        } else {
            writeSum(lineLeft, write, left, echoLeft, feedback);
            writeSum(lineRight, write, right, echoRight, feedback);
        }
        for (int i = 0; i < SAMPLES; i++) {
            left[i] = echoLeft[i];
            right[i] = echoRight[i];
        }
        write = write + SAMPLES & size - 1;
    }

    /** The line is a multiple of a step long and so is the place: no step is written across its end. */
    private static void writeSum(float[] line, int at, double[] samples, double[] echo, double feedback) {
        for (int i = 0; i < SAMPLES; i++) {
            line[at + i] = (float) (samples[i] + echo[i] * feedback);
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

    /** Reads a block; while the length is on its way to another it slides, and reads between samples. */
    private double read(float[] line, double[] into, double length, double wanted, boolean wobbling) {
        if (length == wanted && !wobbling) {
            int start = write - (int) length;
            int mask = line.length - 1;
            for (int i = 0; i < SAMPLES; i++) {
                into[i] = line[start + i & mask];
            }
            return wanted;
        }
        double gap = wanted - length;
        double moved = length + gap * Math.min(1, GLIDE * SAMPLES);
        double next = Math.abs(gap) < (wobbling ? 16 : 1) ? wanted : moved;
        double slope = (next - length) / SAMPLES;
        for (int i = 0; i < SAMPLES; i++) {
            double place = write + i - (length + slope * i);
            double whole = Math.floor(place);
            int at = (int) whole;
            double part = place - whole;
            into[i] = line[at & size - 1] * (1 - part) + line[at + 1 & size - 1] * part;
        }
        return next;
    }
}
