package gentlecomet.craft.probe;

import gentlecomet.craft.measure.Difference;
import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.measure.PowerSpectrum;
import gentlecomet.craft.measure.StereoImage;
import gentlecomet.craft.measure.Timbre;
import gentlecomet.craft.response.ResponseMap;
import gentlecomet.craft.response.SplitStep;
import gentlecomet.sound.engine.Cost;
import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.NoiseParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.pattern.Patterns;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Note;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.function.Supplier;

/** Renders and measures everything that the soundcheck asks of a patch: about two minutes of sound. Keeps an engine; one thread at a time. */
public final class Probing {

    private static final int EVERY = 6;
    private static final int[] TOUCHES = {1, 16, 48, 80, 100, 127};
    private static final int[] CHORD = {0, 4, 7, 12, 16};
    private static final int STRIKES = 10;
    private static final double HELD_SECONDS = 1;
    private static final double TAIL_SECONDS = 0.3;
    private static final double HOLD_SECONDS = 8;
    private static final double OCTAVE_FROM = 20;

    private final Recordings recordings;
    private final Measuring measuring;
    private final ProbeNotes notes;

    /** For patches without recordings. */
    public Probing() {
        this(Recordings.NONE);
    }

    public Probing(Recordings recordings) {
        this.recordings = recordings;
        measuring = new Measuring(recordings);
        notes = new ProbeNotes(new Rendering(Measuring.RATE, recordings));
    }

    /** Everything, with the measurement of the phrase. */
    public Probes probe(Patch patch, Phrase phrase) {
        return probe(patch, phrase, null);
    }

    /** The same, where another state of the patch has been probed: what has not changed since is taken from there. */
    public Probes probe(Patch patch, Phrase phrase, Probes earlier) {
        return probe(patch, phrase, measuring.measure(patch, phrase), earlier);
    }

    /**
     * The rest, where the phrase has been measured.
     *
     * @param phrase  of its category
     * @param earlier what was probed of another state of the patch, or null: what cannot have changed since is taken from there
     */
    public Probes probe(Patch patch, Phrase phrase, Measurement measurement, Probes earlier) {
        ProbePieces pieces = new ProbePieces(earlier);
        Heard all = new Heard(patch);
        double[] whole = PatchImage.of(patch);
        // Single notes are told by themselves: a pattern would stand before each of them.
        Patch single = Patterns.without(patch);
        double[] image = PatchImage.of(single);
        Heard heard = new Heard(single);
        List<KeyProbe> keys = keys(patch, image, heard, pieces);
        ClickProbing clicks = new ClickProbing(notes, single);
        List<HandProbe> hands = new HandProbing(notes, patch, all, pieces).all();
        int key = measurement.probeKey();
        String middle = key + " " + heard.notes(List.of(key), ProbeNotes.VELOCITY);
        boolean repeats = pieces.of("twice", middle, Probes::repeats, () -> Difference.db(notes.note(image, key, ProbeNotes.VELOCITY, HELD_SECONDS, TAIL_SECONDS),
                notes.note(image, key, ProbeNotes.VELOCITY, HELD_SECONDS, TAIL_SECONDS)) <= Loudness.SILENT);
        double[] spread = pieces.of("strikes", middle, p -> new double[] {p.repeatDb(), p.repeatOctaves()}, () -> repeat(image, key));
        List<Integer> chord = chord(patch, key);
        String chordClip = String.join("+", chord.stream().map(KeyName::of).toList()) + ":100:1.5";
        double chordPeak = pieces.of("chord", chord + all.notes(chord, ProbeNotes.VELOCITY), Probes::chordPeakDbtp, () -> ProbeNotes.peak(notes.play(whole,
                ProbeNotes.notes(1.5, chord.stream().map(k -> new Note(k, ProbeNotes.VELOCITY, 0, 1.5)).toList()), 0.3, Rendering.ControllerState.AT_REST).audio()));
        int highest = keys.isEmpty() ? key : keys.get(keys.size() - 1).key();
        Loud loud = loud(patch, hands, key);
        double loudPeak = pieces.of("loud", loud.clip + " " + all.everything(), Probes::loudPeakDbtp, loud::peak);
        double aliasing = pieces.of("aliasing", highest + " " + heard.notes(List.of(highest), ProbeNotes.VELOCITY), Probes::aliasingDb,
                () -> aliasing(single, image, keys.isEmpty() ? null : keys.get(keys.size() - 1)));
        return new Probes(measurement, pieces.of("phrase", phrase(all, phrase), Probes::phrase, () -> phrase(whole, phrase)), keys, touch(patch, image, key, keys, heard, pieces), hands,
                pieces.of("hold", middle, Probes::hold, () -> hold(image, key)), pieces.of("start", middle, Probes::starts, clicks::start), pieces.of("end", middle, Probes::ends, clicks::end),
                pieces.of("changes", heard.atRest(), Probes::changes, clicks::changes), spread[0], spread[1], random(patch), repeats, chordPeak, chordClip, loudPeak, loud.clip, aliasing, highest,
                new PartProbing(notes, patch, all, pieces).all(), pieces.of("splits", all.atRest(), Probes::splits, () -> SplitStep.of(patch, recordings)),
                SampleLevels.rounded(Cost.ofVoice(image)), pieces.heard());
    }

