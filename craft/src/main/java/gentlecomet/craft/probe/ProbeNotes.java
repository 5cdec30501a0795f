package gentlecomet.craft.probe;

import gentlecomet.craft.measure.Course;
import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.measure.PitchFinder;
import gentlecomet.craft.measure.PowerSpectrum;
import gentlecomet.craft.measure.Timbre;
import gentlecomet.craft.measure.TruePeak;
import gentlecomet.craft.response.NoteFigures;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Note;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import java.util.List;

/** Renders the notes that probes listen to. Keeps an engine; one thread at a time. */
final class ProbeNotes {

    static final int VELOCITY = 100;
    private static final double FROM_HZ = 1500;
    private static final double TO_HZ = 16000;
    private static final double QUIET_DBFS = -7;
    private static final int MULTIPLES = 24;
    /** A quarter tone to each side. */
    private static final double NEAR = Math.pow(2, 1 / 24.0);

    private final Rendering rendering;

    ProbeNotes(Rendering rendering) {
        this.rendering = rendering;
    }

    Rendering.Result play(double[] image, Phrase phrase, double tailSeconds, Rendering.ControllerState hands) {
        return rendering.render(image, phrase, tailSeconds, hands);
    }

    /** One note with its tail. */
    Audio note(double[] image, int key, int velocity, double heldSeconds, double tailSeconds) {
        return play(image, Phrase.single(key, velocity, heldSeconds), tailSeconds, Rendering.ControllerState.AT_REST).audio();
    }

    /** Notes whose starts and lengths are in seconds. */
    static Phrase notes(double seconds, List<Note> notes) {
        return new Phrase("probe", "Probe", 60, seconds, notes);
    }

    /** One note of the grid, its pitch looked for or not. */
    static KeyProbe keyProbe(Patch patch, Audio audio, int key, int velocity, double heldSeconds, boolean pitch) {
        NoteFigures figures = figures(audio, key, heldSeconds, pitch);
        PowerSpectrum spectrum = PowerSpectrum.of(audio, 0, held(audio, heldSeconds));
        boolean found = figures.cents() != null;
        double hz = found ? 440 * Math.pow(2, (key - 69 + figures.cents() / 100) / 12) : 0;
        return new KeyProbe(key, velocity, figures, shriek(spectrum, key), found ? odd(spectrum, hz) : 0, found ? odd(spectrum, hz / 2) : 0, layers(patch, key, velocity));
    }

    /** The part of the power at multiples of a pitch that lies at odd ones. */
    private static double odd(PowerSpectrum spectrum, double hz) {
        double[] power = {1e-20, 0};
        for (int n = 1; n <= MULTIPLES; n++) {
            power[n % 2] += spectrum.power(n * hz / NEAR, n * hz * NEAR);
        }
        return power[1] / (power[0] + power[1]);
    }

    private static NoteFigures figures(Audio audio, int key, double heldSeconds, boolean pitch) {
        Course course = new Course(audio);
        Timbre timbre = Timbre.of(audio, 0, held(audio, heldSeconds));
        double attack = course.attackSeconds();
        Double cents = pitch && !course.silent() ? cents(audio, key, Math.min(0.5 * heldSeconds, attack + 0.05), heldSeconds) : null;
        return new NoteFigures(loudness(audio, heldSeconds), SampleLevels.peakDb(audio), timbre.brightnessHz(), timbre.sideToMid(), cents, attack, Math.max(0, course.endSeconds() - heldSeconds));
    }

    /** Greatest momentary loudness while a key is down and a little after; a tail is no louder. */
    static double loudness(Audio audio, double heldSeconds) {
        return Loudness.of(audio.part(0, held(audio, heldSeconds + 0.4))).momentaryMax();
    }

    /** True peak in dBTP where it may come near full scale, else the greatest sample: what passes its samples by more than that has no place in a sound. */
    static double peak(Audio audio) {
        double samples = SampleLevels.peakDb(audio);
        return samples < QUIET_DBFS ? samples : TruePeak.db(audio);
    }

    /** The part of a note's power in the strongest third of an octave that lies above 1.5 kHz and above the third partial of its key. */
    static double shriek(PowerSpectrum spectrum, int key) {
        double low = Math.max(FROM_HZ, 3.5 * 440 * Math.pow(2, (key - 69) / 12.0));
        return low > TO_HZ / 2 ? 0 : spectrum.strongestThird(low);
    }

    static Double cents(Audio audio, int key, double from, double to) {
        double hz = PitchFinder.hz(audio, from, to);
        return Double.isNaN(hz) ? null : Double.valueOf(PitchFinder.cents(hz, key));
    }

    static int held(Audio audio, double seconds) {
        return Math.min(audio.frames(), (int) (seconds * Measuring.RATE));
    }

    /** Which layers play a key at a velocity, a bit for each. */
    static int layers(Patch patch, int key, int velocity) {
        int bits = 0;
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            int at = Parameters.ofLayer(layer, 0);
            boolean plays = patch.layerOn(layer) && key >= patch.value(at + LayerParameters.LOW_KEY) && key <= patch.value(at + LayerParameters.HIGH_KEY)
                    && velocity >= patch.value(at + LayerParameters.LOW_VELOCITY) && velocity <= patch.value(at + LayerParameters.HIGH_VELOCITY);
            bits |= plays ? 1 << layer : 0;
        }
        return bits;
    }
}
