package gentlecomet.bench;

import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.response.ResponseMap;
import gentlecomet.craft.response.Sweep;
import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * Prints how long the response map of 61 keys and the check of eight macros take for a patch, one thread, the second of two rounds; and the greatest
 * step of aftertouch from one control step to the next while a 7-bit controller sweeps in a second.
 */
public final class ResponseTimes {

    private static final int LOWEST = 36;
    private static final int KEYS = 61;

    private ResponseTimes() {
    }

    public static void main(String[] args) throws IOException {
        for (String file : args) {
            Patch patch = PatchFormat.read(Files.readString(Path.of(file)), file);
            for (int round = 0; round < 2; round++) {
                long begin = System.nanoTime();
                Rendering rendering = new Rendering(Measuring.RATE);
                for (int key = LOWEST; key < LOWEST + KEYS; key++) {
                    ResponseMap.measure(patch, key, rendering);
                }
                long between = System.nanoTime();
                for (int macro = 0; macro < patch.macros().size(); macro++) {
                    Sweep.ofMacro(patch, macro, Recordings.NONE);
                }
                if (round == 1) {
                    System.out.printf("%s: map of %d keys x %d velocities %.1f s, eight macros at %d positions %.1f s%n", patch.naming().name(), KEYS,
                            ResponseMap.VELOCITIES.size(), (between - begin) / 1e9, Sweep.POSITIONS, (System.nanoTime() - between) / 1e9);
                }
            }
        }
        System.out.printf("greatest step of aftertouch in a sweep of 1 s: %.4f of its range%n", greatestStep());
    }

    private static double greatestStep() {
        Engine engine = new Engine(Measuring.RATE);
        engine.load(PatchImage.of(Patch.neutral("Sweep")));
        engine.noteOn(60, 100);
        double[] left = new double[Engine.STEP];
        double[] right = new double[Engine.STEP];
        int steps = Measuring.RATE / Engine.STEP;
        double worst = 0;
        double before = 0;
        for (int i = 0; i < steps; i++) {
            engine.aftertouch(Math.floor(127.0 * i / (steps - 1)) / 127);
            engine.render(left, right, 0, Engine.STEP);
            double now = engine.view().modulation(0, Modulator.AFTERTOUCH);
            worst = Math.max(worst, Math.abs(now - before));
            before = now;
        }
        return worst;
    }
}
