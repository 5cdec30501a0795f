package gentlecomet.sound.engine;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ShapeKind;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.patch.Route;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/**
 * Whatever a file may hold, and whatever is played on it: nothing that is not a number, no stuck voice. As many patches as
 * {@code -Dcomet.randomPatches} says, from {@code -Dcomet.seed} on; {@code bench/random.sh} runs 10,000.
 */
class RandomPatchesTest {

    private static final int ROUNDS = Integer.getInteger("comet.randomPatches", 70);
    private static final long SEED = Long.getLong("comet.seed", 20261124L);

    /** Values, routes with every detail, drawn lists: anything that a file could hold. */
    private static Patch randomPatch(Random random) {
        Patch start = Patch.neutral("Random");
        double[] values = new double[Parameters.COUNT];
        for (Parameter p : Parameters.ALL) {
            values[p.index()] = random.nextInt(3) == 0 ? p.value(random.nextDouble()) : start.value(p.index());
        }
        List<Route> routes = new ArrayList<>();
        Modulator[] modulators = Modulator.values();
        while (routes.size() < 8) {
            Parameter target = Parameters.at(random.nextInt(Parameters.COUNT));
            if (Parameters.movable(target)) {
                double low = -random.nextDouble();
                routes.add(new Route(modulators[random.nextInt(modulators.length)], target, (random.nextDouble() * 2 - 1) * target.maxDepth(),
                        Route.Side.values()[random.nextInt(3)], random.nextDouble() * 2 - 1, low, low + random.nextDouble(),
                        random.nextBoolean() ? null : modulators[random.nextInt(modulators.length)]));
            }
        }
        Patch patch = start.withSound(values, routes, start.macros());
        for (int n = 0; n < 6; n++) {
            ShapeKind kind = Shapes.ALL.get(random.nextInt(Shapes.COUNT));
            double[] rows = new double[kind.columns().size() * (1 + random.nextInt(kind.maxRows()))];
            for (int k = 0; k < rows.length; k++) {
                ShapeKind.Column column = kind.columns().get(k % kind.columns().size());
                rows[k] = column.min() + (column.max() - column.min()) * random.nextDouble();
            }
            patch = kind.ordered() ? patch : patch.withShape(kind.index(), rows);
        }
        return patch;
    }

    private static void playRandomly(Engine engine, Random random) {
        for (int n = 0; n < 4; n++) {
            engine.noteOn(random.nextInt(128), 1 + random.nextInt(127));
        }
        engine.modWheel(random.nextDouble());
        engine.aftertouch(random.nextDouble());
        engine.bend(random.nextDouble() * 2 - 1);
    }

    /** Both channels, while keys are down and while notes die away. */
    private static void listen(double[] left, double[] right, long seed) {
        for (double[] channel : new double[][] {left, right}) {
            for (double v : channel) {
                assertTrue(Math.abs(v) < 1e6, "seed " + seed + ": " + v);
            }
        }
    }

    @Test
    void randomPatchesStayFiniteAndFallSilent() {
        Engine engine = new Engine(48000);
        double[] left = new double[4800];
        double[] right = new double[4800];
        for (int round = 0; round < ROUNDS; round++) {
            // Every round has a seed of its own, so that one that fails can be played again alone.
            long seed = SEED + round;
            Random random = new Random(seed);
            Patch patch = randomPatch(random);
            engine.load(PatchImage.of(patch));
            playRandomly(engine, random);
            engine.render(left, right, 0, 4800);
            listen(left, right, seed);
            assertEquals(0, engine.faults(), "seed " + seed);
            for (int key = 0; key < 128; key++) {
                engine.noteOff(key);
            }
            int tenths = 0;
            while (engine.voicesSounding() > 0 && tenths < 10 * longestRelease(patch) + 5) {
                engine.render(left, right, 0, 4800);
                listen(left, right, seed);
                tenths++;
            }
            assertEquals(0, engine.voicesSounding(), "a voice is stuck: seed " + seed);
        }
    }

    /** In seconds: 20, or a note division at the patch's tempo. */
    private static double longestRelease(Patch patch) {
        double longest = 20;
        for (int layer = 1; layer <= Parameters.LAYERS; layer++) {
            longest = Math.max(longest, Division.seconds((int) patch.value("layer" + layer + ".amplitude.releaseDivision"), patch.value("performance.tempo")));
        }
        return longest;
    }

    @Test
    void aUsedEngineSoundsLikeANewOne() {
        Random random = new Random(7);
        Engine used = new Engine(48000);
        for (int round = 0; round < 40; round++) {
            double[] image = PatchImage.of(randomPatch(random));
            long hands = random.nextLong();
            assertArrayEquals(rendered(new Engine(48000), image, hands), rendered(used, image, hands), "round " + round);
        }
    }

    private static double[] rendered(Engine engine, double[] image, long hands) {
        engine.load(image);
        playRandomly(engine, new Random(hands));
        double[] left = new double[9600];
        engine.render(left, new double[9600], 0, 9600);
        return left;
    }
}
