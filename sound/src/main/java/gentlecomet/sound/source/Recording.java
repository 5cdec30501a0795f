package gentlecomet.sound.source;

/**
 * Recorded sound that sources play or read as a table.
 *
 * @param key        number by which patch images refer to it
 * @param left       samples of the left channel, -1 to 1
 * @param right      the right channel; the same array for a mono recording
 * @param sampleRate in Hz
 */
public record Recording(double key, float[] left, float[] right, double sampleRate) {

    /** Samples of a cycle in an imported table; a shorter file is one cycle. */
    public static final int TABLE_CYCLE = 2048;
    /** Most cycles of an imported table. */
    public static final int TABLE_CYCLES = 64;

    public int frames() {
        return left.length;
    }

    /** This recording read as a wave table: cycles of 2048 samples, or one cycle when it is shorter. */
    public WaveTable asTable() {
        int cycles = Math.max(1, Math.min(TABLE_CYCLES, left.length / TABLE_CYCLE));
        int length = left.length < TABLE_CYCLE ? left.length : TABLE_CYCLE;
        double[][] levels = new double[cycles][];
        double[][] phases = new double[cycles][];
        for (int c = 0; c < cycles; c++) {
            double[] cycle = new double[length];
            for (int i = 0; i < length; i++) {
                cycle[i] = left[c * length + i];
            }
            double[][] parts = WaveTable.analyse(cycle);
            levels[c] = parts[0];
            phases[c] = parts[1];
        }
        return new WaveTable(levels, phases);
    }
}
