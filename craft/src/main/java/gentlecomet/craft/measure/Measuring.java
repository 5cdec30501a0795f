package gentlecomet.craft.measure;

import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.pattern.Patterns;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Note;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Renders patches at 48 kHz and measures them. Keeps an engine; one thread at a time. */
public final class Measuring {

    /** Sample rate of every measurement, in Hz. */
    public static final int RATE = 48000;
    /** Longest tail that is waited for, in seconds. */
    public static final double LONGEST_TAIL = 25;

    private static final int PROBE_VELOCITY = 100;
    private static final double FINGERPRINT_TAIL = 0.5;
    /** A pitch that is nearer to its key needs no second look. */
    private static final double SURE_CENTS = 5;

    /** What every measurement depends on beside the sound and its phrase. */
    public static final String SETTINGS = "rate " + RATE + " tail " + LONGEST_TAIL + " velocity " + PROBE_VELOCITY;

    private final Rendering rendering;

    /** For patches without recordings. */
    public Measuring() {
        this(Recordings.NONE);
    }

    public Measuring(Recordings recordings) {
        rendering = new Rendering(RATE, recordings);
    }

    public Measurement measure(Patch patch, Phrase phrase) {
        double[] image = PatchImage.of(patch);
        Audio played = rendering.render(image, phrase, LONGEST_TAIL, Rendering.ControllerState.AT_REST).audio();
        Loudness loudness = Loudness.of(played);
        int key = probeKey(patch);
        double[] plain = PatchImage.of(Patterns.without(patch));
        Rendering.Result probe = struck(plain, key, PROBE_VELOCITY);
        Course course = new Course(probe.audio());
        double attack = course.attackSeconds();
        double end = course.endSeconds();
        double hz = PitchFinder.hz(probe.audio(), Math.min(0.25, attack + 0.05), 1);
        Double cents = Double.isNaN(hz) ? null : PitchFinder.centsFromKey(hz, key);
        if (cents != null && Math.abs(cents) > SURE_CENTS) {
            cents = ofThree(image, key, attack, cents);
        }
        double loudest = course.peak();
        boolean endless = probe.endless();
        for (Note note : others(patch, key, phrase)) {
            Rendering.Result other = struck(plain, note.key(), note.velocity());
            Course its = new Course(other.audio());
            if (its.peak() > loudest) {
                loudest = its.peak();
                attack = its.attackSeconds();
            }
            end = Math.max(end, its.endSeconds());
            endless |= other.endless();
        }
        Timbre timbre = Timbre.of(played, 0, Math.min(played.frames(), (int) (phrase.seconds() * RATE)));
        return new Measurement(loudness.integrated(), loudness.momentaryMax(), loudness.shortTermMax(), loudness.range(),
                TruePeak.db(played), key, cents, attack,
                Math.max(0, end - 1), endless, end, timbre.brightnessHz(), timbre.noisiness(), timbre.sideToMid());
    }

    /** One note, held for a second, until it is silent. */
    private Rendering.Result struck(double[] image, int key, int velocity) {
        return rendering.render(image, Phrase.single(key, velocity, 1), LONGEST_TAIL, Rendering.ControllerState.AT_REST);
    }

    /** What the patch sounds like at its probe key and an octave to each side, as far as these keys sound; two that differ by their patterns alone sound alike. */
    public Fingerprint fingerprint(Patch patch) {
        double[] image = PatchImage.of(Patterns.without(patch));
        int key = probeKey(patch);
        List<Audio> notes = new ArrayList<>();
        for (int octave = -1; octave <= 1; octave++) {
            int at = key + 12 * octave;
            int heard = at >= 0 && at <= 127 && sounds(patch, at, PROBE_VELOCITY) ? at : key;
            notes.add(rendering.render(image, Phrase.single(heard, PROBE_VELOCITY, 1), FINGERPRINT_TAIL, Rendering.ControllerState.AT_REST).audio());
        }
        return Fingerprint.of(notes);
    }

    /** Voices of a unison that begin at random pull the pitch of one strike to a side; of three strikes, each with its own beginnings, the middle one counts. */
    private double ofThree(double[] image, int key, double attack, double first) {
        double held = 0.9;
        double apart = 1.3;
        Phrase strikes = new Phrase("strikes", "Strikes", 60, 3 * apart, List.of(new Note(key, PROBE_VELOCITY, 0, held), new Note(key, PROBE_VELOCITY, apart, held),
                new Note(key, PROBE_VELOCITY, 2 * apart, held)));
        Audio audio = rendering.render(image, strikes, 0, Rendering.ControllerState.AT_REST).audio();
        double[] found = {first, first, first};
        for (int n = 1; n < found.length; n++) {
            double hz = PitchFinder.hz(audio, n * apart + Math.min(0.25, attack + 0.05), n * apart + held);
            found[n] = Double.isNaN(hz) ? first : PitchFinder.centsFromKey(hz, key);
        }
        Arrays.sort(found);
        return found[1];
    }

    /** Notes of a phrase by which layers sound that the probe key does not have: of each such layer the note nearest to the probe key. */
    private static List<Note> others(Patch patch, int key, Phrase phrase) {
        Set<Integer> heard = new HashSet<>(layersAt(patch, key, PROBE_VELOCITY));
        List<Note> notes = new ArrayList<>();
        phrase.notes().stream().sorted(Comparator.comparingInt(n -> Math.abs(n.key() - key))).forEach(note -> {
            if (heard.addAll(layersAt(patch, note.key(), note.velocity()))) {
                notes.add(note);
            }
        });
        return notes;
    }

    /** The key nearest to C4 that sounds something. */
    public static int probeKey(Patch patch) {
        for (int distance = 0; distance < 128; distance++) {
            for (int key : new int[] {60 - distance, 60 + distance}) {
                if (key >= 0 && key <= 127 && sounds(patch, key, PROBE_VELOCITY)) {
                    return key;
                }
            }
        }
        return 60;
    }

    /** Whether any layer covers a key at a velocity. */
    public static boolean sounds(Patch patch, int key, int velocity) {
        return !layersAt(patch, key, velocity).isEmpty();
    }

    private static List<Integer> layersAt(Patch patch, int key, int velocity) {
        List<Integer> layers = new ArrayList<>();
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            int at = Parameters.ofLayer(layer, 0);
            if (patch.layerOn(layer) && key >= patch.value(at + LayerParameters.LOW_KEY)
                    && key <= patch.value(at + LayerParameters.HIGH_KEY)
                    && velocity >= patch.value(at + LayerParameters.LOW_VELOCITY)
                    && velocity <= patch.value(at + LayerParameters.HIGH_VELOCITY)) {
                layers.add(layer);
            }
        }
        return layers;
    }
}
