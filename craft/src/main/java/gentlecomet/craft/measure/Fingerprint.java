package gentlecomet.craft.measure;

import gentlecomet.sound.performance.Audio;
import java.util.Arrays;
import java.util.List;
import org.jtransforms.fft.DoubleFFT_1D;

/**
 * What a patch sounds like in few numbers, to find others like it: of three notes an octave apart the level in bands of equal width on the mel scale
 * (m = 2595 log10(1 + f / 700), D. O'Shaughnessy, Speech Communication, 1987), over four stretches of time from strike to release. Loudness does not count.
 */
public final class Fingerprint {

    /** Seconds at which the stretches begin, and where the last one ends. */
    static final double[] STRETCHES = {0, 0.08, 0.25, 1, 1.5};
    static final int BANDS = 24;
    /** Numbers of one note. */
    public static final int NOTE = BANDS * (STRETCHES.length - 1);
    /** Numbers of all three. */
    public static final int SIZE = 3 * NOTE;

    private static final double LOWEST_HZ = 40;
    private static final double HIGHEST_HZ = 16000;
    private static final int FRAME = 2048;
    /** Levels are told down to this far below the loudest. */
    private static final double RANGE_DB = 60;
    private static final double STEPS_PER_DB = 4;

    private final byte[] levels;

    private Fingerprint(byte[] levels) {
        this.levels = levels;
    }

    /** Of three notes from the lowest, each held for one second and recorded for half a second more. */
    static Fingerprint of(List<Audio> notes) {
        double[] db = new double[SIZE];
        for (int n = 0; n < notes.size(); n++) {
            double[] power = bands(notes.get(n));
            for (int i = 0; i < NOTE; i++) {
                db[n * NOTE + i] = 10 * Math.log10(power[i] + 1e-30);
            }
        }
        double loudest = Arrays.stream(db).max().orElse(0);
        byte[] levels = new byte[SIZE];
        for (int i = 0; i < SIZE; i++) {
            levels[i] = (byte) Math.rint(STEPS_PER_DB * Math.max(0, Math.min(RANGE_DB, db[i] - loudest + RANGE_DB)));
        }
        return new Fingerprint(levels);
    }

    /** As it was kept. @param levels as {@link #levels} gives them @throws IllegalArgumentException where there are not {@value #SIZE} */
    public static Fingerprint read(byte[] levels) {
        if (levels.length != SIZE) {
            throw new IllegalArgumentException("a fingerprint has " + SIZE + " numbers, not " + levels.length);
        }
        return new Fingerprint(levels.clone());
    }

    /** To be kept: quarters of a dB above the floor, one byte each. */
    public byte[] levels() {
        return levels.clone();
    }

    /** How unlike two sounds are: the difference of their levels in dB, root mean square over notes, bands and time; 0 for the same. */
    public double distance(Fingerprint other) {
        long sum = 0;
        for (int i = 0; i < SIZE; i++) {
            int difference = (levels[i] & 0xFF) - (other.levels[i] & 0xFF);
            sum += (long) difference * difference;
        }
        return Math.sqrt((double) sum / SIZE) / STEPS_PER_DB;
    }

    /** How far the levels of the three notes lie from each other while their keys are held, in dB: the loudest against the quietest, without weighting. */
    public double spreadDb() {
        double least = Double.MAX_VALUE;
        double most = 0;
        for (int n = 0; n < SIZE / NOTE; n++) {
            double power = 0;
            for (int s = 0; s < STRETCHES.length - 2; s++) {
                for (int b = 0; b < BANDS; b++) {
                    power += (STRETCHES[s + 1] - STRETCHES[s]) * Math.pow(10, (levels[n * NOTE + s * BANDS + b] & 0xFF) / STEPS_PER_DB / 10);
                }
            }
            least = Math.min(least, power);
            most = Math.max(most, power);
        }
        return 10 * Math.log10(most / least);
    }

    /** Mean power of each band in each stretch, bands of the first stretch first. */
    private static double[] bands(Audio audio) {
        DoubleFFT_1D transform = new DoubleFFT_1D(FRAME);
        double[] power = new double[NOTE];
        int[] frames = new int[STRETCHES.length - 1];
        int[] band = bandOfBin(audio.sampleRate());
        for (int start = 0; start < STRETCHES[STRETCHES.length - 1] * audio.sampleRate(); start += FRAME / 2) {
            double middle = (start + FRAME / 2.0) / audio.sampleRate();
            int stretch = 0;
            while (stretch < frames.length - 1 && middle >= STRETCHES[stretch + 1]) {
                stretch++;
            }
            frames[stretch]++;
            double[] frame = new double[FRAME];
            for (int i = 0; i < FRAME && start + i < audio.frames(); i++) {
                frame[i] = 0.5 * (audio.left()[start + i] + audio.right()[start + i]) * (0.5 - 0.5 * Math.cos(2 * Math.PI * i / FRAME));
            }
            transform.realForward(frame);
            for (int k = 1; k < FRAME / 2; k++) {
                if (band[k] >= 0) {
                    power[stretch * BANDS + band[k]] += frame[2 * k] * frame[2 * k] + frame[2 * k + 1] * frame[2 * k + 1];
                }
            }
        }
        for (int i = 0; i < NOTE; i++) {
            power[i] /= Math.max(1, frames[i / BANDS]);
        }
        return power;
    }

    private static int[] bandOfBin(int sampleRate) {
        int[] band = new int[FRAME / 2];
        for (int k = 0; k < band.length; k++) {
            double hz = (double) k * sampleRate / FRAME;
            band[k] = hz < LOWEST_HZ || hz >= HIGHEST_HZ ? -1 : (int) (BANDS * (mel(hz) - mel(LOWEST_HZ)) / (mel(HIGHEST_HZ) - mel(LOWEST_HZ)));
        }
        return band;
    }

    static double mel(double hz) {
        return 2595 * Math.log10(1 + hz / 700);
    }
}
