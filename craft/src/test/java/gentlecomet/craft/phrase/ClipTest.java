package gentlecomet.craft.phrase;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.TypedPatch;
import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Ride;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ClipTest {

    private static final Phrase OWN = Phrases.get("line");

    @Test
    void notesStandInARowOrWhereTheyArePut() {
        Clip row = Clip.parse("C4:100:1,E4:90:0.5", OWN);
        assertEquals(List.of(0.0, 1.0), row.phrase().notes().stream().map(n -> n.start()).toList());
        Clip placed = Clip.parse("C4@0:100:0.6,C4@0.55:100:0.5", OWN);
        assertEquals(List.of(0.0, 0.55), placed.phrase().notes().stream().map(n -> n.start()).toList());
        assertEquals(1.05, placed.phrase().seconds(), 1e-9);
        assertEquals(OWN, Clip.parse("phrase", OWN).phrase());
    }

    @Test
    void handsStandOrMove() {
        Clip clip = Clip.parse("macro2=75 wheel=50 sweep=pressure C4:100:2", OWN);
        assertEquals(List.of(new Clip.Setting(Ride.Hand.MACRO2, 75), new Clip.Setting(Ride.Hand.WHEEL, 50)), clip.settings());
        assertEquals(Ride.Hand.PRESSURE, clip.phrase().rides().get(0).hand());
        assertEquals(75, clip.on(Patch.neutral("A Patch")).value("macro2"), 1e-9);
    }

    @ParameterizedTest
    @ValueSource(strings = {"macro9=10 C4:100:1", "wheel=loud C4:100:1", "H4:100:1", "C4@0.5:200:1", "sweep=nose C4:100:1", "wheel=101 C4:100:1"})
    void whatHasNoMeaningIsNamed(String text) {
        assertTrue(assertThrows(IllegalArgumentException.class, () -> Clip.parse(text, OWN)).getMessage().startsWith("\""));
    }

    /** A macro that holds the level from -30 to -10 dB is 20 LU louder at its end (BS.1770: level and loudness go together). Channels against each other vanish in mono. */
    @Test
    void whatIsHeardIsWhatIsWritten() {
        Patch patch = TypedPatch.neutralWith("layer1.source1.level=-10").withMacro(0, new Macro("Level", "a", "b", List.of(new MacroTarget(Parameters.find("layer1.zone.level"), -30, -10))));
        Rendering rendering = new Rendering(Measuring.RATE);
        double low = Loudness.of(Clip.parse("macro1=0 C4:100:1", OWN).render(patch, rendering, 0.1)).momentaryMax();
        double high = Loudness.of(Clip.parse("macro1=100 C4:100:1", OWN).render(patch, rendering, 0.1)).momentaryMax();
        assertEquals(20, high - low, 0.05);
        Audio left = Clip.parse("mono C4:100:1", OWN).render(TypedPatch.with(patch, "layer1.zone.pan=-100"), rendering, 0.1);
        assertEquals(0, Math.abs(left.left()[9000] - left.right()[9000]), 0);
    }
}