    /** What the phrase can make heard: of one that moves hands, everything. */
    private static String phrase(Heard heard, Phrase phrase) {
        return Heard.digest(phrase.toString()) + " " + (phrase.moves().isEmpty() && phrase.rides().isEmpty() ? heard.atRest() : heard.everything());
    }

    private PhraseProbe phrase(double[] image, Phrase phrase) {
        Rendering.Result played = notes.play(image, phrase, 3, Rendering.ControllerState.AT_REST);
        Audio audio = played.audio();
        int over = 0;
        for (int i = 0; i < audio.frames(); i++) {
            over += Math.abs(audio.left()[i]) > 1 || Math.abs(audio.right()[i]) > 1 ? 1 : 0;
        }
        int end = Math.min(audio.frames(), (int) (phrase.seconds() * Measuring.RATE));
        PowerSpectrum spectrum = PowerSpectrum.of(audio, 0, end);
        double all = spectrum.power(OCTAVE_FROM / 2, 22000) + 1e-20;
        List<Double> octaves = new ArrayList<>();
        for (double low = OCTAVE_FROM; low < 20000; low *= 2) {
            octaves.add(SampleLevels.rounded(10 * Math.log10(spectrum.power(low, 2 * low) / all + 1e-12)));
        }
        Double mud = null;
        double tail = phrase.seconds() + 0.3;
        if (audio.seconds() > tail + 0.4 && SampleLevels.dbfs(audio, tail, tail + 0.4) > -50) {
            PowerSpectrum after = PowerSpectrum.of(audio, (int) (tail * Measuring.RATE), audio.frames());
            mud = SampleLevels.rounded(10 * Math.log10(after.power(15, 150) / (after.power(15, 20000) + 1e-20) + 1e-12));
        }
        return new PhraseProbe(over, played.faults(), StereoImage.of(audio, spectrum, 0, end), octaves, SampleLevels.rounded(10 * Math.log10(spectrum.power(5, 30) / all + 1e-12)), mud,
                SampleLevels.rounded(SampleLevels.peakDb(audio) - SampleLevels.dbfs(audio, 0, phrase.seconds())));
    }

    /** Every sixth key that sounds within a piano's range, and both ends. */
    private List<KeyProbe> keys(Patch patch, double[] image, Heard heard, ProbePieces pieces) {
        TreeSet<Integer> all = new TreeSet<>();
        for (int key = ResponseMap.LOWEST; key <= ResponseMap.HIGHEST; key++) {
            if (Measuring.sounds(patch, key, ProbeNotes.VELOCITY)) {
                all.add(key);
            }
        }
        if (all.isEmpty()) {
            return List.of();
        }
        int first = all.first();
        int last = all.last();
        List<KeyProbe> probes = new ArrayList<>();
        for (int key : all) {
            if ((key - first) % EVERY == 0 || key == last) {
                probes.add(pieces.of("key " + key, heard.notes(List.of(key), ProbeNotes.VELOCITY), p -> find(p.keys(), key, ProbeNotes.VELOCITY), () -> ProbeNotes.keyProbe(patch,
                        notes.note(image, key, ProbeNotes.VELOCITY, HELD_SECONDS, TAIL_SECONDS), key, ProbeNotes.VELOCITY, HELD_SECONDS, true)));
            }
        }
        return probes;
    }

    private static KeyProbe find(List<KeyProbe> probes, int key, int velocity) {
        return probes.stream().filter(p -> p.key() == key && p.velocity() == velocity).findFirst().orElse(null);
    }

