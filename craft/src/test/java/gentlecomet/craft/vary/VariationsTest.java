package gentlecomet.craft.vary;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.TypedPatch;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.source.Recordings;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Siblings go where their name says, by a measure that was not used to make them. */
class VariationsTest {

    private static final Patch PATCH = TypedPatch.neutralWith("layer1.source1.wave=saw", "layer1.source1.unisonVoices=4", "layer1.source1.detune=12",
            "layer1.source1.width=30", "layer1.filter1.type=low pass 24", "layer1.filter1.cutoff=1500", "layer1.filter1.envelopeAmount=1",
            "layer1.amplitude.decay=0.8 s", "layer1.amplitude.sustain=40", "layer1.amplitude.release=0.4 s", "effect1.type=drive",
            "effect1.mix=20", "effect2.type=reverb", "effect2.mix=15");

    private static Measurement measured(Patch patch) {
        return new Measuring().measure(patch, Phrases.get("line"));
    }

    @ParameterizedTest
    @EnumSource(names = {"DARKER", "BRIGHTER", "SHORTER", "LONGER", "WIDER"})
    void siblingsMeasureWhatTheyAreCalled(Quality quality) {
        Measurement before = measured(PATCH);
        for (Variations.Sibling sibling : new Variations(Recordings.NONE).of(PATCH, new Variations.Aim(quality, quality.unit() * 0.7), 2, 5)) {
            Measurement after = measured(sibling.patch());
            double change = switch (quality) {
                case DARKER -> before.brightnessHz() - after.brightnessHz();
                case BRIGHTER -> after.brightnessHz() - before.brightnessHz();
                case SHORTER -> before.soundingSeconds() - after.soundingSeconds();
                case LONGER -> after.soundingSeconds() - before.soundingSeconds();
                default -> after.sideToMid() - before.sideToMid();
            };
            assertTrue(sibling.wentThere() && change > 0, quality + " " + sibling.from() + " to " + sibling.to() + " " + sibling.held() + sibling.moves());
            assertTrue(quality == Quality.SHORTER || Math.abs(after.momentaryMaxLufs() - before.momentaryMaxLufs()) < 4, "about as loud as before");
        }
    }

    @Test
    void whatIsLockedStaysWhereItIs() {
        Parameter cutoff = Parameters.find("layer1.filter1.cutoff");
        Variations free = new Variations(Recordings.NONE);
        assertTrue(free.of(PATCH, new Variations.Aim(Quality.DARKER, 1), 4, 9).stream().anyMatch(s -> s.patch().value(cutoff.index()) != 1500), "it would be moved");
        Variations held = new Variations(Recordings.NONE, Set.of(cutoff));
        for (Variations.Sibling sibling : held.of(PATCH, new Variations.Aim(Quality.DARKER, 1), 4, 9)) {
            assertEquals(1500, sibling.patch().value(cutoff.index()));
        }
    }

    @Test
    void theSameSeedGivesTheSameSiblingsAndAnotherGivesOthers() {
        List<Variations.Sibling> first = new Variations(Recordings.NONE).of(PATCH, new Variations.Aim(Quality.DARKER, 1), 2, 9);
        assertEquals(first.get(0).patch(), new Variations(Recordings.NONE).of(PATCH, new Variations.Aim(Quality.DARKER, 1), 2, 9).get(0).patch());
        assertNotEquals(first.get(0).patch(), first.get(1).patch());
        assertNotEquals(first.get(0).patch(), new Variations(Recordings.NONE).of(PATCH, new Variations.Aim(Quality.DARKER, 1), 1, 10).get(0).patch());
    }
}
