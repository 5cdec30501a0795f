package gentlecomet.craft.sample;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.PitchFinder;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.lang.reflect.Method;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import javax.sound.midi.Instrument;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Receiver;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Soundbank;
import javax.sound.midi.Synthesizer;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Patches as samples, read back by others than their writers: the JDK's own synthesizer, a reader of opcodes, and the WAV reader of recordings. */
class SamplingTest {

    private static final SamplingPlan PLAN = new SamplingPlan(12, List.of(50, 110), 1.5, 1, 24, 48_000, false);
    private static final Patch HELD = patch("Held Sine", Map.of("layer1.source1.level", -12.0));
    private static final Patch PLUCKED = patch("Plucked", Map.of("layer1.source1.level", -12.0, "layer1.amplitude.decay", 1.0, "layer1.amplitude.sustain", -96.0));

    @TempDir
    private Path folder;

    private static Patch patch(String name, Map<String, Double> values) {
        Patch patch = Patch.neutral(name);
        patch = patch.withValue(Parameters.find("layer1.source1.wave"), Parameters.find("layer1.source1.wave").choices().indexOf("sine"));
        for (Map.Entry<String, Double> value : values.entrySet()) {
            assertNotNull(Parameters.find(value.getKey()), value.getKey());
            patch = patch.withValue(Parameters.find(value.getKey()), value.getValue());
        }
        return patch;
    }

    private static List<SampledNote> sampled(Patch patch) {
        return sampled(patch, PLAN);
    }

    private static List<SampledNote> sampled(Patch patch, SamplingPlan plan) {
        List<SampledNote> notes = new ArrayList<>();
        new PatchSampler(Recordings.NONE, plan).sample(patch, notes::add);
        return notes;
    }

    /** Takes of a key are made only where they differ, and the opcodes of turns name each once. */
    @Test
    void keysInWhichChancePlaysAPartHaveSeveralTakes() {
        SamplingPlan turns = SamplingPlan.of(24, 1, 0.5, 3, 24, 48_000, false);
        assertEquals(sampled(PLUCKED, SamplingPlan.of(24, 1, 0.5, 1, 24, 48_000, false)).size(), sampled(PLUCKED, turns).size(), "a sine is the same each time");
        Patch noise = HELD.withValue(Parameters.find("layer1.noise.level"), -12);
        List<SampledNote> notes = sampled(noise, turns);
        List<SampledNote> one = notes.stream().filter(n -> n.key() == notes.get(0).key()).toList();
        assertEquals(List.of(0, 1, 2), one.stream().map(SampledNote::robin).toList());
        assertFalse(Arrays.equals(one.get(0).audio().left(), one.get(1).audio().left()) || Arrays.equals(one.get(1).audio().left(), one.get(2).audio().left()));
        assertEquals(3, one.stream().map(SampledNote::fileName).distinct().count());
        SfzWriter sfz = new SfzWriter("Noise", "noise/");
        one.forEach(n -> sfz.region(n, n.fileName() + ".wav"));
        for (int turn = 1; turn <= 3; turn++) {
            assertTrue(sfz.toString().contains(" seq_length=3 seq_position=" + turn + " "), sfz.toString());
        }
    }

    /** The JDK's reader of WAV says what was asked for, and the sound is the same but for its steps. */
    @Test
    void samplesHaveTheBitsTheRateAndTheChannelsThatAreAskedFor() throws Exception {
        Patch wide = HELD.withValue(Parameters.find("layer1.zone.pan"), -60);
        SampledNote stereo = sampled(wide, SamplingPlan.of(24, 1, 0.5, 1, 24, 44_100, false)).get(1);
        SampledNote mono = sampled(wide, SamplingPlan.of(24, 1, 0.5, 1, 16, 44_100, true)).get(1);
        byte[] wav = SampleWav.write(mono, 16, Map.of("INAM", "Wide"));
        AudioFormat format = AudioSystem.getAudioInputStream(new ByteArrayInputStream(wav)).getFormat();
        assertEquals(16, format.getSampleSizeInBits());
        assertEquals(44_100, format.getSampleRate());
        assertEquals(1, format.getChannels());
        assertEquals(2, AudioSystem.getAudioInputStream(new ByteArrayInputStream(SampleWav.write(stereo, 24, Map.of()))).getFormat().getChannels());
        Audio read = WavFormat.read(wav, "mono.wav");
        for (int i = 0; i < Math.min(read.frames(), 10_000); i++) {
            assertEquals(0.5 * (stereo.audio().left()[i] + stereo.audio().right()[i]), read.left()[i], 1.6e-5, "half of each, within half a step of 16 bits");
        }
        assertEquals(0, PitchFinder.centsFromKey(PitchFinder.hz(read, 0.1, 0.5), mono.key()), 2, "at its own rate it has its own pitch");
    }