    private List<KeyProbe> touch(Patch patch, double[] image, int middle, List<KeyProbe> keys, Heard heard, ProbePieces pieces) {
        List<KeyProbe> found = new ArrayList<>();
        TreeSet<Integer> places = new TreeSet<>(List.of(middle));
        if (!keys.isEmpty()) {
            places.add(keys.get(keys.size() / 5).key());
            places.add(keys.get(keys.size() * 4 / 5).key());
        }
        for (int key : places) {
            for (int velocity : TOUCHES) {
                if ((key == middle || velocity != 1 && velocity != ProbeNotes.VELOCITY) && Measuring.sounds(patch, key, velocity)) {
                    found.add(pieces.of("key " + key + " at " + velocity, heard.notes(List.of(key), velocity), p -> find(p.touch(), key, velocity),
                            () -> ProbeNotes.keyProbe(patch, notes.note(image, key, velocity, HELD_SECONDS, 0.1), key, velocity, HELD_SECONDS, false)));
                }
            }
        }
        return found;
    }

    private HoldProbe hold(double[] image, int key) {
        Audio audio = notes.note(image, key, ProbeNotes.VELOCITY, HOLD_SECONDS, 2);
        List<Double> course = new ArrayList<>();
        for (int step = 0; step < audio.seconds() * 10 - 0.5; step++) {
            course.add(SampleLevels.rounded(SampleLevels.dbfs(audio, 0.1 * step, 0.1 * step + 0.1)));
        }
        double early = SampleLevels.dbfs(audio, 2, 4);
        double late = SampleLevels.dbfs(audio, 6, HOLD_SECONDS);
        int top = 0;
        for (int i = 1; i < Math.min(course.size(), 75); i++) {
            top = course.get(i) > course.get(top) ? i : top;
        }
        double decay = course.isEmpty() ? 0 : course.get(top) - course.get(Math.min(course.size() - 1, top + 5));
        Double first = ProbeNotes.cents(audio, key, 1, 2);
        Double last = ProbeNotes.cents(audio, key, 6, 7);
        double rms = SampleLevels.dbfs(audio, 0, HOLD_SECONDS);
        return new HoldProbe(course, late <= -80 ? 0 : SampleLevels.rounded(late - early), SampleLevels.rounded(decay), late <= -80 ? 0 : SampleLevels.rounded((SampleLevels.dbfs(audio, 7, 8) - SampleLevels.dbfs(audio, 4, 5)) / 3),
                first == null || last == null || SampleLevels.dbfs(audio, 6, 7) < -60 ? null : Double.valueOf(SampleLevels.rounded(last - first)), SampleLevels.dcPercent(audio, 0, HOLD_SECONDS), SampleLevels.rounded(SampleLevels.peakDb(audio) - rms),
                SampleLevels.rounded(SampleLevels.dbfs(audio, audio.seconds() - 0.1, audio.seconds())));
    }

    /** How far ten strikes of a key differ in loudness and brightness. */
    private double[] repeat(double[] image, int key) {
        double apart = 0.8;
        List<Note> strikes = new ArrayList<>();
        for (int n = 0; n < STRIKES; n++) {
            strikes.add(new Note(key, ProbeNotes.VELOCITY, n * apart, 0.45));
        }
        Audio audio = notes.play(image, ProbeNotes.notes(STRIKES * apart, strikes), 0, Rendering.ControllerState.AT_REST).audio();
        double[] least = {1e9, 1e9};
        double[] most = {-1e9, -1e9};
        // The first strike has nothing ringing before it.
        for (int n = 1; n < STRIKES; n++) {
            int from = (int) (n * apart * Measuring.RATE);
            int to = from + (int) (0.45 * Measuring.RATE);
            double level = SampleLevels.dbfs(audio, n * apart, n * apart + 0.45);
            double octave = Math.log(Math.max(20, Timbre.of(audio, from, to).brightnessHz())) / Math.log(2);
            least = new double[] {Math.min(least[0], level), Math.min(least[1], octave)};
            most = new double[] {Math.max(most[0], level), Math.max(most[1], octave)};
        }
        return new double[] {SampleLevels.rounded(most[0] - least[0]), SampleLevels.rounded(most[1] - least[1])};
    }

