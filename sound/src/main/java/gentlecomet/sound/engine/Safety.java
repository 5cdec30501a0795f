package gentlecomet.sound.engine;

/**
 * The last stage before a loudspeaker: whatever comes in, nothing above full scale goes out. Peaks pull the gain down at
 * once and let it rise again slowly; what is not a number becomes silence. Live playing only; renders show the truth.
 */
public final class Safety {

    private static final double CEILING = 0.999;
    private final double recovery;
    private double gain = 1;
    private int limited;

    /** @param sampleRate in Hz */
    public Safety(double sampleRate) {
        recovery = 1 / (0.25 * sampleRate);
    }

    /** Frames in which the level was held down since the last call. */
    public int takeLimited() {
        int count = limited;
        limited = 0;
        return count;
    }

    /** Limits two channels in place. */
    public void process(double[] left, double[] right, int frames) {
        for (int i = 0; i < frames; i++) {
            double l = left[i] - left[i] == 0 ? left[i] : 0;
            double r = right[i] - right[i] == 0 ? right[i] : 0;
            double peak = Math.max(Math.abs(l), Math.abs(r));
            gain = Math.min(1, gain + recovery);
            if (peak * gain > CEILING) {
                gain = CEILING / peak;
                limited++;
            }
            left[i] = l * gain;
            right[i] = r * gain;
        }
    }
}
