package gentlecomet.craft.measure;

import gentlecomet.sound.performance.Audio;
import java.util.ArrayList;
import java.util.List;

/**
 * Loudness of a stretch of stereo sound after ITU-R BS.1770-4, with the windows of EBU Tech 3341 and the loudness range of
 * EBU Tech 3342. Silence is {@link #SILENT}.
 *
 * @param integrated   gated programme loudness in LUFS
 * @param momentaryMax greatest loudness of any 400 ms in LUFS
 * @param shortTermMax greatest loudness of any 3 s in LUFS
 * @param range        loudness range in LU
 */
public record Loudness(double integrated, double momentaryMax, double shortTermMax, double range) {

    /** What silence measures, in LUFS. */
    public static final double SILENT = -120;

    private static final double ABSOLUTE_GATE = -70;
    private static final double OFFSET = -0.691;
    private static final int STEPS_A_SECOND = 10;
    private static final int STEPS_IN_MOMENTARY = 4;
    private static final int STEPS_IN_SHORT_TERM = 30;

    /** Whether a sound has a whole gating block of 400 ms; BS.1770-4 says nothing of shorter ones. */
    public static boolean measurable(Audio audio) {
        return audio.frames() >= STEPS_IN_MOMENTARY * (audio.sampleRate() / STEPS_A_SECOND);
    }

    /**
     * Measures a whole sound. One channel counts as one: as the left or the right of two it is 3 dB less than on both sides. What is left over of a last block does not count; a
     * sound shorter than a window is taken to be followed by silence.
     */
    public static Loudness of(Audio audio) {
        return of(audio, false);
    }

    /** @param dualMono whether one channel is meant for two loudspeakers (EBU Tech 3341, dual mono) */
    public static Loudness of(Audio audio, boolean dualMono) {
        double[] energies = stepEnergies(audio, dualMono);
        List<Double> momentary = windows(energies, STEPS_IN_MOMENTARY);
        List<Double> shortTerm = windows(energies, STEPS_IN_SHORT_TERM);
        return new Loudness(integrated(momentary), lufs(max(momentary)), lufs(max(shortTerm)), range(shortTerm));
    }

    /** Mean square of the weighted channels, added up, for every 100 ms. */
    private static double[] stepEnergies(Audio audio, boolean dualMono) {
        int step = audio.sampleRate() / STEPS_A_SECOND;
        int steps = Math.max(STEPS_IN_MOMENTARY, audio.frames() / step);
        double[] energies = new double[steps];
        boolean one = audio.oneChannel();
        for (float[] channel : one ? new float[][] {audio.left()} : new float[][] {audio.left(), audio.right()}) {
            KWeighting weighting = new KWeighting(audio.sampleRate());
            for (int i = 0; i < Math.min(channel.length, steps * step); i++) {
                double y = weighting.next(channel[i]);
                energies[i / step] += (one && dualMono ? 2 : 1) * y * y / step;
            }
        }
        return energies;
    }

    private static List<Double> windows(double[] steps, int length) {
        List<Double> windows = new ArrayList<>();
        double sum = 0;
        for (int i = 0; i < steps.length; i++) {
            sum = 0;
            for (int k = Math.max(0, i - length + 1); k <= i; k++) {
                sum += steps[k];
            }
            if (i >= length - 1) {
                windows.add(sum / length);
            }
        }
        if (windows.isEmpty()) {
            windows.add(sum / length);
        }
        return windows;
    }

    private static double integrated(List<Double> blocks) {
        double relativeGate = lufs(meanAbove(blocks, ABSOLUTE_GATE)) - 10;
        return lufs(meanAbove(blocks, Math.max(ABSOLUTE_GATE, relativeGate)));
    }

    private static double range(List<Double> blocks) {
        double gate = Math.max(ABSOLUTE_GATE, lufs(meanAbove(blocks, ABSOLUTE_GATE)) - 20);
        double[] kept = blocks.stream().mapToDouble(Loudness::lufs).filter(l -> l > gate).sorted().toArray();
        if (kept.length == 0) {
            return 0;
        }
        return percentile(kept, 0.95) - percentile(kept, 0.10);
    }

    private static double percentile(double[] sorted, double part) {
        return sorted[(int) Math.round((sorted.length - 1) * part)];
    }

    private static double meanAbove(List<Double> blocks, double gate) {
        return blocks.stream().filter(e -> lufs(e) > gate).mapToDouble(e -> e).average().orElse(0);
    }

    private static double max(List<Double> values) {
        return values.stream().mapToDouble(e -> e).max().orElse(0);
    }

    private static double lufs(double energy) {
        return energy <= 0 ? SILENT : Math.max(SILENT, OFFSET + 10 * Math.log10(energy));
    }
}
