package gentlecomet.craft.format;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.format.PatchFiles.Contents;
import gentlecomet.craft.format.PatchFiles.Written;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.SoundFile;
import gentlecomet.sound.performance.Audio;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import org.junit.jupiter.api.Test;

/** A patch as a file of its own, and what a folder of files brings. */
class PatchFilesTest {

    private static final Patch BELL = Patch.neutral("Tide Bell, Près").withValue(Parameters.find("layer1.filter1.cutoff"), 800);
    private static final byte[] TONE = WavFormat.write24(new Audio(new float[480], new float[480], 48000));
    private static final SoundAsset ASSET = SoundAsset.read(TONE, "Creak.wav");
    private static final Patch PLAYING = BELL.withRecording(0, 1, new SoundFile(SoundFile.place(0, 1), ASSET.hash(), "Creak"));
    private static final Function<String, byte[]> NONE = hash -> null;

    private static byte[] json(Patch patch) {
        return PatchFormat.write(patch).getBytes(StandardCharsets.UTF_8);
    }

    private static String refusal(Map<String, byte[]> files) {
        return assertThrows(FormatException.class, () -> PatchFiles.read(files, NONE)).getMessage();
    }

    @Test
    void aPatchByItselfIsJsonThatReadsBackEqual() {
        Written file = PatchFiles.write(BELL, Map.of());
        assertEquals("tide-bell-pres.json", file.name());
        Contents back = PatchFiles.read(Map.of(file.name(), file.content()), NONE);
        assertEquals(BELL, back.patches().get(0).patch());
        assertTrue(back.assets().isEmpty());
    }

    @Test
    void onePlayingASoundFileBringsItAlongInAZip() {
        Written file = PatchFiles.write(PLAYING, Map.of(ASSET.hash(), TONE));
        assertEquals("tide-bell-pres.zip", file.name());
        Contents back = PatchFiles.read(ZipFormat.read(file.content(), file.name()), NONE);
        assertEquals(PLAYING, back.patches().get(0).patch());
        assertArrayEquals(TONE, back.assets().get(ASSET.hash()));
    }

    @Test
    void aSoundFileThatIsThereAlreadyNeedNotComeAgain() {
        Map<String, byte[]> alone = Map.of("bell.json", json(PLAYING));
        assertTrue(refusal(alone).contains("bell.json.recordings: the recording \"Creak\" is missing"));
        assertArrayEquals(TONE, PatchFiles.read(alone, hash -> hash.equals(ASSET.hash()) ? TONE : null).assets().get(ASSET.hash()));
    }

    @Test
    void aFolderBringsItsPatchesAndPassesOverOtherJson() {
        Map<String, byte[]> folder = new TreeMap<>(Map.of("Kit/patches/b.json", json(PLAYING), "Kit/patches/a.json", json(BELL), "Kit/sounds/" + ASSET.hash() + ".wav", TONE,
                "Kit/collection.json", "{\"format\": \"gentle-comet-collection\"}".getBytes(StandardCharsets.UTF_8)));
        assertEquals(List.of("Kit/patches/a.json", "Kit/patches/b.json"), PatchFiles.read(folder, NONE).patches().stream().map(PatchFiles.Placed::path).toList());
    }

    @Test
    void whatCannotBeReadIsRefusedByItsFileAndPlace() {
        String newer = PatchFormat.write(BELL).replace("\"version\": " + PatchFormat.VERSION, "\"version\": " + (PatchFormat.VERSION + 1));
        assertEquals("new.json.version: expected 1 to " + PatchFormat.VERSION + ", found " + (PatchFormat.VERSION + 1) + "; a newer Gentle Comet may read it",
                refusal(new TreeMap<>(Map.of("good.json", json(BELL), "new.json", newer.getBytes(StandardCharsets.UTF_8)))));
        assertTrue(refusal(Map.of("other.json", "{\"format\": \"else\"}".getBytes(StandardCharsets.UTF_8))).startsWith("other.json.format: expected"));
        assertTrue(refusal(Map.of("a.wav", TONE)).startsWith("The files: expected a patch"));
        assertTrue(refusal(Map.of("broken.json", "{".getBytes(StandardCharsets.UTF_8))).startsWith("broken.json"));
    }
}
