package gentlecomet.craft.edit;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import gentlecomet.craft.TypedPatch;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Note;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.util.List;
import org.junit.jupiter.api.Test;

class MirrorSourceTest {

    private static final Patch PAIR = TypedPatch.neutralWith("layer1.source1.wave=saw", "layer1.source1.unisonVoices=5", "layer1.source1.detune=14", "layer1.source1.width=70",
            "layer1.source1.pan=20", "layer1.source1.unisonMap=50").withShape(Shapes.copies(0, 0), new double[] {10, 0, 5, -3, -4, 20, 10, 0, 0, 0, 0, 0, 8, -30, 40, 2});

    private static Audio alone(Patch patch, int muted) {
        Patch one = patch.withValue(Parameters.find("layer1.source" + muted + ".level"), -60);
        Phrase phrase = new Phrase("note", "Note", 60, 0.5, List.of(new Note(60, 100, 0, 0.5, Note.USUAL_RELEASE)));
        return new Rendering(48000, Recordings.NONE).render(PatchImage.of(one), phrase, 0.2, Rendering.ControllerState.AT_REST).audio();
    }

    /** What one plays left, the other plays right, sample by sample. */
    @Test
    void theMirrorSoundsTheSameOnTheOtherSide() {
        Patch both = new MirrorSource(0, 0, 1).apply(PAIR);
        Audio first = alone(both, 2);
        Audio second = alone(both, 1);
        assertArrayEquals(first.left(), second.right(), 1e-5f);
        assertArrayEquals(first.right(), second.left(), 1e-5f);
        assertEquals(-20, both.value("layer1.source2.pan"));
    }

    @Test
    void withoutUnisonOnlyThePanTurns() {
        Patch both = new MirrorSource(0, 0, 2).apply(TypedPatch.neutralWith("layer1.source1.pan=-35"));
        assertEquals(35, both.value("layer1.source3.pan"));
        assertEquals(0, both.shape(Shapes.copies(0, 2)).length);
        assertEquals("Layer 1 source 3: mirror of source 1", new MirrorSource(0, 0, 2).label(PAIR));
        assertThrows(PatchEdit.EditException.class, () -> new MirrorSource(0, 1, 1));
    }
}
