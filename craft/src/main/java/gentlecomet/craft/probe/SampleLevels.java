package gentlecomet.craft.probe;

import gentlecomet.craft.measure.Loudness;
import gentlecomet.sound.performance.Audio;

/** Levels of stretches of sound. */
final class SampleLevels {

    private SampleLevels() {
    }

    /** Root mean square of both channels between two moments in seconds, in dBFS of a full-scale square wave. */
    static double dbfs(Audio audio, double from, double to) {
        int first = Math.max(0, (int) (from * audio.sampleRate()));
        int last = Math.min(audio.frames(), (int) (to * audio.sampleRate()));
        double sum = 0;
        for (int i = first; i < last; i++) {
            sum += audio.left()[i] * audio.left()[i] + audio.right()[i] * audio.right()[i];
        }
        return last <= first || sum <= 0 ? Loudness.SILENT : Math.max(Loudness.SILENT, 10 * Math.log10(0.5 * sum / (last - first)));
    }

    /** Greatest sample, in dBFS. */
    static double peakDb(Audio audio) {
        double peak = 0;
        for (int i = 0; i < audio.frames(); i++) {
            peak = Math.max(peak, Math.max(Math.abs(audio.left()[i]), Math.abs(audio.right()[i])));
        }
        return peak <= 1e-6 ? Loudness.SILENT : 20 * Math.log10(peak);
    }

    /** Greatest mean of a channel between two moments, in per cent of full scale. */
    static double dcPercent(Audio audio, double from, double to) {
        int first = Math.max(0, (int) (from * audio.sampleRate()));
        int last = Math.min(audio.frames(), (int) (to * audio.sampleRate()));
        double left = 0;
        double right = 0;
        for (int i = first; i < last; i++) {
            // A raised cosine lets periods that are cut off count for nothing.
            double window = 1 - Math.cos(2 * Math.PI * (i - first) / (last - first));
            left += audio.left()[i] * window;
            right += audio.right()[i] * window;
        }
        return last <= first ? 0 : 100 * Math.max(Math.abs(left), Math.abs(right)) / (last - first);
    }

    static double rounded(double value) {
        return Math.rint(value * 100) / 100;
    }
}
