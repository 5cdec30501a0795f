package gentlecomet.craft.measure;

import gentlecomet.sound.performance.Audio;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jtransforms.fft.DoubleFFT_1D;

/**
 * Finds the partials of a recorded hit: peaks of its spectrum at a chosen moment, and how fast each dies away. A peak stands
 * between bins where the parabola through its three highest values (in dB, Blackman-Harris window) has its top, a method
 * described by J. O. Smith and X. Serra (1987); decay is the fall of the same peak between two moments.
 */
public final class HitAnalysis {

    private static final int MOST_FRAME = 16384;
    private static final double RANGE_DB = 66;
    private static final double LONGEST_DECAY = 30;
    private static final double HARMONIC_REACH = 0.03;

    private HitAnalysis() {
    }

    /** One partial: frequency, level against the strongest, time to fall by 60 dB. */
    public record Partial(double hz, double levelDb, double decaySeconds) {
    }

    /** Which peaks count. */
    public enum Kind {
        /** Every peak. */
        INHARMONIC,
        /** Those that stand at whole multiples of the lowest, put exactly there. */
        HARMONIC
    }

    /**
     * @param momentSeconds after the beginning of the sound, at which the levels are read
     * @param most          partials at the most; the strongest are kept
     * @return sorted by frequency; empty where nothing rises above silence
     */
    public static List<Partial> partials(Audio audio, double momentSeconds, int most, Kind kind) {
        int start = onset(audio) + (int) (momentSeconds * audio.sampleRate());
        int frame = MOST_FRAME;
        while (frame > 1024 && start + frame + frame / 2 > audio.frames()) {
            frame /= 2;
        }
        int gap = Math.max(256, Math.min(audio.sampleRate() / 5, audio.frames() - start - frame));
        double[] early = spectrumDb(audio, start, frame);
        double[] late = spectrumDb(audio, start + gap, frame);
        double strongest = -200;
        for (double db : early) {
            strongest = Math.max(strongest, db);
        }
        List<Partial> found = new ArrayList<>();
        if (strongest < -120) {
            return found;
        }
        double bin = (double) audio.sampleRate() / frame;
        for (int k = 4; k < early.length - 4; k++) {
            if (early[k] > strongest - RANGE_DB && highest(early, k)) {
                double bend = early[k - 1] - 2 * early[k] + early[k + 1];
                double shift = bend == 0 ? 0 : 0.5 * (early[k - 1] - early[k + 1]) / bend;
                double level = early[k] - 0.25 * (early[k - 1] - early[k + 1]) * shift;
                double fall = early[k] - Math.max(late[k], Math.max(late[k - 1], late[k + 1]));
                double decay = fall <= 0.01 ? LONGEST_DECAY : 60 * gap / (fall * audio.sampleRate());
                // The frame shows what is left in its middle; what a quick partial has lost until then is given back.
                double lost = 60 * frame / (2.0 * audio.sampleRate() * decay);
                found.add(new Partial((k + shift) * bin, level + lost, Math.min(LONGEST_DECAY, decay)));
            }
        }
        double loudest = found.stream().mapToDouble(Partial::levelDb).max().orElse(0);
        found.replaceAll(p -> new Partial(p.hz(), p.levelDb() - loudest, p.decaySeconds()));
        if (kind == Kind.HARMONIC) {
            found = harmonics(found, audio);
        }
        found.sort(Comparator.comparingDouble(p -> -p.levelDb()));
        found = new ArrayList<>(found.subList(0, Math.min(most, found.size())));
        found.sort(Comparator.comparingDouble(Partial::hz));
        return found;
    }

    private static List<Partial> harmonics(List<Partial> peaks, Audio audio) {
        double pitch = PitchFinder.hz(audio, (double) onset(audio) / audio.sampleRate(), audio.seconds());
        double base = Double.isNaN(pitch) ? peaks.stream().max(Comparator.comparingDouble(Partial::levelDb)).orElseThrow().hz() : pitch;
        List<Partial> kept = new ArrayList<>();
        for (int n = 1; n <= 64; n++) {
            int harmonic = n;
            peaks.stream().filter(p -> Math.abs(p.hz() / (harmonic * base) - 1) < HARMONIC_REACH / harmonic + 0.005)
                    .max(Comparator.comparingDouble(Partial::levelDb))
                    .ifPresent(p -> kept.add(new Partial(harmonic * base, p.levelDb(), p.decaySeconds())));
        }
        return kept;
    }

    /** A peak stands above its neighbours on both sides, as far as the window is wide. */
    private static boolean highest(double[] db, int k) {
        for (int d = 1; d <= 4; d++) {
            if (db[k] < db[k - d] || db[k] <= db[k + d]) {
                return false;
            }
        }
        return true;
    }

    /** First frame that comes within 30 dB of the peak. */
    static int onset(Audio audio) {
        double peak = 0;
        for (int i = 0; i < audio.frames(); i++) {
            peak = Math.max(peak, Math.abs(audio.left()[i] + audio.right()[i]));
        }
        for (int i = 0; i < audio.frames(); i++) {
            if (Math.abs(audio.left()[i] + audio.right()[i]) > peak * 0.0316) {
                return i;
            }
        }
        return 0;
    }

    private static double[] spectrumDb(Audio audio, int start, int frame) {
        double[] x = new double[frame];
        for (int i = 0; i < frame && start + i < audio.frames(); i++) {
            double t = 2 * Math.PI * i / frame;
            // Four-term Blackman-Harris window (F. J. Harris, 1978).
            double window = 0.35875 - 0.48829 * Math.cos(t) + 0.14128 * Math.cos(2 * t) - 0.01168 * Math.cos(3 * t);
            x[i] = 0.5 * (audio.left()[start + i] + audio.right()[start + i]) * window;
        }
        new DoubleFFT_1D(frame).realForward(x);
        double[] db = new double[frame / 2];
        for (int k = 1; k < db.length; k++) {
            db[k] = 10 * Math.log10((x[2 * k] * x[2 * k] + x[2 * k + 1] * x[2 * k + 1]) / ((double) frame * frame) + 1e-20);
        }
        db[0] = db.length > 1 ? db[1] : -200;
        return db;
    }
}
