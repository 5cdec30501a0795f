package gentlecomet.craft.measure;

import gentlecomet.sound.performance.Audio;

/** How the level of a note goes: the peak of every 5 ms of both channels. */
public final class Course {

    private static final double STEP_SECONDS = 0.005;
    private static final double NEARLY = 0.9;
    /** -60 dB of the peak. */
    private static final double GONE = 0.001;

    private final double[] levels;
    private final double step;
    private final double peak;

    public Course(Audio audio) {
        int each = (int) (STEP_SECONDS * audio.sampleRate());
        step = (double) each / audio.sampleRate();
        levels = new double[(audio.frames() + each - 1) / each];
        double most = 0;
        for (int i = 0; i < audio.frames(); i++) {
            double v = Math.max(Math.abs(audio.left()[i]), Math.abs(audio.right()[i]));
            levels[i / each] = Math.max(levels[i / each], v);
            most = Math.max(most, v);
        }
        peak = most;
    }

    /** The largest sample of both channels. */
    public double peak() {
        return peak;
    }

    public boolean silent() {
        return peak == 0;
    }

    /** From the first sound, -60 dB below the peak, to nine tenths of it. */
    public double attackSeconds() {
        return firstAbove(NEARLY * peak) - firstAbove(GONE * peak);
    }

    /** From the start of the recording until it stays 60 dB below its peak. */
    public double endSeconds() {
        for (int i = levels.length - 1; i >= 0; i--) {
            if (levels[i] > GONE * peak) {
                return (i + 1) * step;
            }
        }
        return 0;
    }

    private double firstAbove(double limit) {
        for (int i = 0; i < levels.length; i++) {
            if (levels[i] > limit) {
                return i * step;
            }
        }
        return 0;
    }
}