    /** Every key and velocity is stood for once. */
    @Test
    void samplesCoverEveryKeyAndVelocityOnceAndStopAtSplits() {
        Patch split = HELD.withValue(Parameters.find("layer1.zone.highKey"), 59).withValue(Parameters.find("layer1.zone.lowKey"), 30);
        for (Patch patch : List.of(HELD, split)) {
            List<SampledNote> notes = sampled(patch);
            int low = (int) patch.value(Parameters.find("layer1.zone.lowKey").index());
            int high = (int) patch.value(Parameters.find("layer1.zone.highKey").index());
            for (int key = 0; key < 128; key++) {
                for (int velocity : new int[] {1, 50, 80, 81, 110, 127}) {
                    int k = key;
                    int v = velocity;
                    long standing = notes.stream().filter(n -> k >= n.lowKey() && k <= n.highKey() && v >= n.lowVelocity() && v <= n.highVelocity()).count();
                    assertEquals(key >= low && key <= high ? 1 : 0, standing, "key " + key + " velocity " + velocity);
                }
            }
        }
    }

    /** What is left when the fundamental is taken out of a sine that goes round many times: at most -60 dB. */
    @Test
    void aLoopOfASineIsHeardNowhere() {
        for (SampledNote note : sampled(HELD)) {
            assertNotNull(note.loop(), "a held sound goes round, key " + note.key());
            if (note.velocity() != PLAN.velocities().get(0)) {
                continue;
            }
            double hz = 440 * Math.pow(2, (note.key() - 69) / 12.0);
            float[] round = round(note, 48000 * 4);
            assertTrue(residueDb(round, 48000, 48000, hz) < -60, "key " + note.key() + ": " + residueDb(round, 48000, 48000, hz) + " dB beside the fundamental");
        }
    }

    @Test
    void aSoundThatEndsByItselfHasNoLoopAndEndsInSilence() {
        for (SampledNote note : sampled(PLUCKED)) {
            assertNull(note.loop(), "key " + note.key());
            float[] x = note.audio().left();
            double peak = IntStream.range(0, x.length).mapToDouble(i -> Math.abs(x[i])).max().orElseThrow();
            assertTrue(Math.abs(x[x.length - 1]) < 0.01 * peak);
            assertTrue(note.audio().seconds() > 0.3, "its decay is whole");
        }
    }

    @Test
    void aWavSaysItsKeyAndItsLoop() {
        SampledNote note = sampled(HELD).get(2);
        byte[] wav = SampleWav.write(note, 24, Map.of("INAM", "Held Sine", "IART", "Nobody"));
        WavFormat.Sampler sampler = WavFormat.sampler(wav);
        assertEquals(note.key(), sampler.rootKey());
        assertEquals(note.loop().start(), sampler.loopStart());
        Audio read = WavFormat.read(wav, "sample.wav");
        assertEquals(note.audio().frames(), read.frames());
        for (int i = 0; i < read.frames(); i += 97) {
            assertEquals(note.audio().left()[i], read.left()[i], 1.0 / (1 << 23));
        }
    }

