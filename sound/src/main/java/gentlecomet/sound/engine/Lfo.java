package gentlecomet.sound.engine;

import gentlecomet.sound.maths.Grain;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.LayerParameters;

/** A low-frequency oscillator of one voice, worked out once for each control step, with delay and fade-in. */
public final class Lfo {

    private double phase;
    private double seconds;
    private int cycle;
    private int seed;

    /** Restarts at its start phase; the seed fixes the random steps. */
    public void start(double[] block, int newSeed) {
        phase = block[LayerParameters.LFO_PHASE] / 100;
        seconds = 0;
        cycle = 0;
        seed = newSeed;
    }

    /**
     * Moves on by a control step and answers its value from -1 to 1.
     *
     * @param tempo in beats per minute
     * @param step  length of the control step in seconds
     */
    public double advance(double[] block, double tempo, double step) {
        double delay = block[LayerParameters.LFO_DELAY];
        double fade = block[LayerParameters.LFO_FADE];
        double strength = seconds < delay ? 0 : fade <= 0 ? 1 : Math.min(1, (seconds - delay) / fade);
        double value = shape((int) block[LayerParameters.LFO_WAVE], phase, seed, cycle);
        seconds += step;
        int division = (int) block[LayerParameters.LFO_DIVISION];
        double rate = division == 0 ? block[LayerParameters.LFO_RATE] : 1 / Division.seconds(division, tempo);
        phase += rate * step;
        double whole = Math.floor(phase);
        phase -= whole;
        cycle += (int) whole;
        return value * strength;
    }

    /** The value from -1 to 1 of a wave at a phase from 0 to 1. */
    public static double shape(int wave, double phase, int seed, int cycle) {
        switch (wave) {
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
                return phase < 0.5 ? 1 : -1;
            default:
                return 2 * Grain.fraction(seed, cycle, 77) - 1;
        }
    }
}
