package gentlecomet.craft.response;

import gentlecomet.craft.measure.Course;
import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.PitchFinder;
import gentlecomet.craft.measure.Timbre;
import gentlecomet.craft.measure.TruePeak;
import gentlecomet.sound.performance.Audio;
import java.util.function.DoubleUnaryOperator;

/**
 * What one note measures.
 *
 * @param loudness      greatest momentary loudness in LUFS (ITU-R BS.1770-4), {@link Loudness#SILENT} for none
 * @param peakDbtp      true peak
 * @param brightnessHz  spectral centroid of what sounds while the key is held
 * @param sideToMid     energy of the difference against the sum of the channels
 * @param cents         off its key, or null where it has no clear pitch
 * @param attackSeconds from -60 to -1 dB of its peak
 * @param tailSeconds   from the moment the key goes up to -60 dB of its peak; as long as was rendered where it goes on
 */
public record NoteFigures(double loudness, double peakDbtp, double brightnessHz, double sideToMid, Double cents, double attackSeconds, double tailSeconds) {

    /** Whether anything is heard at all. */
    public boolean heard() {
        return loudness > -70;
    }

    /** @param audio a note from its first sample on @param key of the note, for its pitch @param heldSeconds how long the key is down */
    public static NoteFigures of(Audio audio, int key, double heldSeconds) {
        return of(audio, heldSeconds, hz -> PitchFinder.centsFromKey(hz, key));
    }

    /** As {@link #of(Audio, int, double)}, but an octave off its key is 1200 cents, not a register of the patch. */
    static NoteFigures withOctaves(Audio audio, int key, double heldSeconds) {
        return of(audio, heldSeconds, hz -> PitchFinder.cents(hz, key));
    }

    private static NoteFigures of(Audio audio, double heldSeconds, DoubleUnaryOperator cents) {
        Course course = new Course(audio);
        double attack = course.attackSeconds();
        int held = Math.min(audio.frames(), (int) (heldSeconds * audio.sampleRate()));
        Timbre timbre = Timbre.of(audio, 0, held);
        double hz = course.silent() ? Double.NaN : PitchFinder.hz(audio, Math.min(0.5 * heldSeconds, attack + 0.05), heldSeconds);
        return new NoteFigures(Loudness.of(audio).momentaryMax(), TruePeak.db(audio), timbre.brightnessHz(), timbre.sideToMid(),
                Double.isNaN(hz) ? null : Double.valueOf(cents.applyAsDouble(hz)), attack, Math.max(0, course.endSeconds() - heldSeconds));
    }
}
