package gentlecomet.sound.filter;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.Polynomials;

/**
 * A comb for a pair of channels: a delay of one period with feedback, positive (all harmonics) or negative (odd ones, an octave lower, so
 * its delay is halved to stay in tune). The length is read between samples with four points of third order, and what the
 * damping in the loop adds to the delay is taken off, so it plays in tune.
 */
public final class Comb {

    private static final double LOWEST_HZ = 16;
    private static final int SAMPLES = ControlStep.SAMPLES;

    private final float[] left;
    private final float[] right;
    private final int mask;
    private int write;
    private double length;
    private double dampLeft;
    private double dampRight;
    private double seconds;

    /** @param highestRate greatest sample rate at which it will run, in Hz */
    public Comb(double highestRate) {
        int size = 64;
        while (size < highestRate / LOWEST_HZ + 2 * SAMPLES) {
            size *= 2;
        }
        left = new float[size];
        right = new float[size];
        mask = size - 1;
    }

    /** Forgets everything. */
    public void reset() {
        for (int i = 0; i < left.length; i++) {
            left[i] = 0;
            right[i] = 0;
        }
        length = 0;
        write = 0;
        dampLeft = 0;
        dampRight = 0;
        seconds = 0;
    }

    /**
     * Filters a block in place.
     *
     * @param frequencyHz pitch at which it rings
     * @param feedback    -0.99 to 0.99
     * @param dampingHz   first-order low-pass in the loop, none from 20 kHz on
     * @param attack      seconds over which what comes in begins to ring, from a reset on
     */
    public void process(double[] toLeft, double[] toRight, double frequencyHz, double feedback, double dampingHz, double attack, double sampleRate) {
        double open = dampingHz >= 19999 ? 1 : 1 - Polynomials.exp2(-9.064720283654388 * Math.min(0.49, dampingHz / sampleRate));
        // Delay in samples of y += (x - y) a at the pitch itself: the angle of its response over the angle per sample.
        double cycles = Math.min(0.45, frequencyHz / sampleRate);
        double keep = 1 - open;
        double lag = open == 1 ? 0 : Polynomials.cyclesOf(keep * Polynomials.sinCycles(cycles), 1 - keep * Polynomials.cosCycles(cycles)) / cycles;
        double period = (feedback < 0 ? 0.5 : 1) * sampleRate / Math.max(LOWEST_HZ, frequencyHz);
        double wanted = Math.max(2, Math.min(mask - SAMPLES - 4, period - lag));
        double at = length == 0 ? wanted : length;
        double slope = (wanted - at) / SAMPLES;
        double dl = dampLeft;
        double dr = dampRight;
        double fed = attack <= seconds ? 1 : seconds / attack;
        double fedSlope = fed == 1 ? 0 : Math.min(1 - fed, SAMPLES / (attack * sampleRate)) / SAMPLES;
        for (int i = 0; i < SAMPLES; i++) {
            at += slope;
            fed += fedSlope;
            double place = write - at;
            double floor = Math.floor(place);
            int k = (int) floor;
            double t = place - floor;
            dl += (read(left, k, t) - dl) * open;
            dr += (read(right, k, t) - dr) * open;
            double yl = toLeft[i] * fed + feedback * dl + 1e-20;
            double yr = toRight[i] * fed + feedback * dr + 1e-20;
            left[write] = (float) yl;
            right[write] = (float) yr;
            write = write + 1 & mask;
            toLeft[i] = yl;
            toRight[i] = yr;
        }
        dampLeft = dl;
        dampRight = dr;
        length = wanted;
        seconds += SAMPLES / sampleRate;
    }

    private double read(float[] line, int k, double t) {
        double a = line[k - 1 & mask];
        double b = line[k & mask];
        double c = line[k + 1 & mask];
        double d = line[k + 2 & mask];
        return b + 0.5 * t * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a)));
    }
}
