package gentlecomet.sound.patch;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** The numbers that travel to the audio thread say the same as the patch. */
class PatchImageTest {

    private static final Parameter CUTOFF = Parameters.find("layer1.filter.cutoff");
    private static final Patch PATCH = Patch.neutral("Image")
            .withMacro(4, new Macro("Five", "a", "b", List.of(new MacroTarget(CUTOFF, 200, 8000), new MacroTarget(Parameters.find("reverb.mix"), 60, 10))))
            .withRoutes(List.of(new Route(Modulator.VELOCITY, CUTOFF, 1.5)));

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
}
