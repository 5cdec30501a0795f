package gentlecomet.craft.format;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Move;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.TempoChange;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;

/** Files against the JDK's own readers and writers (javax.sound, java.util.zip). */
class FilesTest {

    private static Audio noise(int frames) {
        Random random = new Random(3);
        float[] left = new float[frames];
        float[] right = new float[frames];
        for (int i = 0; i < frames; i++) {
            left[i] = random.nextFloat() * 2 - 1;
            right[i] = random.nextFloat() * 2 - 1;
        }
        return new Audio(left, right, 48000);
    }

    @Test
    void theJdkReadsOurWav() throws Exception {
        Audio audio = noise(1000);
        AudioInputStream in = AudioSystem.getAudioInputStream(new ByteArrayInputStream(WavFormat.write24(audio)));
        assertEquals(24, in.getFormat().getSampleSizeInBits());
        assertEquals(2, in.getFormat().getChannels());
        assertEquals(48000, in.getFormat().getSampleRate());
        assertEquals(1000, in.getFrameLength());
        byte[] frame = in.readNBytes(6);
        int left = frame[0] & 0xFF | (frame[1] & 0xFF) << 8 | frame[2] << 16;
        assertEquals(WavFormat.quantised(audio.left()[0]), left);
    }

    @Test
    void weReadTheJdksWav() throws Exception {
        byte[] pcm = new byte[400];
        new Random(1).nextBytes(pcm);
        var format = new javax.sound.sampled.AudioFormat(44100, 16, 1, true, false);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(pcm), format, 200), javax.sound.sampled.AudioFileFormat.Type.WAVE, out);
        Audio read = WavFormat.read(out.toByteArray(), "jdk.wav");
        assertEquals(200, read.frames());
        assertEquals(44100, read.sampleRate());
        assertEquals((short) (pcm[0] & 0xFF | pcm[1] << 8) / 32768f, read.left()[0]);
    }

    @Test
    void writtenAndReadAgainTheSamplesAreEqualAt24Bits() {
        Audio audio = noise(500);
        Audio again = WavFormat.read(WavFormat.write24(audio), "again");
        for (int i = 0; i < 500; i++) {
            assertEquals(WavFormat.quantised(audio.left()[i]), WavFormat.quantised(again.left()[i]));
        }
    }

    /** One convention for whole numbers of any size: full scale is two to the power of the bits less one (as javax.sound and AES17 take it). */
    @Test
    void wholeNumbersOfSixteenAndTwentyFourBitsStandForTheSameLevels() throws Exception {
        for (int bits : new int[] {16, 24}) {
            int bytes = bits / 8;
            int half = 1 << (bits - 2);
            byte[] pcm = new byte[2 * bytes * 64];
            for (int b = 0; b < bytes; b++) {
                pcm[b] = (byte) (half >> 8 * b);
                pcm[bytes + b] = (byte) (-(1 << (bits - 1)) >> 8 * b);
            }
            var format = new javax.sound.sampled.AudioFormat(48000, bits, 1, true, false);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(pcm), format, pcm.length / bytes), javax.sound.sampled.AudioFileFormat.Type.WAVE, out);
            Audio read = WavFormat.read(out.toByteArray(), "pcm.wav");
            assertEquals(0.5f, read.left()[0], bits + " bits");
            assertEquals(-1f, read.left()[1], bits + " bits");
        }
        assertEquals(4194304, WavFormat.quantised(0.5f));
        assertEquals(8388607, WavFormat.quantised(1));
        assertEquals(-8388608, WavFormat.quantised(-1));
    }

    @Test
    void brokenWavsAreRefused() {
        byte[] good = WavFormat.write24(noise(100));
        assertThrows(FormatException.class, () -> WavFormat.read(new byte[3], "tiny"));
        assertThrows(FormatException.class, () -> WavFormat.read(java.util.Arrays.copyOf(good, good.length - 50), "cut off"));
        assertThrows(FormatException.class, () -> WavFormat.read("not a wave file, but long enough to be one, surely".getBytes(StandardCharsets.UTF_8), "text"));
    }

    @Test
    void notesAndTempoOfAMidiFileAreRead() throws Exception {
        Sequence sequence = new Sequence(Sequence.PPQ, 480);
        Track track = sequence.createTrack();
        int micros = 500_000 * 4 / 3;
        track.add(new MidiEvent(new MetaMessage(0x51, new byte[] {(byte) (micros >> 16), (byte) (micros >> 8), (byte) micros}, 3), 0));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 0, 60, 100), 480));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 0, 60, 0), 1200));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 0, 64, 90), 1200));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_OFF, 0, 64, 101), 1440));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        MidiSystem.write(sequence, 1, out);
        Phrase phrase = MidiFormat.read(out.toByteArray(), "test.mid").phrase();
        assertEquals(90, phrase.tempo(), 0.01);
        assertEquals(1, phrase.notes().get(0).start(), 1e-9);
        assertEquals(1.5, phrase.notes().get(0).length(), 1e-9);
        assertEquals(64, phrase.notes().get(0).release(), "a note on with velocity 0 goes up as usual (MIDI 1.0)");
        assertEquals(101, phrase.notes().get(1).release());
        assertThrows(FormatException.class, () -> MidiFormat.read("nonsense".getBytes(StandardCharsets.UTF_8), "bad.mid"));
    }

    /** Tempo 120 for one quarter, then 60: the second quarter takes twice as long, so it is two beats of the first tempo. */
    @Test
    void controllersBendsPressureAndEveryTempoOfAMidiFileAreRead() throws Exception {
        Sequence sequence = new Sequence(Sequence.PPQ, 480);
        Track track = sequence.createTrack();
        track.add(tempo(500_000, 0));
        track.add(tempo(1_000_000, 480));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.PROGRAM_CHANGE, 0, 12, 0), 0));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 0, 60, 100), 0));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.CONTROL_CHANGE, 0, 1, 127), 240));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.PITCH_BEND, 0, 0, 96), 480));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.CHANNEL_PRESSURE, 3, 90, 0), 720));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_OFF, 0, 60, 0), 960));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        MidiSystem.write(sequence, 0, out);
        MidiFormat.Read read = MidiFormat.read(out.toByteArray(), "ride.mid");
        assertEquals(3, read.phrase().notes().get(0).length(), 1e-9);
        assertEquals(List.of(new Move(0.5, 0xB0, 1, 127), new Move(1, 0xE0, 0, 96), new Move(2, 0xD3, 90, 0)), read.phrase().moves());
        assertEquals(List.of(new TempoChange(1, 0.5)), read.phrase().tempoChanges());
        assertTrue(read.remarks().get(0).contains("another program once"), "what is not played is said: " + read.remarks());
    }

    private static MidiEvent tempo(int micros, long tick) throws Exception {
        return new MidiEvent(new MetaMessage(0x51, new byte[] {(byte) (micros >> 16), (byte) (micros >> 8), (byte) micros}, 3), tick);
    }

    @Test
    void damagedMidiFilesAreRefusedInWords() {
        byte[] head = {'M', 'T', 'h', 'd', 0, 0, 0, 6, 0, 0, 0, 1, 0, 96};
        refusedMidi(track(head, 0, 0x90, 0xC8, 0x64, 10, 0x80, 0x3C, 0x40, 0, 0xFF, 0x2F, 0), "");
        refusedMidi(track(head, 0, 0xFF, 0x51, 2, 7, 0xA1, 0, 0x90, 60, 100, 10, 0x80, 60, 64, 0, 0xFF, 0x2F, 0), "found 2 bytes");
        refusedMidi(track(head, 0, 0xFF, 0x51, 3, 0, 0, 0, 0, 0x90, 60, 100, 10, 0x80, 60, 64, 0, 0xFF, 0x2F, 0), "a tempo of three bytes above 0");
        byte[] good = track(head, 0, 0x90, 60, 100, 10, 0x80, 60, 64, 0, 0xFF, 0x2F, 0);
        Random random = new Random(5);
        for (int i = 0; i < 1000; i++) {
            byte[] damaged = good.clone();
            for (int n = 0; n <= i % 3; n++) {
                damaged[random.nextInt(damaged.length)] = (byte) random.nextInt();
            }
            try {
                MidiFormat.read(damaged, "damaged.mid");
            } catch (FormatException e) {
                assertTrue(e.getMessage().startsWith("damaged.mid: "), e.getMessage());
            }
        }
    }

    private static void refusedMidi(byte[] file, String words) {
        String message = assertThrows(FormatException.class, () -> MidiFormat.read(file, "bad.mid")).getMessage();
        assertTrue(message.startsWith("bad.mid: ") && message.contains(words) && !message.contains("java"), message);
    }

    private static byte[] track(byte[] head, int... events) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(head);
        out.writeBytes(new byte[] {'M', 'T', 'r', 'k', 0, 0, 0, (byte) events.length});
        for (int e : events) {
            out.write(e);
        }
        return out.toByteArray();
    }

    @Test
    void zipsDependOnTheirContentsAloneAndTheJdkReadsThem() throws Exception {
        Map<String, byte[]> files = Map.of("b/two.txt", "two".getBytes(StandardCharsets.UTF_8), "a.txt", "one".getBytes(StandardCharsets.UTF_8));
        byte[] zip = ZipFormat.write(files);
        assertArrayEquals(zip, ZipFormat.write(new java.util.HashMap<>(files)));
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            assertEquals("a.txt", in.getNextEntry().getName());
            assertEquals("one", new String(in.readAllBytes(), StandardCharsets.UTF_8));
            assertEquals("b/two.txt", in.getNextEntry().getName());
        }
        assertEquals(files.keySet(), ZipFormat.read(zip, "zip").keySet());
    }

    /** 16 banks of 128 patches with samples are more than 16 GB, without compression; what is small and unpacks to as much is none of ours. */
    @Test
    void anArchiveMayHoldAsMuchAsItIs() {
        assertFalse(ZipFormat.tooLarge(16_600_000_000L, 16_600_000_000L));
        assertFalse(ZipFormat.tooLarge(15_000_000_000L, 200_000_000L));
        assertTrue(ZipFormat.tooLarge(16_600_000_000L, 8_000_000_000L));
    }

    @Test
    void hostileZipsAreRefused() throws Exception {
        for (String path : new String[] {"../out.txt", "/etc/x", "a\\b", "c:x"}) {
            byte[] zip = zip(path, new byte[10]);
            assertTrue(assertThrows(FormatException.class, () -> ZipFormat.read(zip, "evil.zip")).getMessage().contains("not allowed"));
        }
        byte[] bomb = zip("zeros", new byte[300_000_000]);
        assertTrue(bomb.length < 400_000);
        for (boolean keep : new boolean[] {true, false}) {
            String told = assertThrows(FormatException.class, () -> ZipFormat.read(new ByteArrayInputStream(bomb), "bomb.zip", path -> keep)).getMessage();
            assertTrue(told.contains("100 times its size"), told);
        }
        assertThrows(FormatException.class, () -> ZipFormat.read(java.util.Arrays.copyOf(bomb, bomb.length / 2), "cut"));
        assertThrows(FormatException.class, () -> ZipFormat.read(new byte[] {'P', 'K', 3, 4, 9, 9}, "broken"));
        assertThrows(FormatException.class, () -> ZipFormat.read(new byte[0], "empty"));
    }

    /** 16 banks of 128 patches, each with its JSON and its demo; what is not asked for is hashed and not kept. */
    @Test
    void anArchiveOfSixteenFullBanksIsRead() {
        Map<String, byte[]> files = new java.util.TreeMap<>();
        for (int i = 0; i < 16 * 128; i++) {
            files.put("patches/" + i + ".json", new byte[] {1});
            files.put("demos/" + i + ".wav", new byte[] {2});
        }
        ZipFormat.Contents contents = ZipFormat.read(new ByteArrayInputStream(ZipFormat.write(files)), "full.zip", path -> path.endsWith(".json"));
        assertEquals(2048, contents.kept().size());
        assertEquals(4096, contents.hashes().size());
        // SHA-256 of the single byte 2, as sha256sum gives it.
        assertEquals("dbc1b4c900ffe48d575b5da5c638040125f65db0fe3e24494b76ea986457d986", contents.hashes().get("demos/7.wav"));
    }

    private static byte[] zip(String path, byte[] content) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry(path));
            zip.write(content);
        }
        return out.toByteArray();
    }
}
