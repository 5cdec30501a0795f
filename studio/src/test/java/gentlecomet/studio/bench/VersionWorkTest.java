package gentlecomet.studio.bench;

import static gentlecomet.studio.Token.token;
import static org.hamcrest.Matchers.closeTo;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.hasSize;
import static org.hamcrest.Matchers.not;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import gentlecomet.studio.patch.Patches;
import java.io.ByteArrayOutputStream;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;

/** What a bench does beside moving values: versions, differences, parts, variations, phrases, finding. */
@StudioTest
class VersionWorkTest extends WebWork {

    private static final Parameter CUTOFF = Parameters.find("layer1.filter1.cutoff");
    private static final Parameter TYPE = Parameters.find("layer1.filter1.type");

    @Autowired
    private Patches patches;

    @BeforeEach
    void newPatch() {
        begin("Versions", 1);
        set(TYPE, TYPE.choices().indexOf("lowPass24"));
        set(CUTOFF, 1000);
    }

    private void set(Parameter parameter, double value) {
        patches.edit(id, 0, "", new PatchEdit.SetValue(parameter, value));
    }

    private double cutoff() {
        return patches.get(id).patch().value(CUTOFF.index());
    }

    @Test
    void aPadHoldsAStateThatIsHeardComparedTakenBackAndBroughtBack() throws Exception {
        onBench("pads/A").andExpect(status().isOk());
        set(CUTOFF, 4000);
        set(Parameters.find("layer1.filter1.resonance"), 6);
        web.perform(get("/patches/{id}/versions/padA", id)).andExpect(jsonPath("$.words", containsString("after: Layer 1 filter 1: Cutoff")))
                .andExpect(jsonPath("$.playable.values['" + CUTOFF.id() + "']").value(1000.0));
        web.perform(get("/patches/{id}/differences", id).param("with", "padA")).andExpect(content().string(containsString("1.00 kHz")))
                .andExpect(content().string(containsString("4.00 kHz"))).andExpect(content().string(containsString("Resonance")));
        onBench("take-back", "with", "padA", "line", "0").andExpect(status().isOk());
        assertEquals(1000, cutoff());
        assertEquals(6, patches.get(id).patch().value("layer1.filter1.resonance"), "the other line stays");
        set(CUTOFF, 300);
        onBench("bring-back", "with", "padA").andExpect(status().isOk());
        assertEquals(1000, cutoff());
        patches.undo(id, 0);
        assertEquals(300, cutoff(), "bringing back is a step that can be undone");
        web.perform(get("/patches/{id}/versions/padB", id)).andExpect(status().isNotFound());
        web.perform(get("/patches/{id}/versions/everything", id)).andExpect(status().isNotFound());
        onBench("take-back", "with", "padA", "line", "99").andExpect(status().isUnprocessableEntity());
    }

    @Test
    void revisionsAndOtherPatchesAreVersionsToo() throws Exception {
        patches.save(id, 0, "first");
        set(CUTOFF, 2000);
        web.perform(get("/patches/{id}/versions/saved", id)).andExpect(jsonPath("$.playable.values['" + CUTOFF.id() + "']").value(1000.0));
        long other = banks.newPatch(bank, 2);
        web.perform(get("/patches/{id}/differences", id).param("with", "patch" + other)).andExpect(content().string(containsString("low pass 24")));
        onBench("bring-back", "with", "patch" + other).andExpect(status().isOk());
        assertEquals("New Patch", patches.get(id).name(), "it keeps its own name");
        assertEquals(0, patches.get(id).patch().value(TYPE.index()));
    }

    @Test
    void aPartIsPastedFromWhatWasCopied() throws Exception {
        String copied = web.perform(get("/patches/{id}/content", id)).andReturn().getResponse().getContentAsString();
        assertEquals(patches.get(id).patch(), PatchFormat.read(copied, "copied"));
        onBench("edits", "kind", "paste", "content", copied, "from", "layer1.filter1.", "to", "layer1.filter2.").andExpect(status().isOk());
        assertEquals(1000, patches.get(id).patch().value("layer1.filter2.cutoff"));
        onBench("edits", "kind", "paste", "content", copied, "from", "layer1.filter1.", "to", "layer1.lfo1.").andExpect(status().isUnprocessableEntity())
                .andExpect(content().string(containsString("does not fit")));
        onBench("edits", "kind", "paste", "content", "{\"format\": 7}", "from", "layer1.", "to", "layer1.").andExpect(status().isUnprocessableEntity());
    }

