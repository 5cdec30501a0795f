package gentlecomet.sound.motion;

import gentlecomet.sound.maths.NoiseGenerator;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.LfoParameters;

/** A low-frequency oscillator, worked out once for each control step, with delay and fade-in; of one voice or shared by all notes. */
public final class Lfo {

    private static final int RETRIGGER = 0;
    private static final int FREE = 1;
    private static final int ONCE = 2;

    private double phase;
    private double seconds;
    private double cycle;
    private int seed;

    /**
     * Begins with a note.
     *
     * @param newSeed fixes the random steps
     * @param now     seconds since the engine began, from which a free one takes its phase
     */
    public void start(double[] block, int at, double tempo, int newSeed, double now) {
        phase = block[at + LfoParameters.PHASE] / 100;
        seconds = 0;
        cycle = 0;
        seed = newSeed;
        if (block[at + LfoParameters.START] == FREE) {
            double turns = phase + now * rate(block, at, tempo);
            cycle = Math.floor(turns);
            phase = turns - cycle;
            seed = 577;
        }
    }

    /**
     * Moves on by a control step and answers its value at the start of it: -1 to 1, or 0 to 1 where it swings one way.
     *
     * @param points drawn wave, as {@link Points} reads it
     * @param steps  levels of the steps in %
     * @param tempo  in beats per minute
     * @param step   length of the control step in seconds
     */
    public double advance(double[] block, int at, double[] points, double[] steps, double tempo, double step) {
        double delay = block[at + LfoParameters.DELAY];
        double fade = block[at + LfoParameters.FADE];
        double strength = seconds < delay ? 0 : fade <= 0 ? 1 : Math.min(1, (seconds - delay) / fade);
        boolean over = block[at + LfoParameters.START] == ONCE && cycle >= 1;
        double value = shape(block, at, points, steps, over ? 1 : phase, seed, over ? 0 : (int) cycle);
        seconds += step;
        phase += rate(block, at, tempo) * step;
        double whole = Math.floor(phase);
        phase -= whole;
        cycle += whole;
        if (cycle > 1e6) {
            cycle -= 1e6;
        }
        return value * strength;
    }

    private static double rate(double[] block, int at, double tempo) {
        return Division.rate(block, at + LfoParameters.DIVISION, at + LfoParameters.RATE, tempo);
    }

    /** The value at a phase from 0 to 1; the same shape as it is heard, for pictures. */
    public static double shape(double[] block, int at, double[] points, double[] steps, double phase, int seed, int cycle) {
        double value = wave(block, at, points, steps, phase, seed, cycle);
        return block[at + LfoParameters.SIDES] == 1 ? 0.5 + 0.5 * value : value;
    }

    private static double wave(double[] block, int at, double[] points, double[] steps, double phase, int seed, int cycle) {
        switch ((int) block[at + LfoParameters.WAVE]) {
            case 0:
                return Polynomials.sinCycles(phase);
            case 1:
                double turned = phase + 0.25 - Math.floor(phase + 0.25);
                return 1 - 4 * Math.abs(turned - 0.5);
            case 2:
                return 2 * phase - 1;
            case 3:
                return 1 - 2 * phase;
            case 4:
                double width = block[at + LfoParameters.PULSE_WIDTH] / 100;
                return phase < width ? between(-1, 1, phase / width, smooth(block, at)) : between(1, -1, (phase - width) / (1 - width), smooth(block, at));
            case LfoParameters.STEPPED_RANDOM:
                return between(random(seed, cycle - 1), random(seed, cycle), phase, smooth(block, at));
            case LfoParameters.SMOOTH_RANDOM:
                return between(random(seed, cycle - 1), random(seed, cycle), phase, 1);
            case LfoParameters.DRAWN:
                return Points.at(points, phase);
            default:
                int count = steps.length;
                if (count == 0) {
                    return phase < 0.5 ? 1 : -1;
                }
                double place = Math.min(phase, 0.999999) * count;
                int now = (int) place;
                return between(steps[(now + count - 1) % count] / 100, steps[now] / 100, place - now, smooth(block, at));
        }
    }

    private static double smooth(double[] block, int at) {
        return block[at + LfoParameters.SMOOTH] / 100;
    }

    private static double random(int seed, int cycle) {
        return 2 * NoiseGenerator.fraction(seed, cycle, 77) - 1;
    }

    /** From one level to the next within the first part of a step, along half a cosine. */
    private static double between(double from, double to, double part, double smooth) {
        return part >= smooth ? to : to + (from - to) * (0.5 + 0.5 * Polynomials.cosCycles(0.5 * part / smooth));
    }
}
