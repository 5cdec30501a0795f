package gentlecomet.craft.format;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.SoundFile;
import gentlecomet.sound.performance.Audio;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Sound files on their way in, and on their way with a collection. */
class AssetFilesTest {

    private static final byte[] TONE = WavFormat.write24(tone(4800));

    private static Audio tone(int frames) {
        float[] samples = new float[frames];
        for (int i = 0; i < frames; i++) {
            samples[i] = (float) (0.5 * Math.sin(2 * Math.PI * 440 * i / 48000));
        }
        return new Audio(samples, samples, 48000);
    }

    @Test
    void aCollectionBringsItsSoundFilesAndReadsThemBack() {
        SoundAsset asset = SoundAsset.read(TONE, "C:\\takes\\Low Tone.wav");
        assertEquals("Low Tone", asset.name());
        Patch patch = Patch.neutral("Holder").withRecording(0, 1, new SoundFile(SoundFile.place(0, 1), asset.hash(), asset.name()));
        CollectionFile collection = new CollectionFile("Kit", "", "", HouseRules.DEFAULT,
                List.of(new CollectionFile.Bank("A", List.of(new CollectionFile.Slot(1, patch)))), Map.of(asset.hash(), TONE));
        Map<String, byte[]> files = CollectionFormat.write(collection);
        CollectionFile back = CollectionFormat.read(files);
        assertArrayEquals(TONE, back.assets().get(asset.hash()));
        assertNotNull(new AssetFiles(back.assets()).find(asset.key()));
        assertNull(new AssetFiles(back.assets()).find(1));

        Map<String, byte[]> without = new TreeMap<>(files);
        without.remove(AssetFiles.path(asset.hash()));
        FormatException missing = assertThrows(FormatException.class, () -> CollectionFormat.read(without));
        assertTrue(missing.getMessage().contains("Low Tone"), missing.getMessage());

        Map<String, byte[]> other = new TreeMap<>(files);
        other.put(AssetFiles.path(asset.hash()), WavFormat.write24(tone(2400)));
        assertTrue(assertThrows(FormatException.class, () -> CollectionFormat.read(other)).getMessage().contains("hash"));
    }

    @Test
    void whatIsNoSoundIsRefusedWithAReason() {
        assertRefused("expected a RIFF/WAVE file", "not a sound at all, only words, and more words".getBytes());
        assertRefused("says it has", Arrays.copyOf(TONE, TONE.length / 2));
        assertRefused("expected at most 60 s", WavFormat.write24(new Audio(new float[8000 * 61], new float[8000 * 61], 8000)));
        assertRefused("at least 16 samples", WavFormat.write24(tone(3)));
        ByteBuffer floats = ByteBuffer.allocate(44 + 400).order(ByteOrder.LITTLE_ENDIAN);
        floats.put("RIFF".getBytes()).putInt(436).put("WAVEfmt ".getBytes()).putInt(16).putShort((short) 3).putShort((short) 1).putInt(48000)
                .putInt(192000).putShort((short) 4).putShort((short) 32).put("data".getBytes()).putInt(400);
        for (int i = 0; i < 100; i++) {
            floats.putFloat(i == 70 ? Float.NaN : 0.1f);
        }
        assertRefused("frame 70", floats.array());
    }

    private static void assertRefused(String words, byte[] content) {
        FormatException refusal = assertThrows(FormatException.class, () -> SoundAsset.read(content, "take.wav"));
        assertTrue(refusal.getMessage().contains(words) && refusal.getMessage().startsWith("take.wav"), refusal.getMessage());
    }

    /** The "smpl" part as the Multimedia Programming Interface (Microsoft and IBM, 1991) lays it out: unity note and the first loop. */
    @Test
    void rootKeyAndLoopAreReadFromTheFile() {
        ByteBuffer out = ByteBuffer.allocate(TONE.length + 68).order(ByteOrder.LITTLE_ENDIAN);
        out.put(TONE).put("smpl".getBytes()).putInt(60);
        int[] numbers = {0, 0, 20833, 57, 0, 0, 0, 1, 0, 0, 0, 1000, 3999, 0, 0};
        for (int n : numbers) {
            out.putInt(n);
        }
        out.putInt(4, TONE.length + 60);
        WavFormat.Sampler sampler = WavFormat.sampler(out.array());
        assertEquals(new WavFormat.Sampler(57, 1000, 3999), sampler);
        assertEquals(4800, WavFormat.read(out.array(), "looped").frames());
        assertNull(WavFormat.sampler(TONE));
    }
}