    /** Whether anything in the patch is drawn anew for each note, or runs on between notes. */
    private static boolean random(Patch patch) {
        boolean random = patch.routes().stream().anyMatch(r -> r.source() == Modulator.RANDOM || r.source() == Modulator.ALTERNATE || r.source().name().startsWith("LFO"));
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            if (patch.layerOn(layer)) {
                int noise = Parameters.ofLayer(layer, LayerParameters.NOISE + NoiseParameters.LEVEL);
                random |= patch.soundingValue(Parameters.at(noise)) > Parameters.at(noise).min();
                for (int source = 0; source < LayerParameters.SOURCES; source++) {
                    int at = Parameters.ofSource(layer, source, 0);
                    int wave = (int) patch.value(at + SourceParameters.WAVE);
                    random |= patch.value(at + SourceParameters.PHASE_START) != SourceParameters.PHASE_FIXED || patch.value(at + SourceParameters.RANDOM_PITCH) > 0
                            || wave == SourceParameters.WAVE_NOISE || wave == SourceParameters.WAVE_BODY;
                }
            }
        }
        return random;
    }

    /** Five keys that the patch plays, from its middle up, or down where it ends. */
    private static List<Integer> chord(Patch patch, int key) {
        TreeSet<Integer> keys = new TreeSet<>();
        for (int interval : CHORD) {
            int up = key + interval;
            int down = key - interval;
            keys.add(up <= 127 && Measuring.sounds(patch, up, ProbeNotes.VELOCITY) ? up : down >= 0 && Measuring.sounds(patch, down, ProbeNotes.VELOCITY) ? down : key);
        }
        return List.copyOf(keys);
    }

    /** One note with every hand where it is loudest. */
    private record Loud(Supplier<Double> sound, String clip) {
        double peak() {
            return sound.get();
        }
    }

    private Loud loud(Patch patch, List<HandProbe> hands, int key) {
        Patch state = patch;
        StringBuilder clip = new StringBuilder();
        List<Consumer<Engine>> moves = new ArrayList<>();
        for (HandProbe hand : hands) {
            HandProbe.Point loudest = hand.points().stream().max((a, b) -> Double.compare(a.peakDbtp(), b.peakDbtp())).orElseThrow();
            if (hand.macro() >= 0) {
                state = state.withValue(Parameters.at(PatchParameters.MACRO + hand.macro()), loudest.position());
                clip.append(hand.hand()).append('=').append((int) loudest.position()).append(' ');
            } else if (hand.hand().equals("wheel") && loudest.position() > 0) {
                moves.add(engine -> engine.modWheel(loudest.position() / 100));
                clip.append("wheel=").append((int) loudest.position()).append(' ');
            } else if (hand.hand().equals("pressure") && loudest.position() > 0) {
                moves.add(engine -> engine.aftertouch(loudest.position() / 100));
                clip.append("pressure=").append((int) loudest.position()).append(' ');
            }
        }
        double[] image = PatchImage.of(state);
        return new Loud(() -> ProbeNotes.peak(notes.play(image, Phrase.single(key, 127, HELD_SECONDS), 0.5, engine -> moves.forEach(m -> m.accept(engine))).audio()), clip + KeyName.of(key) + ":127:1");
    }

    /**
     * What the highest key has below its pitch that a rendering at four times the rate has not, against all of it: only folding puts something there. Partials and bodies, which are added up
     * below half the rate, do not fold, and noise is everywhere.
     */
    private double aliasing(Patch patch, double[] image, KeyProbe key) {
        if (image[PatchParameters.OVERSAMPLING] == 2 || key == null || key.figures().cents() == null || unpitched(patch)) {
            return Loudness.SILENT;
        }
        double[] finer = PatchImage.of(patch.withValue(Parameters.at(PatchParameters.OVERSAMPLING), 2));
        Audio own = notes.note(image, key.key(), ProbeNotes.VELOCITY, 0.6, 0);
        Audio fine = notes.note(finer, key.key(), ProbeNotes.VELOCITY, 0.6, 0);
        double hz = 440 * Math.pow(2, (key.key() - 69 + key.figures().cents() / 100) / 12);
        return PowerSpectrum.of(own, 0, own.frames()).risesAbove(PowerSpectrum.of(fine, 0, fine.frames()), 60, 0.85 * hz);
    }

    /** Whether some source has no periodic wave. */
    private static boolean unpitched(Patch patch) {
        boolean any = false;
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            for (int source = 0; patch.layerOn(layer) && source < LayerParameters.SOURCES; source++) {
                int wave = (int) patch.value(Parameters.ofSource(layer, source, SourceParameters.WAVE));
                boolean heard = patch.soundingValue(Parameters.at(Parameters.ofSource(layer, source, SourceParameters.LEVEL))) > SourceParameters.OFF_DB;
                any |= heard && (wave == SourceParameters.WAVE_NOISE || wave >= SourceParameters.WAVE_PARTIALS);
            }
            int noise = Parameters.ofLayer(layer, LayerParameters.NOISE + NoiseParameters.LEVEL);
            any |= patch.layerOn(layer) && patch.soundingValue(Parameters.at(noise)) > Parameters.at(noise).min();
        }
        return any;
    }
}
