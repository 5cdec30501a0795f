package gentlecomet.craft.release.check;

import gentlecomet.craft.measure.PitchFinder;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.craft.sample.PatchSampler;
import gentlecomet.craft.sample.SamplingPlan;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.pattern.Patterns;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.sound.midi.Instrument;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.MidiUnavailableException;
import javax.sound.midi.Receiver;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Soundbank;
import javax.sound.midi.Synthesizer;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;

/**
 * Plays a SoundFont by the JDK's own synthesizer and holds every sampled key and velocity against the patch, rendered again. The JDK's output stands a fixed gain below
 * the samples, so levels are compared with each other. Its synthesizer writes to no loudspeaker by way of an interface that the JDK keeps in a package of its own; a program that is
 * started without {@code --add-exports java.desktop/com.sun.media.sound=ALL-UNNAMED} cannot play, and says so.
 */
final class SoundFontCheck {

    private static final int RATE = 48_000;
    private static final double CENTS = 5;
    private static final double DB = 1;
    /** Seconds of a note that are compared, where its key is held for so long. */
    private static final double COMPARED = 1;
    /** Pitch is looked for from here on; levels are those of the whole note, as the synthesizer begins some milliseconds late. */
    private static final double FROM = 0.05;
    /** A note below it, in dB of full scale, has neither pitch nor level worth comparing at 16 bits. */
    private static final double QUIETEST = -72;
    private static final double SILENT = -100;
    /** Tenths of a second. */
    private static final int LONGEST_REST = 100;
    private static final int ALL_SOUND_OFF = 120;
    private static final int BYTES = 4;

    private final SamplingPlan plan;
    private final Recordings recordings;

    SoundFontCheck(SamplingPlan plan, Recordings recordings) {
        this.plan = plan;
        this.recordings = recordings;
    }

    /** What was heard of a bank. @param notes that were compared @param wrong what differs, in words */
    record Heard(int notes, List<String> wrong) {
    }

    private record Note(String words, double levelDb, double cents) {
    }

    /** @param bank the patches of the file @return empty where the JDK's synthesizer is not open to this program */
    Optional<Heard> play(Path file, List<ReleasePatch> bank) throws IOException {
        Method open = open();
        if (open == null) {
            return Optional.empty();
        }
        try {
            Soundbank soundbank = MidiSystem.getSoundbank(file.toFile());
            Map<Integer, Instrument> instruments = new HashMap<>();
            Arrays.stream(soundbank.getInstruments()).forEach(i -> instruments.put(i.getPatch().getProgram(), i));
            List<Note> notes = bank.parallelStream().filter(p -> instruments.containsKey(p.slot().number() - 1))
                    .flatMap(p -> play(open, instruments.get(p.slot().number() - 1), p.slot().patch()).stream()).toList();
            double gain = notes.stream().mapToDouble(Note::levelDb).sorted().skip(notes.size() / 2).findFirst().orElse(0);
            return Optional.of(new Heard(notes.size(), notes.stream().filter(n -> Math.abs(n.levelDb() - gain) > DB || Math.abs(n.cents()) > CENTS)
                    .map(n -> String.format("%s: %+.1f dB, %+.0f cents", n.words(), n.levelDb() - gain, n.cents())).toList()));
        } catch (InvalidMidiDataException e) {
            throw new IOException(e.getMessage(), e);
        }
    }

    private static Method open() {
        try {
            Class<?> type = Class.forName("com.sun.media.sound.AudioSynthesizer");
            return type.getModule().isExported(type.getPackageName(), SoundFontCheck.class.getModule()) ? type.getMethod("openStream", AudioFormat.class, Map.class) : null;
        } catch (ReflectiveOperationException e) {
            return null;
        }
    }

