package gentlecomet.craft.measure;

import gentlecomet.sound.performance.Audio;

/**
 * How rough a sound is: what its level swings by between about 15 and 300 times a second, most at 70, inside bands as wide as those of hearing. The bands are gammatone
 * filters of order 4 with the equivalent rectangular bandwidth of Glasberg and Moore (1990), three of those apart; the weight of the rate follows what Fastl and Zwicker
 * (Psychoacoustics, chapter 11) find for modulated tones of 1 kHz; bands count by their loudness, which grows with the 0.3rd power of intensity. Not in asper: it ranks
 * versions of one sound, it does not compare a bell with a drum.
 */
public final class Roughness {

    private static final double LOWEST_HZ = 100;
    private static final double HIGHEST_HZ = 8000;
    private static final double BANDS_APART = 3;
    /** One sample of a level is kept of so many of the sound. */
    private static final int STEP = 16;
    private static final double ROUGHEST_HZ = 70;
    private static final double SHARPNESS = 0.5;
    private static final double LOUDNESS_POWER = 0.3;
    /** Of intensity: what lies so far below the loudest band is masked. */
    private static final double MASKED = 3e-5;

    private final int rate;
    private final double from;
    private final double to;

    /**
     * Measures between two moments in seconds; the sound before them is listened to so that the filters have settled.
     *
     * @param rate samples per second
     */
    public Roughness(int rate, double from, double to) {
        this.rate = rate;
        this.from = from;
        this.to = to;
    }

    /** 0 for a steady tone to about 1 where every band swings fully at the roughest rate: the mean square depth of modulation over bands and both channels. */
    public double of(Audio audio) {
        int bands = (int) Math.floor((number(HIGHEST_HZ) - number(LOWEST_HZ)) / BANDS_APART) + 1;
        double[] intensity = new double[bands];
        double[] depth = new double[bands];
        int end = Math.min(audio.frames(), (int) (to * rate));
        for (int band = 0; band < bands; band++) {
            double centre = frequency(number(LOWEST_HZ) + band * BANDS_APART);
            for (float[] channel : new float[][] {audio.left(), audio.right()}) {
                double[] found = band(channel, end, centre);
                intensity[band] += found[0];
                depth[band] += found[1];
            }
        }
        double most = 1e-20;
        for (double one : intensity) {
            most = Math.max(most, one);
        }
        double weights = 0;
        double sum = 0;
        for (int band = 0; band < bands; band++) {
            double weight = Math.max(0, Math.pow(intensity[band] / most, LOUDNESS_POWER) - Math.pow(MASKED, LOUDNESS_POWER));
            weights += weight;
            sum += weight * Math.min(1, depth[band] / Math.max(1e-20, intensity[band]));
        }
        return sum / Math.max(1e-9, weights);
    }

    /** Mean square of a band's level, and of its swings at the rates that sound rough. */
    private double[] band(float[] x, int end, double centre) {
        double decay = Math.exp(-2 * Math.PI * 1.019 * bandwidth(centre) / rate);
        double re = decay * Math.cos(2 * Math.PI * centre / rate);
        double im = decay * Math.sin(2 * Math.PI * centre / rate);
        double gain = Math.pow(1 - decay, 4);
        double[] state = new double[8];
        Swings swings = new Swings((double) rate / STEP);
        Swings again = new Swings((double) rate / STEP);
        int first = (int) (from * rate);
        double level = 0;
        double swing = 0;
        for (int i = 0; i < end; i++) {
            double inRe = x[i];
            double inIm = 0;
            for (int pole = 0; pole < 8; pole += 2) {
                double nextRe = inRe + re * state[pole] - im * state[pole + 1];
                double nextIm = inIm + re * state[pole + 1] + im * state[pole];
                state[pole] = nextRe;
                state[pole + 1] = nextIm;
                inRe = nextRe;
                inIm = nextIm;
            }
            if (i % STEP == 0) {
                double now = gain * Math.sqrt(inRe * inRe + inIm * inIm);
                double swung = again.of(swings.of(now));
                if (i >= first) {
                    level += now * now;
                    swing += swung * swung;
                }
            }
        }
        return new double[] {level, swing};
    }

    /** Equivalent rectangular bandwidth in Hz at a frequency in Hz. */
    private static double bandwidth(double hz) {
        return 24.7 * (4.37e-3 * hz + 1);
    }

    /** Number of bandwidths below a frequency. */
    private static double number(double hz) {
        return 21.4 * Math.log10(1 + 4.37e-3 * hz);
    }

    private static double frequency(double number) {
        return (Math.pow(10, number / 21.4) - 1) / 4.37e-3;
    }

    /** A band pass around the roughest rate, of the audio EQ cookbook (W3C note), with 0 dB at its top; two in a row are as steep as listeners are. */
    private static final class Swings {
        private final double b;
        private final double a1;
        private final double a2;
        private double x1;
        private double x2;
        private double y1;
        private double y2;

        Swings(double rate) {
            double w = 2 * Math.PI * ROUGHEST_HZ / rate;
            double alpha = Math.sin(w) / (2 * SHARPNESS);
            b = alpha / (1 + alpha);
            a1 = -2 * Math.cos(w) / (1 + alpha);
            a2 = (1 - alpha) / (1 + alpha);
        }

        double of(double x) {
            double y = b * (x - x2) - a1 * y1 - a2 * y2;
            x2 = x1;
            x1 = x;
            y2 = y1;
            y1 = y;
            return y;
        }
    }
}