    /** A reader of its own, after the published list of opcodes: headers in angle brackets, opcodes name=value with blanks between them. */
    @Test
    void anSfzIsReadByItsOpcodes() {
        SfzWriter writer = new SfzWriter("Held Sine", "held/");
        List<SampledNote> notes = sampled(HELD);
        notes.forEach(n -> writer.region(n, "k" + n.key() + ".wav"));
        Map<String, String> control = new HashMap<>();
        List<Map<String, String>> regions = new ArrayList<>();
        Map<String, String> into = control;
        for (String word : writer.toString().replaceAll("//.*", "").strip().split("\\s+")) {
            if (word.startsWith("<")) {
                into = word.equals("<region>") ? new HashMap<>() : control;
                if (word.equals("<region>")) {
                    regions.add(into);
                }
            } else {
                into.put(word.substring(0, word.indexOf('=')), word.substring(word.indexOf('=') + 1));
            }
        }
        assertEquals("held/", control.get("default_path"));
        assertEquals(notes.size(), regions.size());
        for (int i = 0; i < regions.size(); i++) {
            Map<String, String> region = regions.get(i);
            SampledNote note = notes.get(i);
            assertEquals(note.key(), Integer.parseInt(region.get("pitch_keycenter")));
            assertEquals(note.lowKey() + " " + note.highKey() + " " + note.lowVelocity() + " " + note.highVelocity(), region.get("lokey") + " " + region.get("hikey") + " " + region.get("lovel") + " " + region.get("hivel"));
            assertEquals("loop_continuous", region.get("loop_mode"));
            assertEquals(note.loop().end() - 1, Integer.parseInt(region.get("loop_end")));
            assertTrue(Double.parseDouble(region.get("ampeg_release")) > 0);
        }
    }

    /** The JDK's own synthesizer loads the bank and plays it: the pitch within 5 cents, the level within 1 dB of the patch, at keys that were sampled and between. */
    @Test
    void aSoundFontPlaysAsThePatchDoesInTheSynthesizerOfTheJdk() throws Exception {
        Path bank = soundFont();
        Soundbank read = MidiSystem.getSoundbank(bank.toFile());
        List<String> instruments = Arrays.stream(read.getInstruments()).map(i -> i.getPatch().getBank() + " " + i.getPatch().getProgram() + " " + i.getName().strip()).toList();
        assertEquals(List.of("0 0 Held Sine", "0 6 A name with more tha"), instruments);
        Rendering own = new Rendering(48000, Recordings.NONE);
        List<Double> gains = new ArrayList<>();
        for (int key : new int[] {45, 57, 60, 64, 69}) {
            Audio played = byTheJdk(read, read.getInstruments()[0], key, 110);
            Audio patch = own.render(PatchImage.of(HELD), Phrase.single(key, 110, 3), 1, Rendering.ControllerState.AT_REST).audio();
            double hz = PitchFinder.hz(played, 0.5, 2.5);
            assertEquals(0, PitchFinder.centsFromKey(hz, key), 5, "cents at key " + key);
            // The JDK's output stands a fixed gain below; between two keys that must be the same.
            gains.add(Loudness.of(patch).momentaryMax() - Loudness.of(played).momentaryMax());
        }
        double mean = gains.stream().mapToDouble(g -> g).average().orElseThrow();
        gains.forEach(g -> assertEquals(mean, g, 1, "levels of the keys against each other: " + gains));
    }

    /** Loudness of two velocities against each other as in the patch: the bank's own velocity curves are out of the way. */
    @Test
    void velocityLayersOfASoundFontStandAsThePatchHasThem() throws Exception {
        Soundbank read = MidiSystem.getSoundbank(soundFont().toFile());
        Rendering own = new Rendering(48000, Recordings.NONE);
        double[] levels = new double[4];
        for (int i = 0; i < 2; i++) {
            int velocity = PLAN.velocities().get(i);
            levels[i] = Loudness.of(byTheJdk(read, read.getInstruments()[0], 69, velocity)).momentaryMax();
            levels[2 + i] = Loudness.of(own.render(PatchImage.of(HELD), Phrase.single(69, velocity, 3), 1, Rendering.ControllerState.AT_REST).audio()).momentaryMax();
        }
        assertEquals(levels[3] - levels[2], levels[1] - levels[0], 1, "dB from soft to hard");
    }

    @Test
    void namesOfPresetsHaveTwentyPlainCharacters() {
        assertEquals("Ecume", SoundFontWriter.name("\u00c9cume"));
        assertEquals(20, SoundFontWriter.name("A name with more than twenty characters").length());
        assertEquals("?", SoundFontWriter.name("\u2603"));
        assertThrows(IllegalArgumentException.class, () -> SamplingPlan.of(0, 1, 2, 1, 24, 48_000, false));
        assertThrows(IllegalArgumentException.class, () -> SamplingPlan.of(4, 1, 2, 5, 24, 48_000, false));
        assertThrows(IllegalArgumentException.class, () -> SamplingPlan.of(4, 1, 2, 1, 20, 48_000, false));
        assertFalse(SamplingPlan.USUAL.lowest(1) <= SamplingPlan.USUAL.highest(0));
    }

