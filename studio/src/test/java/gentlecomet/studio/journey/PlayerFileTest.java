package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.deque.html.axecore.selenium.AxeBuilder;
import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.craft.release.build.PlayerExporter;
import gentlecomet.craft.release.build.ReleaseContents;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.engine.Safety;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.patch.ShippedPatch;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.springframework.beans.factory.annotation.Autowired;

/** The player that ships in a release, opened from disk. */
class PlayerFileTest extends OnTheScreen {

    private static final int FRAMES = 24_000;
    /** The engine and the patches that the file itself holds, with the audio thread left out. */
    private static final String SAMPLES = """
            const [n, frames, done] = arguments;
            const engine = new Function(document.getElementById('worklet').textContent.split('// The audio thread of the player')[0] + '; return engine;')();
            const h = engine.create(48000);
            for (const [key, r] of Object.entries(kit.recordings)) {
              const left = floats(r.left);
              engine.provide(h, Number(key), left, r.right ? floats(r.right) : left, r.rate);
            }
            engine.load(h, image(kit.patches[n]));
            engine.setGain(h, 1);
            const left = new Float32Array(frames), right = new Float32Array(frames);
            engine.midi(h, 0x90, 48, 100); engine.midi(h, 0x90, 64, 70); engine.midi(h, 0xB0, 1, 76);
            for (let at = 0; at < frames; at += 128) { engine.render(h, left, right, at, Math.min(128, frames - at)); }
            const both = new Float32Array(2 * frames);
            both.set(left); both.set(right, frames);
            crypto.subtle.digest('SHA-256', both.buffer).then(d => done([...new Uint8Array(d)].map(b => b.toString(16).padStart(2, '0')).join('')), e => done('failed: ' + e));
            """;

    @Autowired
    private Assets assets;

    private ReleaseContents contents() {
        CollectionRow collection = collections.get(demo());
        Measurement one = new Measuring().measure(Patch.neutral("Any"), Phrases.get("line"));
        List<ShippedPatch> shipped = patches.latestRevisions(collection.id());
        List<ReleasePatch> all = shipped.stream().map(p -> new ReleasePatch(p.bank(), new CollectionFile.Slot(p.slot(), p.patch()), p.revision(), one)).toList();
        CollectionFile file = new CollectionFile(collection.name(), collection.author(), "Play <it> as you like.", collection.rules(),
                List.of(new CollectionFile.Bank(shipped.get(0).bank().name(), all.stream().map(ReleasePatch::slot).toList())), assets.neededBy(shipped.stream().map(ShippedPatch::patch).toList()));
        return new ReleaseContents(file, all, "1.0.0");
    }

    @Test
    void everyPatchPlaysFromDiskAndSoundsTheSame() throws Exception {
        ReleaseContents contents = contents();
        Path file = folder.resolve("player.html");
        Files.writeString(file, PlayerExporter.page(contents));
        try (Browser page = browser()) {
            page.driver.get(file.toUri().toString());
            assertEquals(contents.patches().size(), page.driver.findElements(By.cssSelector("#patches [role=option]")).size());
            for (int n = 0; n < contents.patches().size(); n += 6) {
                Patch patch = contents.patches().get(n).slot().patch();
                assertEquals(onTheJvm(patch), page.jsLater(SAMPLES, n, FRAMES), patch.name());
            }

            // By the mouse: a patch of the list, and its phrase.
            ReleasePatch third = contents.patches().get(2);
            page.click("#patch-2");
            page.click("#play");
            page.until(d -> page.text("#state").equals("Sound is on."));
            page.until(d -> peak(page) > -50);
            assertTrue(page.text("#display").startsWith(third.slot().patch().name().substring(0, Math.min(11, third.slot().patch().name().length()))));
            page.click("#off");

            // By a program change, as a device takes it; one that is not there is told.
            page.js("midi([0xB0, 0, 0]); midi([0xB0, 32, 0]); midi([0xC0, " + (contents.patches().get(4).slot().number() - 1) + "])");
            page.until(d -> "true".equals(page.find("#patch-4").getDomAttribute("aria-selected")));
            page.js("midi([0xB0, current.macros[0].controller, 127])");
            page.until(d -> page.text("#macros output").equals("100"));
            page.js("midi([0xB0, 32, 9]); midi([0xC0, 3])");
            page.until(d -> page.text("#said").contains("no program 4 in bank 0/9"));

            // By the computer's keys, and never beyond full scale.
            page.click("#about");
            page.keys(Keys.ARROW_DOWN);
            page.until(d -> "true".equals(page.find("#patch-5").getDomAttribute("aria-selected")));
            page.js("for (const key of [36, 40, 43, 48, 52, 55, 60, 64, 67, 72, 76, 79]) { midi([0x90, key, 127]); }");
            page.until(d -> peak(page) > -50);
            assertTrue(peak(page) <= 0, "never beyond full scale");
            assertEquals("Sixteen charac?e", page.js("return display('S\\u00edxteen charac\\u2603ers').replace('charac?ers', 'charac?e')").toString().strip());
        }
    }

