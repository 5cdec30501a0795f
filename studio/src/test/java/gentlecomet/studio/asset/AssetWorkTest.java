package gentlecomet.studio.asset;

import static gentlecomet.studio.Token.token;
import static org.awaitility.Awaitility.await;
import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import gentlecomet.studio.release.ReleaseChoice;
import gentlecomet.studio.release.ReleaseRow;
import gentlecomet.studio.release.Releases;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.time.Duration;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.ResultActions;

/** Sound files and tunings, request by request, on the real database. */
@StudioTest
class AssetWorkTest extends WebWork {

    @Autowired
    private Assets assets;
    @Autowired
    private Releases releases;

    @BeforeEach
    void newPatch() {
        begin("Recorded", 1);
        choose("layer1.source1.wave", "recording");
    }

    private void choose(String parameter, String choice) {
        var p = Parameters.find(parameter);
        patches.edit(id, 0, "", new PatchEdit.SetValue(p, p.choices().indexOf(choice)));
    }

    private static byte[] tone(double hz, double seconds) {
        float[] samples = new float[(int) (seconds * 48000)];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (float) (0.5 * Math.sin(2 * Math.PI * hz * i / 48000) * Math.exp(-3.0 * i / samples.length));
        }
        return WavFormat.write24(new Audio(samples, samples, 48000));
    }

    private ResultActions take(byte[] wav, int source) throws Exception {
        return web.perform(multipart("/patches/{id}/files", id).file(new MockMultipartFile("file", "Low Bell.wav", "audio/wav", wav))
                .param("version", String.valueOf(patches.get(id).version())).param("layer", "0").param("source", String.valueOf(source))
                .with(token()).header("X-Requested-With", "comet"));
    }

    private double value(String parameter) {
        return patches.get(id).patch().value(parameter);
    }

    @Test
    void aRecordingIsTunedByItsPitchHeardListedAndUndone() throws Exception {
        // 20 cents above A3 (220 Hz, MIDI note 57).
        take(tone(220 * Math.pow(2, 20 / 1200.0), 1), 0).andExpect(status().isOk()).andExpect(content().string(containsString("Low Bell")));
        assertEquals(57, value("layer1.source1.rootKey"));
        assertEquals(-20, value("layer1.source1.cents"), 1);
        var patch = patches.get(id).patch();
        Audio played = new Rendering(Measuring.RATE, assets).render(PatchImage.of(patch), Phrase.single(57, 127, 1), 1, Rendering.ControllerState.AT_REST).audio();
        assertTrue(peak(played) > 0.05, "the recording is heard");
        var row = assets.of(collection).get(0);
        assertEquals("[New Patch]", row.users().toString());
        web.perform(get("/collections/{id}/assets", collection)).andExpect(content().string(containsString("Low Bell")));
        web.perform(post("/collections/{id}/assets/{h}/remove", collection, row.hash()).with(token()).header("X-Requested-With", "comet"))
                .andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("it stays")));
        patches.undo(id, 0);
        assertNull(patches.get(id).patch().recording(0, 0));
        assertTrue(assets.of(collection).get(0).unused());
        web.perform(post("/collections/{id}/assets/{h}/remove", collection, row.hash()).with(token())).andExpect(status().is3xxRedirection());
        assertTrue(assets.of(collection).isEmpty());
        patches.redo(id, 0);
        assertNotNull(assets.get(patches.get(id).patch().recording(0, 0).hash()), "a step of the history still needs it");
    }

    private static double peak(Audio audio) {
        double peak = 0;
        for (float v : audio.left()) {
            peak = Math.max(peak, Math.abs(v));
        }
        return peak;
    }

    @Test
    void samplesGoToTheAudioThreadAsTheyAre() throws Exception {
        byte[] wav = tone(330, 0.1);
        take(wav, 0);
        String hash = patches.get(id).patch().recording(0, 0).hash();
        byte[] body = web.perform(get("/assets/{h}/samples", hash)).andExpect(status().isOk()).andReturn().getResponse().getContentAsByteArray();
        ByteBuffer numbers = ByteBuffer.wrap(body).order(ByteOrder.LITTLE_ENDIAN);
        assertEquals(48000, numbers.getFloat());
        Audio read = WavFormat.read(wav, "tone");
        int channels = (int) numbers.getFloat();
        assertEquals(2 + channels * read.frames(), body.length / 4);
        for (int i = 0; i < read.frames(); i++) {
            assertEquals(read.left()[i], numbers.getFloat());
        }
    }

    @Test
    void aHitBecomesPartialsAndTheFewestAreCounted() throws Exception {
        choose("layer1.source1.wave", "body");
        choose("layer1.source1.bodySet", "analysed");
        take(tone(440, 1), 0).andExpect(status().isOk());
        double[] modes = patches.get(id).patch().shape(Shapes.modes(0, 0));
        assertTrue(modes.length >= 3);
        assertEquals(1, modes[0], 0.01);
        onBench("hit", "layer", "0", "source", "0", "milliseconds", "50", "most", "1").andExpect(status().isOk());
        assertEquals(1, value("layer1.source1.bodyPartials"));
        onBench("hit", "layer", "0", "source", "0", "milliseconds", "-5", "most", "1").andExpect(status().isUnprocessableEntity());
        choose("layer1.source1.bodySet", "membrane");
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.at(Parameters.ofSource(0, 0, SourceParameters.BODY_PARTIALS)), 64));
        onBench("fewest", "layer", "0", "source", "0").andExpect(status().isOk()).andExpect(content().string(containsString("sound like 64")));
        assertTrue(value("layer1.source1.bodyPartials") < 64);
        choose("layer1.source1.wave", "saw");
        onBench("fewest", "layer", "0", "source", "0").andExpect(status().isUnprocessableEntity());
    }

    @Test
    void aPatchIsBouncedIntoItselfAndReleasedWithItsFile() throws Exception {
        choose("layer1.source1.wave", "saw");
        onBench("bounce", "layer", "0", "source", "1", "key", "C3", "seconds", "0.5").andExpect(status().isOk());
        assertEquals(48, value("layer1.source2.rootKey"));
        assertEquals(SourceParameters.WAVE_RECORDING, value("layer1.source2.wave"));
        onBench("bounce", "layer", "0", "source", "1", "key", "H9", "seconds", "0.5").andExpect(status().isUnprocessableEntity());
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("layer1.source2.level"), -6));
        patches.save(id, 0, "bounced");
        long release = releases.start(collection, "1.0", "tried out", ReleaseChoice.of());
        ReleaseRow built = await().atMost(Duration.ofSeconds(60)).until(() -> releases.get(release), r -> !r.state().equals("building"));
        assertEquals("verified", built.state(), built.report());
    }

    @Test
    void tuningsComeFromFilesAndGoAgain() throws Exception {
        String scale = "! quarter.scl\nQuarter tones\n2\n50.0\n100.0\n";
        web.perform(multipart("/patches/{id}/tuning", id).file(new MockMultipartFile("scale", "quarter.scl", "text/plain", scale.getBytes()))
                .param("version", String.valueOf(patches.get(id).version())).with(token()).header("X-Requested-With", "comet")).andExpect(status().isOk());
        assertEquals(-50, patches.get(id).patch().shape(Shapes.SCALE)[61], 1e-6);
        web.perform(multipart("/patches/{id}/tuning", id).file(new MockMultipartFile("scale", "broken.scl", "text/plain", "x\nnine\n".getBytes()))
                .param("version", String.valueOf(patches.get(id).version())).with(token()).header("X-Requested-With", "comet"))
                .andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("broken.scl, line 2")));
        patches.undo(id, 0);
        assertEquals(0, patches.get(id).patch().shape(Shapes.SCALE).length);
    }

    @Test
    void brokenFilesChangeNothing() throws Exception {
        long version = patches.get(id).version();
        byte[] cut = java.util.Arrays.copyOf(tone(200, 0.5), 3000);
        take(cut, 0).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("Low Bell.wav")));
        take(new byte[0], 0).andExpect(status().isUnprocessableEntity());
        take(tone(200, 0.5), 7).andExpect(status().isUnprocessableEntity());
        assertEquals(version, patches.get(id).version());
        assertFalse(assets.of(collection).stream().anyMatch(a -> !a.unused()));
    }
}
