package gentlecomet.sound.engine;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.patch.Route;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** What the pages tell of a route's reach is what a render does: the level of a sine, moved by hands at their ends. */
class RouteReachTest {

    private static final Parameter LEVEL = Parameters.find("layer1.source1.level");
    private static final double BASE = -30;

    @Test
    void theReachIsWhatHandsDoAtTheirEnds() {
        Random random = new Random(7);
        Route.Side[] sides = Route.Side.values();
        for (int i = 0; i < 60; i++) {
            boolean swings = i % 2 == 0;
            Modulator scaler = i % 3 == 0 ? null : i % 3 == 1 ? Modulator.AFTERTOUCH : Modulator.BREATH;
            double low = Math.rint(random.nextDouble() * 10) / 10 - 1;
            double high = Math.min(1, low + Math.rint(random.nextDouble() * 10) / 10 + 0.1);
            Route route = new Route(swings ? Modulator.BEND : Modulator.MOD_WHEEL, LEVEL, (random.nextBoolean() ? 1 : -1) * 12, sides[i % 3],
                    Math.rint(random.nextDouble() * 10) / 10 - 0.5, low, high, scaler);
            double least = Double.MAX_VALUE;
            double most = -Double.MAX_VALUE;
            for (double m : swings ? new double[] {-1, 1} : new double[] {0, 1}) {
                for (double s : new double[] {0, 1}) {
                    double db = rendered(route, m, s);
                    least = Math.min(least, db);
                    most = Math.max(most, db);
                }
            }
            double[] told = route.reach(BASE);
            assertEquals(told[0], least, 0.05, "least of " + route.side() + " " + route.bend() + " " + route.low() + " " + route.high() + " " + route.scaler() + " " + route.source() + " " + route.depth());
            assertEquals(told[1], most, 0.05, "most of " + route.side() + " " + route.bend() + " " + route.low() + " " + route.high() + " " + route.scaler() + " " + route.source() + " " + route.depth());
        }
    }

    /** Level in dB of the sine, with the hand and the scaler where they are said to be. */
    private static double rendered(Route route, double hand, double scale) {
        Patch patch = Patch.neutral("Reach").withValue(LEVEL, BASE).withValue(Parameters.find("performance.velocityToLevel"), 0)
                .withValue(Parameters.find("performance.bendUp"), 0).withValue(Parameters.find("performance.bendDown"), 0).withRoutes(List.of(route));
        Audio audio = new Rendering(48000).render(PatchImage.of(patch), Phrase.single(69, 127, 0.4), 0.1, engine -> {
            engine.bend(route.source() == Modulator.BEND ? hand : 0);
            engine.modWheel(route.source() == Modulator.MOD_WHEEL ? hand : 0);
            engine.aftertouch(route.scaler() == Modulator.AFTERTOUCH ? scale : 0);
            engine.breath(route.scaler() == Modulator.BREATH ? scale : 0);
        }).audio();
        double peak = 0;
        for (int i = 9600; i < 16800; i++) {
            peak = Math.max(peak, Math.abs(audio.left()[i]));
        }
        return 20 * Math.log10(peak);
    }
}
