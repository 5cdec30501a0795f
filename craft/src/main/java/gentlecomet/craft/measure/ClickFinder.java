package gentlecomet.craft.measure;

import gentlecomet.sound.performance.Audio;

/**
 * Finds clicks: what is added above 6 kHz for a few milliseconds around an event, against what the sound has there by itself within 40 ms on both sides. A step in the wave has a
 * spectrum that falls by 6 dB an octave and so reaches up there, where a sound that is not bright has nothing; a bright sound covers it.
 */
public final class ClickFinder {

    private static final double ABOVE_HZ = 6000;
    private static final double NEIGHBOURS_SECONDS = 0.04;
    private static final double LEAST = 1e-10;
    /** What lasts longer is a transient of the sound. */
    private static final int CLICK_MS = 3;

    private final double[] high;
    private final int step;
    private final double stepSeconds;
    private double peak;

    /**
     * A click that may be there.
     *
     * @param excessDb by which the event stands out against its neighbourhood, above 6 kHz
     * @param levelDb  of what stands out, against the peak of the whole sound
     */
    public record Click(double excessDb, double levelDb) {

        /** Nothing stands out. */
        public static final Click NONE = new Click(0, Loudness.SILENT);

        /** The worse of two. */
        public Click or(Click other) {
            return Math.min(excessDb, levelDb + 60) >= Math.min(other.excessDb, other.levelDb + 60) ? this : other;
        }
    }

    public ClickFinder(Audio audio) {
        step = audio.sampleRate() / 1000;
        stepSeconds = (double) step / audio.sampleRate();
        high = new double[audio.frames() / step + 1];
        for (float[] channel : new float[][] {audio.left(), audio.right()}) {
            read(channel, audio.sampleRate());
        }
    }

    /** Two high-pass filters of the audio EQ cookbook (W3C note) in a row, which make a Butterworth of fourth order. */
    private void read(float[] x, int sampleRate) {
        HighPass first = new HighPass(sampleRate, 0.54119610);
        HighPass second = new HighPass(sampleRate, 1.30656296);
        for (int i = 0; i < x.length; i++) {
            double y = second.next(first.next(x[i]));
            high[i / step] = Math.max(high[i / step], y * y);
            peak = Math.max(peak, Math.abs(x[i]));
        }
    }

    /** A click between two moments in seconds: what stands out for three milliseconds at the most, also against the rest of the time between them. */
    public Click between(double from, double to) {
        int highest = at(from);
        for (int i = at(from); i <= Math.min(at(to), high.length - 1); i++) {
            highest = high[i] > high[highest] ? i : highest;
        }
        return against(high.length == 0 ? 0 : high[Math.min(highest, high.length - 1)], highest - CLICK_MS, highest + CLICK_MS);
    }

    private Click against(double inside, int before, int after) {
        int reach = (int) Math.ceil(NEIGHBOURS_SECONDS / stepSeconds);
        double outside = Math.max(most(high, before - reach, before), most(high, after, after + reach));
        if (peak <= 1e-6) {
            return Click.NONE;
        }
        double floor = Math.max(outside, LEAST * peak * peak);
        return new Click(Math.max(0, 10 * Math.log10(inside / floor + 1e-12)), 10 * Math.log10(inside / (peak * peak) + 1e-12));
    }

    private int at(double seconds) {
        return (int) (seconds / stepSeconds);
    }

    private static double most(double[] values, int from, int to) {
        double most = 0;
        for (int i = Math.max(0, from); i <= Math.min(to, values.length - 1); i++) {
            most = Math.max(most, values[i]);
        }
        return most;
    }

    private static final class HighPass {
        private final double b0;
        private final double a1;
        private final double a2;
        private double x1;
        private double x2;
        private double y1;
        private double y2;

        HighPass(int sampleRate, double q) {
            double w = 2 * Math.PI * ABOVE_HZ / sampleRate;
            double alpha = Math.sin(w) / (2 * q);
            b0 = (1 + Math.cos(w)) / 2 / (1 + alpha);
            a1 = -2 * Math.cos(w) / (1 + alpha);
            a2 = (1 - alpha) / (1 + alpha);
        }

        double next(double x) {
            double y = b0 * (x - 2 * x1 + x2) - a1 * y1 - a2 * y2;
            x2 = x1;
            x1 = x;
            y2 = y1;
            y1 = y;
            return y;
        }
    }
}
