package gentlecomet.bench;

import gentlecomet.craft.format.PatchFormat;
import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.patch.PatchImage;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;

/** Heap that one engine with the hall mark patch and 32 held voices keeps, after collections: the difference to before it was made. */
public final class EngineMemory {

    private static final int VOICES = 32;
    private static final int ENGINES = 8;

    private EngineMemory() {
    }

    public static void main(String[] args) throws IOException {
        double[] image;
        try (InputStream in = EngineMemory.class.getResourceAsStream("/hall-mark.json")) {
            image = PatchImage.of(PatchFormat.read(new String(in.readAllBytes(), StandardCharsets.UTF_8), "hall-mark"));
        }
        double[] left = new double[48000];
        double[] right = new double[48000];
        Engine[] engines = new Engine[ENGINES + 1];
        engines[ENGINES] = playing(image, left, right);
        long before = used();
        for (int e = 0; e < ENGINES; e++) {
            engines[e] = playing(image, left, right);
        }
        long after = used();
        System.out.printf("%.1f MB for an engine with %d voices (mean of %d)%n", (after - before) / 1e6 / ENGINES, engines[0].voicesSounding(), ENGINES);
    }

    private static Engine playing(double[] image, double[] left, double[] right) {
        Engine engine = new Engine(48000);
        engine.load(image);
        for (int v = 0; v < VOICES; v++) {
            engine.noteOn(36 + v, 100);
        }
        engine.render(left, right, 0, 48000);
        return engine;
    }

    private static long used() {
        for (int i = 0; i < 5; i++) {
            System.gc();
        }
        return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
    }
}