    @Test
    void whatStandsBetweenTwoVersionsIsHeardUsedAndKept() throws Exception {
        onBench("pads/A");
        set(CUTOFF, 4000);
        set(Parameters.find("layer1.source1.wave"), 2);
        onBench("pads/B");
        web.perform(get("/patches/{id}/versions/between.padA.padB.50", id)).andExpect(jsonPath("$.playable.values['" + CUTOFF.id() + "']").value(closeTo(2000.0, 0.01)))
                .andExpect(jsonPath("$.jumps", hasSize(1))).andExpect(jsonPath("$.jumps[0]", containsString("Wave: sine to saw")));
        onBench("bring-back", "with", "between.padA.now.25").andExpect(status().isOk());
        assertEquals(1000 * Math.sqrt(2), cutoff(), 0.01, "half an octave of two");
        onBench("versions/between.padA.padB.75/keep").andExpect(content().string(containsString("in slot 2")));
        assertTrue(patches.inBank(bank).stream().anyMatch(p -> p.slot() == 2 && p.name().equals("New Patch Between")));
        web.perform(get("/patches/{id}/versions/between.padA.padC.50", id)).andExpect(status().isNotFound());
        onBench("versions/padA/keep").andExpect(status().isNotFound());
    }

    @Test
    void anEffectIsMatchedByMeasurement() throws Exception {
        set(Parameters.find("effect1.type"), Parameters.find("effect1.type").choices().indexOf("drive"));
        onBench("match", "layer", "-1", "slot", "0").andExpect(status().isOk()).andExpect(content().string(containsString("matched")));
        assertTrue(patches.get(id).patch().value("effect1.output") < 0, "12 dB of drive is louder");
        onBench("match", "layer", "-1", "slot", "44").andExpect(status().isUnprocessableEntity());
    }

    @Test
    void looseEndsStandBesideTheBenchWithWhatMendsThem() throws Exception {
        set(Parameters.find("layer1.source2.wave"), 2);
        web.perform(get("/patches/{id}/bench", id)).andExpect(content().string(containsString("Layer 1 source 2 is set up, but its level is off")));
        onBench("edits", "kind", "setValue", "target", "layer1.source2.level", "value", "-12.0").andExpect(content().string(not(containsString("Loose ends"))));
    }

    @Test
    void newPatchesBeginAsTheirCategory() throws Exception {
        web.perform(post("/banks/{id}/patches", bank).param("start", "pad").with(token())).andExpect(status().is3xxRedirection());
        assertTrue(patches.inBank(bank).stream().anyMatch(p -> p.category().equals("pad") && p.name().equals("New Pad")));
    }

    @Test
    void everythingCanBeFound() throws Exception {
        web.perform(get("/find").param("collection", String.valueOf(collection)).param("patch", String.valueOf(id)))
                .andExpect(jsonPath("$.places[?(@.text == 'New Patch')].url").value("/patches/" + id))
                .andExpect(jsonPath("$.parameters[?(@.url == 'layer1.filter1.cutoff')].text").value("Layer 1 filter 1: Cutoff"));
        web.perform(get("/patches/{id}/targets", id)).andExpect(content().string(containsString("Layer 1 filter 1: Cutoff")));
    }

    @Test
    void phrasesAndBackingsAreOfferedAndMidiFilesRead() throws Exception {
        web.perform(get("/phrases")).andExpect(jsonPath("$.phrases.length()").value(org.hamcrest.Matchers.greaterThanOrEqualTo(12)))
                .andExpect(jsonPath("$.backings.length()").value(3));
        Sequence sequence = new Sequence(Sequence.PPQ, 480);
        Track track = sequence.createTrack();
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 0, 60, 100), 0));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_OFF, 0, 60, 0), 960));
        ByteArrayOutputStream midi = new ByteArrayOutputStream();
        MidiSystem.write(sequence, 0, midi);
        web.perform(multipart("/phrases").file(new MockMultipartFile("file", "line.mid", "audio/midi", midi.toByteArray())).with(token()))
                .andExpect(jsonPath("$.notes[0][3]").value(2.0));
        web.perform(multipart("/phrases").file(new MockMultipartFile("file", "noise.mid", "audio/midi", new byte[] {1, 2, 3})).with(token())
                .header("X-Requested-With", "comet")).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("noise.mid")));
        for (int i = 0; i < 110_000; i++) {
            track.add(new MidiEvent(new ShortMessage(ShortMessage.CONTROL_CHANGE, 0, 1, i % 128), i));
        }
        midi.reset();
        MidiSystem.write(sequence, 0, midi);
        web.perform(multipart("/phrases").file(new MockMultipartFile("file", "flood.mid", "audio/midi", midi.toByteArray())).with(token())
                .header("X-Requested-With", "comet")).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("at most 100000 events")));
    }
}