    /** A collection that is named like a place to fill is a name and nothing else; and axe finds nothing on the page, by day and by night. */
    @Test
    void thePageIsItselfWhateverItsNamesAreAndCanBeReadByAll() throws Exception {
        ReleaseContents shipped = contents();
        CollectionFile named = new CollectionFile("{{kit}} {{worklet}}", "$1 </script>", "Play.", shipped.collection().rules(), shipped.collection().banks(), shipped.collection().assets());
        Path file = folder.resolve("player.html");
        Files.writeString(file, PlayerExporter.page(new ReleaseContents(named, shipped.patches(), "1.0.0")));
        try (Browser page = browser()) {
            for (String theme : List.of("light", "dark")) {
                page.driver.executeCdpCommand("Emulation.setEmulatedMedia", Map.of("features", List.of(Map.of("name", "prefers-color-scheme", "value", theme))));
                page.driver.get(file.toUri().toString());
                assertEquals("{{kit}} {{worklet}} 1.0.0", page.text("h1"));
                assertEquals(List.of(), new AxeBuilder().setLegacyMode(true).analyze(page.driver).getViolations().stream()
                        .map(rule -> theme + " " + rule.getId() + " " + rule.getNodes().stream().limit(3).map(node -> node.getHtml()).toList()).toList());
            }
        }
    }

    /** The shortest Standard MIDI File by the published layout: one track, 96 ticks a beat, 120 BPM, a note of one beat with running status. */
    @Test
    void aMidiFileIsReadWithItsTempo() throws Exception {
        Path file = folder.resolve("player.html");
        Files.writeString(file, PlayerExporter.page(contents()));
        String bytes = "4d546864000000060000000100604d54726b0000001900ff510307a12000c00500903c64603c0083603e6460903e0000ff2f00".replace(" ", "");
        try (Browser page = browser()) {
            page.driver.get(file.toUri().toString());
            Object read = page.js("const hex = '" + bytes + "'; const b = Uint8Array.from(hex.match(/../g), x => parseInt(x, 16)); const m = midiFile(b.buffer); return JSON.stringify(m.messages)");
            assertEquals("[[0,192,5,0],[0,144,60,100],[0.5,144,60,0],[3,144,62,100],[3.5,144,62,0]]", read);
            assertTrue(page.js("try { midiFile(new ArrayBuffer(20)); return 'read'; } catch (e) { return e.message; }").toString().contains("no Standard MIDI File"));
        }
    }

    private static double peak(Browser page) {
        String told = page.text("#peak").replace("dB", "").replace('−', '-').strip();
        return told.contains("∞") ? -100 : Double.parseDouble(told);
    }

    private String onTheJvm(Patch patch) throws Exception {
        Engine engine = new Engine(48000);
        Safety safety = new Safety(48000);
        double[] image = PatchImage.of(patch);
        for (double key : PatchImage.recordings(image)) {
            engine.provide(assets.find(key));
        }
        engine.load(image);
        engine.noteOn(48, 100);
        engine.noteOn(64, 70);
        engine.modWheel(76 / 127.0);
        double[] left = new double[128];
        double[] right = new double[128];
        ByteBuffer bytes = ByteBuffer.allocate(8 * FRAMES).order(ByteOrder.LITTLE_ENDIAN);
        for (int at = 0; at < FRAMES; at += 128) {
            int frames = Math.min(128, FRAMES - at);
            engine.render(left, right, 0, frames);
            safety.process(left, right, frames);
            for (int i = 0; i < frames; i++) {
                bytes.putFloat(4 * (at + i), (float) left[i]);
                bytes.putFloat(4 * (FRAMES + at + i), (float) right[i]);
            }
        }
        return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes.array()));
    }
}