    private List<Note> play(Method open, Instrument instrument, Patch patch) {
        List<Note> notes = new ArrayList<>();
        double[] image = PatchImage.of(Patterns.without(patch));
        Rendering rendering = new Rendering(RATE, recordings);
        PatchSampler sampler = new PatchSampler(recordings, plan);
        try (Synthesizer synthesizer = MidiSystem.getSynthesizer();
             AudioInputStream stream = (AudioInputStream) open.invoke(synthesizer, new AudioFormat(RATE, 16, 2, true, false),
                     Map.of("reverb", false, "chorus", false, "auto gain control", false, "large mode", true, "load default soundbank", false))) {
            if (!synthesizer.loadInstrument(instrument)) {
                throw new IOException("the synthesizer of the JDK does not load " + patch.name());
            }
            Receiver receiver = synthesizer.getReceiver();
            receiver.send(new ShortMessage(ShortMessage.CONTROL_CHANGE, 0, 0, instrument.getPatch().getBank() >> 7), 0);
            receiver.send(new ShortMessage(ShortMessage.CONTROL_CHANGE, 0, 32, instrument.getPatch().getBank() & 0x7F), 0);
            receiver.send(new ShortMessage(ShortMessage.PROGRAM_CHANGE, 0, instrument.getPatch().getProgram(), 0), 0);
            double seconds = Math.min(COMPARED, plan.held());
            for (PatchSampler.Point at : sampler.points(patch)) {
                receiver.send(new ShortMessage(ShortMessage.NOTE_ON, 0, at.key(), at.velocity()), 0);
                Audio played = read(stream, (int) (seconds * RATE));
                receiver.send(new ShortMessage(ShortMessage.CONTROL_CHANGE, 0, ALL_SOUND_OFF, 0), 0);
                receiver.send(new ShortMessage(ShortMessage.NOTE_OFF, 0, at.key(), 0), 0);
                // What is left of a note would be heard in the next.
                for (int i = 0; i < LONGEST_REST && level(read(stream, RATE / 10), 0, RATE / 10) > SILENT; i++) {
                }
                Audio own = rendering.render(image, Phrase.single(at.key(), at.velocity(), seconds), 0, Rendering.ControllerState.AT_REST).audio();
                if (plan.mono()) {
                    own = PatchSampler.folded(own);
                }
                double level = level(own, seconds);
                if (level > QUIETEST) {
                    double hz = PitchFinder.hz(own, FROM, seconds);
                    double heard = PitchFinder.hz(played, FROM, seconds);
                    double cents = Double.isNaN(hz) || Double.isNaN(heard) ? 0 : 1200 * Math.log(heard / hz) / Math.log(2);
                    notes.add(new Note(patch.name() + ", key " + at.key() + " at " + at.velocity(), level(played, seconds) - level, cents));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InvalidMidiDataException | MidiUnavailableException | InvocationTargetException | IllegalAccessException e) {
            throw new IllegalStateException("the synthesizer of the JDK cannot be played", e);
        }
        return notes;
    }

    private static Audio read(AudioInputStream stream, int frames) throws IOException {
        byte[] bytes = stream.readNBytes(BYTES * frames);
        float[] left = new float[frames];
        float[] right = new float[frames];
        for (int i = 0; i < bytes.length / BYTES; i++) {
            left[i] = (short) (bytes[BYTES * i] & 0xFF | bytes[BYTES * i + 1] << 8) / 32768f;
            right[i] = (short) (bytes[BYTES * i + 2] & 0xFF | bytes[BYTES * i + 3] << 8) / 32768f;
        }
        return new Audio(left, right, RATE);
    }

    /** Of both channels together, in dB of full scale. */
    private static double level(Audio audio, double seconds) {
        return level(audio, 0, Math.min(audio.frames(), (int) (seconds * RATE)));
    }

    private static double level(Audio audio, int from, int to) {
        double sum = 0;
        for (int i = from; i < to; i++) {
            // Samples hold nothing beyond full scale.
            double left = Math.min(1, Math.abs(audio.left()[i]));
            double right = Math.min(1, Math.abs(audio.right()[i]));
            sum += left * left + right * right;
        }
        return 10 * Math.log10(Math.max(1e-12, sum / 2 / (to - from)));
    }
}
