package gentlecomet.sound.source;

import gentlecomet.sound.maths.Fourier;
import gentlecomet.sound.maths.Polynomials;

/**
 * A wave table: single cycles, one after the other, each kept in several versions with ever fewer harmonics so that every
 * pitch has one without aliases. The counts of harmonics are Fibonacci numbers, so that the best version reaches at least
 * to 15 kHz. Immutable after construction and shared by all voices.
 */
public final class WaveTable {

    /** Most harmonics of a cycle. */
    public static final int HARMONICS = 610;

    static final int[] COUNTS = {1, 2, 3, 5, 8, 13, 21, 34, 55, 89, 144, 233, 377, HARMONICS};
    private static final int SMALLEST = 2048;
    private static final int POINTS_PER_HARMONIC = 13;
    /** Versions of few harmonics are for high keys, where what a straight line between two points makes wrong folds to where it is heard. */
    private static final int POINTS_PER_LOW_HARMONIC = 256;
    private static final int ENOUGH_POINTS = 8192;
    /** No alias below this frequency. */
    private static final double CLEAN_HZ = 20000;
    private static final double HIGHEST_HZ = 28000;

    private final float[][][] cycles;
    private final double[][] levels;

    /**
     * @param levels amplitudes of the harmonics from the first on, for each frame
     * @param phases their phases in cycles, as in level x sin(2 pi (n t + phase)); null for all zero
     */
    public WaveTable(double[][] levels, double[][] phases) {
        this.levels = levels;
        cycles = new float[levels.length][COUNTS.length][];
        for (int frame = 0; frame < levels.length; frame++) {
            for (int version = 0; version < COUNTS.length; version++) {
                boolean same = version > 0 && COUNTS[version - 1] >= levels[frame].length;
                cycles[frame][version] = same ? cycles[frame][version - 1]
                        : cycle(levels[frame], phases == null ? null : phases[frame], COUNTS[version]);
            }
        }
    }

    public int frames() {
        return cycles.length;
    }

    /** Amplitudes of a frame's harmonics. */
    public double[] levels(int frame) {
        return levels[frame];
    }

    /** The version to read at a frequency: as many harmonics as stay without an alias below 20 kHz. */
    static int version(double frequencyHz, double sampleRate) {
        double highest = Math.min(HIGHEST_HZ, sampleRate - CLEAN_HZ);
        int version = 0;
        while (version < COUNTS.length - 1 && COUNTS[version + 1] * frequencyHz <= highest) {
            version++;
        }
        return version;
    }

    float[] cycle(int frame, int version) {
        return cycles[frame][version];
    }

    /** The value at a phase in cycles, straight between two points. */
    static double at(float[] cycle, double phase) {
        double place = phase * cycle.length;
        double below = Polynomials.wholeBelow(place);
        int whole = (int) below;
        double a = cycle[whole & cycle.length - 1];
        return a + (cycle[whole + 1 & cycle.length - 1] - a) * (place - below);
    }

    private static float[] cycle(double[] levels, double[] phases, int harmonics) {
        int count = Math.min(harmonics, levels.length);
        int size = SMALLEST;
        while (size < POINTS_PER_HARMONIC * count || size < ENOUGH_POINTS && size < POINTS_PER_LOW_HARMONIC * count) {
            size *= 2;
        }
        double[] re = new double[size];
        double[] im = new double[size];
        for (int n = 1; n <= count; n++) {
            double phase = phases == null ? 0 : phases[n - 1];
            // level sin(x + p) is the real part of -i level e^(ip) e^(ix).
            re[n] = levels[n - 1] * Polynomials.sinCycles(phase);
            im[n] = -levels[n - 1] * Polynomials.cosCycles(phase);
        }
        Fourier.transform(re, im, 1);
        float[] cycle = new float[size];
        for (int i = 0; i < size; i++) {
            cycle[i] = (float) re[i];
        }
        return cycle;
    }

    /** Amplitudes and phases of the harmonics of one recorded cycle of any length, as {levels, phases}. */
    public static double[][] analyse(double[] cycle) {
        int size = SMALLEST;
        double[] re = new double[size];
        double[] im = new double[size];
        for (int i = 0; i < size; i++) {
            double place = (double) i * cycle.length / size;
            int whole = (int) place;
            double a = cycle[whole];
            re[i] = a + (cycle[(whole + 1) % cycle.length] - a) * (place - whole);
        }
        Fourier.transform(re, im, -1);
        int count = Math.min(HARMONICS, Math.min(size / 4, Math.max(1, cycle.length / 2 - 1)));
        double[] levels = new double[count];
        double[] phases = new double[count];
        for (int n = 1; n <= count; n++) {
            levels[n - 1] = 2 * Math.sqrt(re[n] * re[n] + im[n] * im[n]) / size;
            phases[n - 1] = Polynomials.cyclesOf(re[n], -im[n]);
        }
        return new double[][] {levels, phases};
    }
}