    private Path soundFont() throws Exception {
        Path bank = folder.resolve("bank.sf2");
        try (SoundFontWriter font = new SoundFontWriter(folder.resolve("data"))) {
            font.begin("Held Sine", 0, 0);
            for (SampledNote note : sampled(HELD)) {
                font.add(note);
            }
            font.begin("A name with more than twenty characters", 0, 6);
            for (SampledNote note : sampled(PLUCKED)) {
                font.add(note);
            }
            font.write(bank, Map.of("INAM", "Test bank", "isng", "any"));
        }
        assertEquals(Files.size(bank) - 8, ByteBuffer.wrap(Files.readAllBytes(bank)).order(ByteOrder.LITTLE_ENDIAN).getInt(4), "RIFF says its size");
        return bank;
    }

    /** Three seconds of a key, by way of AudioSynthesizer, which the JDK keeps in a package of its own. */
    private static Audio byTheJdk(Soundbank bank, Instrument instrument, int key, int velocity) throws Exception {
        Synthesizer synthesizer = MidiSystem.getSynthesizer();
        Method open = Class.forName("com.sun.media.sound.AudioSynthesizer").getMethod("openStream", AudioFormat.class, Map.class);
        AudioInputStream stream = (AudioInputStream) open.invoke(synthesizer, new AudioFormat(48000, 16, 2, true, false), Map.of("reverb", false, "chorus", false, "auto gain control", false, "large mode", true));
        synthesizer.unloadAllInstruments(synthesizer.getDefaultSoundbank() == null ? bank : synthesizer.getDefaultSoundbank());
        assertTrue(synthesizer.loadInstrument(instrument));
        Receiver receiver = synthesizer.getReceiver();
        receiver.send(new ShortMessage(ShortMessage.PROGRAM_CHANGE, 0, instrument.getPatch().getProgram(), 0), 0);
        receiver.send(new ShortMessage(ShortMessage.NOTE_ON, 0, key, velocity), 0);
        byte[] bytes = read(stream, 4 * 48000 * 3);
        synthesizer.close();
        float[] left = new float[bytes.length / 4];
        float[] right = new float[bytes.length / 4];
        for (int i = 0; i < left.length; i++) {
            left[i] = (short) (bytes[4 * i] & 0xFF | bytes[4 * i + 1] << 8) / 32768f;
            right[i] = (short) (bytes[4 * i + 2] & 0xFF | bytes[4 * i + 3] << 8) / 32768f;
        }
        return new Audio(left, right, 48000);
    }

    private static byte[] read(InputStream in, int size) throws Exception {
        byte[] bytes = new byte[size];
        for (int at = 0; at < size;) {
            at += in.read(bytes, at, size - at);
        }
        return bytes;
    }

    private static float[] round(SampledNote note, int frames) {
        float[] out = new float[frames];
        for (int i = 0, at = 0; i < frames; i++) {
            out[i] = note.audio().left()[at++];
            at = at == note.loop().end() ? note.loop().start() : at;
        }
        return out;
    }

    /** Least squares of sine and cosine of a frequency, and what they leave over, in dB to what they take. */
    private static double residueDb(float[] x, int from, int frames, double hz) {
        double best = Double.MAX_VALUE;
        // The loop makes the pitch a hair different: what is nearest within a cent counts.
        for (double cents = -1; cents <= 1; cents += 0.04) {
            double w = 2 * Math.PI * hz * Math.pow(2, cents / 1200) / 48000;
            double ss = 0;
            double sc = 0;
            double cc = 0;
            double xs = 0;
            double xc = 0;
            double all = 0;
            for (int i = 0; i < frames; i++) {
                double sine = Math.sin(w * i);
                double cosine = Math.cos(w * i);
                ss += sine * sine;
                sc += sine * cosine;
                cc += cosine * cosine;
                xs += x[from + i] * sine;
                xc += x[from + i] * cosine;
                all += (double) x[from + i] * x[from + i];
            }
            double a = (xs * cc - xc * sc) / (ss * cc - sc * sc);
            double b = (xc * ss - xs * sc) / (ss * cc - sc * sc);
            double taken = a * xs + b * xc;
            best = Math.min(best, 10 * Math.log10(Math.max(1e-12, (all - taken) / taken)));
        }
        return best;
    }
}
