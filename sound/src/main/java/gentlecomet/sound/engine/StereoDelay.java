package gentlecomet.sound.engine;

import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.PatchParameters;

/** A delay with its own time for each side, cuts inside the loop, and ping-pong. It costs nothing while its mix is zero and it has rung out. */
final class StereoDelay {

    private static final double LONGEST_SECONDS = 8.5;
    private static final double GLIDE = 0.004;

    private final double sampleRate;
    private final int size;
    private final double[] lineLeft;
    private final double[] lineRight;
    private final double[] echoLeft = new double[Engine.STEP];
    private final double[] echoRight = new double[Engine.STEP];
    private final OnePoleCuts cutsLeft = new OnePoleCuts();
    private final OnePoleCuts cutsRight = new OnePoleCuts();
    private final MixRamp mix = new MixRamp();
    private int write;
    private double lengthLeft;
    private double lengthRight;
    private boolean clean = true;

    StereoDelay(double sampleRate) {
        this.sampleRate = sampleRate;
        int wanted = (int) (LONGEST_SECONDS * sampleRate) + 2 * Engine.STEP;
        int power = 1;
        while (power < wanted) {
            power *= 2;
        }
        size = power;
        lineLeft = new double[size];
        lineRight = new double[size];
    }

    void reset() {
        if (!clean) {
            for (int i = 0; i < size; i++) {
                lineLeft[i] = 0;
                lineRight[i] = 0;
            }
        }
        cutsLeft.reset();
        cutsRight.reset();
        mix.reset();
        lengthLeft = 0;
        clean = true;
    }

    void process(double[] block, double[] left, double[] right) {
        mix.aim(block[PatchParameters.DELAY_MIX] / 100);
        if (mix.silent()) {
            if (!clean) {
                reset();
            }
            return;
        }
        clean = false;
        double tempo = block[PatchParameters.TEMPO];
        double wantedLeft = samples(block, PatchParameters.DELAY_DIVISION_LEFT, PatchParameters.DELAY_TIME_LEFT, tempo);
        double wantedRight = samples(block, PatchParameters.DELAY_DIVISION_RIGHT, PatchParameters.DELAY_TIME_RIGHT, tempo);
        if (lengthLeft == 0) {
            lengthLeft = wantedLeft;
            lengthRight = wantedRight;
        }
        lengthLeft = read(lineLeft, echoLeft, lengthLeft, wantedLeft);
        lengthRight = read(lineRight, echoRight, lengthRight, wantedRight);
        double lowCut = block[PatchParameters.DELAY_LOW_CUT];
        double highCut = block[PatchParameters.DELAY_HIGH_CUT];
        cutsLeft.process(echoLeft, lowCut, highCut, sampleRate);
        cutsRight.process(echoRight, lowCut, highCut, sampleRate);
        double feedback = block[PatchParameters.DELAY_FEEDBACK] / 100;
        boolean pingPong = block[PatchParameters.DELAY_PING_PONG] == 1;
        for (int i = 0; i < Engine.STEP; i++) {
            int at = (write + i) & (size - 1);
            if (pingPong) {
                lineLeft[at] = 0.5 * (left[i] + right[i]) + echoRight[i] * feedback;
                lineRight[at] = echoLeft[i];
            } else {
                lineLeft[at] = left[i] + echoLeft[i] * feedback;
                lineRight[at] = right[i] + echoRight[i] * feedback;
            }
        }
        write = (write + Engine.STEP) & (size - 1);
        mix.blend(left, echoLeft, right, echoRight);
    }

    private double samples(double[] block, int division, int time, double tempo) {
        return Math.max(Engine.STEP + 1, Math.floor(seconds(block, division, time, tempo) * sampleRate + 0.5));
    }

    private static double seconds(double[] block, int division, int time, double tempo) {
        int choice = (int) block[division];
        return choice == 0 ? block[time] : Math.min(8, Division.seconds(choice, tempo));
    }

    /** Longest silence between a sound and its echo, in seconds; 0 when the delay is not mixed in. */
    static double longestGap(double[] block) {
        double tempo = block[PatchParameters.TEMPO];
        return block[PatchParameters.DELAY_MIX] == 0 ? 0
                : Math.max(seconds(block, PatchParameters.DELAY_DIVISION_LEFT, PatchParameters.DELAY_TIME_LEFT, tempo),
                        seconds(block, PatchParameters.DELAY_DIVISION_RIGHT, PatchParameters.DELAY_TIME_RIGHT, tempo));
    }

    /** Reads a block; while the length is on its way to another it slides, and reads between samples. */
    private double read(double[] line, double[] into, double length, double wanted) {
        if (length == wanted) {
            int start = write - (int) length;
            for (int i = 0; i < Engine.STEP; i++) {
                into[i] = line[(start + i) & (size - 1)];
            }
            return wanted;
        }
        double moved = length + (wanted - length) * Math.min(1, GLIDE * Engine.STEP);
        double next = Math.abs(wanted - moved) < 1 ? wanted : moved;
        double slope = (next - length) / Engine.STEP;
        for (int i = 0; i < Engine.STEP; i++) {
            double place = write + i - (length + slope * i);
            double whole = Math.floor(place);
            int at = (int) whole;
            double part = place - whole;
            into[i] = line[at & (size - 1)] * (1 - part) + line[(at + 1) & (size - 1)] * part;
        }
        return next;
    }
}
