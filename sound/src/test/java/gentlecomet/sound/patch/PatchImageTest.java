package gentlecomet.sound.patch;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** The numbers that travel to the audio thread say the same as the patch. */
class PatchImageTest {

    private static final Parameter CUTOFF = Parameters.find("layer1.filter1.cutoff");
    private static final Patch PATCH = Patch.neutral("Image")
            .withMacro(4, new Macro("Five", "a", "b", List.of(new MacroTarget(CUTOFF, 200, 8000), new MacroTarget(Parameters.find("effect2.mix"), 60, 10))))
            .withRoutes(List.of(new Route(Modulator.VELOCITY, CUTOFF, 1.5),
                    new Route(Modulator.LFO_2, CUTOFF, 1, Route.Side.ONE, 0.5, -0.5, 0.8, Modulator.AFTERTOUCH)))
            .withShape(Shapes.harmonics(1, 2), new double[] {100, 0, 50, 25}).withShape(Shapes.lfoSteps(0, 3), new double[] {100, -100, 40})
            .withRecording(2, 1, new SoundFile(SoundFile.place(2, 1), "0123456789abcdef".repeat(4), "Gravel"));

    @Test
    void whatSoundsIsTheSameInBoth() {
        for (double position = 0; position <= 100; position += 12.5) {
            Patch patch = PATCH.withValue(Parameters.find("macro5"), position);
            double[] image = PatchImage.of(patch);
            for (Parameter p : Parameters.ALL) {
                assertEquals(patch.soundingValue(p), PatchImage.sounding(image, p.index()), p.id());
            }
        }
    }

    @Test
    void editsByHandAreTheSameInBoth() {
        Random random = new Random(11);
        Patch patch = PATCH.withValue(Parameters.find("macro5"), 30);
        double[] image = PatchImage.of(patch);
        for (int i = 0; i < 300; i++) {
            Parameter p = random.nextInt(4) == 0 ? CUTOFF : Parameters.at(random.nextInt(Parameters.COUNT));
            double value = p.value(random.nextDouble());
            patch = patch.withValue(p, value);
            PatchImage.put(image, p.index(), value);
        }
        assertArrayEquals(PatchImage.of(patch), image);
    }

    @Test
    void drawnListsAndRecordingsTravelWithIt() {
        double[] image = PatchImage.of(PATCH);
        assertArrayEquals(new double[] {100, 0, 50, 25}, PatchImage.shape(image, Shapes.harmonics(1, 2)));
        assertArrayEquals(new double[] {100, -100, 40}, PatchImage.shape(image, Shapes.lfoSteps(0, 3)));
        assertArrayEquals(new double[0], PatchImage.shape(image, Shapes.harmonics(0, 0)));
        assertEquals(0x0123456789abL, PatchImage.recording(image, 2, 1));
        assertEquals(0, PatchImage.recording(image, 2, 0));
    }
}
