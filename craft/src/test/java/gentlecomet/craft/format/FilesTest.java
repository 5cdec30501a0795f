package gentlecomet.craft.format;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Phrase;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
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
        Phrase phrase = MidiFormat.read(out.toByteArray(), "test.mid");
        assertEquals(90, phrase.tempo(), 0.01);
        assertEquals(1, phrase.notes().get(0).start(), 1e-9);
        assertEquals(1.5, phrase.notes().get(0).length(), 1e-9);
        assertEquals(64, phrase.notes().get(0).release(), "a note on with velocity 0 goes up as usual (MIDI 1.0)");
        assertEquals(101, phrase.notes().get(1).release());
        assertThrows(FormatException.class, () -> MidiFormat.read("nonsense".getBytes(StandardCharsets.UTF_8), "bad.mid"));
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

    @Test
    void hostileZipsAreRefused() throws Exception {
        for (String path : new String[] {"../out.txt", "/etc/x", "a\\b", "c:x"}) {
            byte[] zip = zip(path, new byte[10]);
            assertTrue(assertThrows(FormatException.class, () -> ZipFormat.read(zip, "evil.zip")).getMessage().contains("not allowed"));
        }
        byte[] bomb = zip("zeros", new byte[300_000_000]);
        assertTrue(bomb.length < 400_000);
        assertThrows(FormatException.class, () -> ZipFormat.read(java.util.Arrays.copyOf(bomb, bomb.length / 2), "cut"));
        assertThrows(FormatException.class, () -> ZipFormat.read(new byte[] {'P', 'K', 3, 4, 9, 9}, "broken"));
        assertThrows(FormatException.class, () -> ZipFormat.read(new byte[0], "empty"));
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
