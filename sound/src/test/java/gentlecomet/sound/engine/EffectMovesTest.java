package gentlecomet.sound.engine;

import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.effect.EffectType;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Every continuous parameter of every effect is thrown to both of its ends within 10 ms under a held sine: nothing comes up above 6 kHz that is not the sound's own. */
class EffectMovesTest {

    /** In dBFS, or against the louder end where that is above full scale. */
    private static final double BOUND = -60;
    /**
     * Where more is the sound itself: steps of a wave of one bit are what a bitcrusher is for; a limiter whose ceiling falls by 24 dB has to be down within its look-ahead of
     * 1.5 ms; a shelf at 20 kHz is let go at once.
     */
    private static final Map<String, Double> MORE = Map.of("bitcrusher.bits", -55.0, "limiter.ceiling", -50.0, "reverb.damping", -55.0);

    static Stream<String> types() {
        return Stream.of(EffectType.values()).skip(1).map(EffectType::id);
    }

    @ParameterizedTest
    @MethodSource("types")
    void aMoveOfTenMillisecondsDoesNotClick(String type) {
        Patch patch = EffectsReachTest.patch(type).withValue(Parameters.find("layer1.source1.wave"), 0);
        Parameters.startingWith("effect1.").stream().filter(p -> p.taper().continuous() && patch.relevant(p)).forEach(p -> {
            for (double end : new double[] {p.min(), p.max()}) {
                double db = Figures.click(patch, p, end);
                assertTrue(db < bound(p), p.id() + " to " + end + ": " + db);
            }
        });
    }

    /** What is mixed with a wet sound that is late is as late, also while that changes. */
    @ParameterizedTest
    @CsvSource({"limiter, limiter.lookAhead", "limiter, limiter.clip"})
    void theDrySoundBesideItDoesNotClickEither(String type, String id) {
        Patch patch = EffectsReachTest.patch(type).withValue(Parameters.find("layer1.source1.wave"), 0).withValue(Parameters.find("effect1.mix"), 50);
        Parameter moved = Parameters.find("effect1." + id);
        for (double end : new double[] {moved.min(), moved.max()}) {
            double db = Figures.click(patch, moved, end);
            assertTrue(db < BOUND, id + " to " + end + ": " + db);
        }
    }

    private static double bound(Parameter p) {
        return MORE.getOrDefault(p.id().substring("effect1.".length()), BOUND);
    }
}
