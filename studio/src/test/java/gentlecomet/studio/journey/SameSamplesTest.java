package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.PatchSummary;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.security.MessageDigest;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The engine in Chromium and the engine on the JVM agree to the last bit, for every demo patch, with every controller moved. */
class SameSamplesTest extends OnTheScreen {

    private static final int FRAMES = 48000;
    private static final String SCRIPT = """
            const [image, frames, recordings, done] = arguments;
            import('/engine/engine.js').then(async engine => {
              const h = engine.create(48000);
              for (const {key, url} of recordings) {
                const numbers = new Float32Array(await (await fetch(url)).arrayBuffer());
                const left = numbers.slice(2, 2 + (numbers.length - 2) / numbers[1]);
                engine.provide(h, key, left, numbers[1] === 2 ? numbers.slice(2 + left.length) : left, numbers[0]);
              }
              engine.load(h, Float64Array.from(image));
              engine.setGain(h, 1);
              const left = new Float32Array(frames), right = new Float32Array(frames);
              engine.noteOn(h, 40, 100); engine.noteOn(h, 64, 70); engine.modWheel(h, 0.6);
              for (let at = 0; at < frames; at += 128) {
                if (at === 12800) { engine.noteOn(h, 67, 90); engine.aftertouch(h, 0.7); }
                if (at === 25600) { engine.noteOff(h, 40); engine.bend(h, -0.4); }
                engine.render(h, left, right, at, Math.min(128, frames - at));
              }
              const both = new Float32Array(2 * frames);
              both.set(left); both.set(right, frames);
              const digest = await crypto.subtle.digest('SHA-256', both.buffer);
              done([...new Uint8Array(digest)].map(b => b.toString(16).padStart(2, '0')).join(''));
            }).catch(e => done('failed: ' + e));
            """;

    @Autowired
    private Assets assets;

    @Test
    void demoPatchesSoundTheSameInBothPlaces() throws Exception {
        long bank = demoBank();
        try (Browser page = browser()) {
            page.open("/");
            // Every third; PlayerFileTest has others, and every kind of source, filter and effect stands below.
            for (PatchSummary summary : patches.inBank(bank).stream().filter(p -> p.slot() % 3 == 0 || !p.pattern().isEmpty()).toList()) {
                PatchRow row = patches.get(summary.id());
                // The browser's copy ends in the safety stage, which leaves everything below full scale untouched.
                double[] image = PatchImage.of(row.patch());
                image[gentlecomet.sound.parameter.PatchParameters.LEVEL_TRIM] = -24;
                List<Double> numbers = Arrays.stream(image).boxed().collect(Collectors.toList());
                List<Map<String, Object>> recordings = row.patch().recordings().stream()
                        .map(f -> Map.<String, Object>of("key", f.key(), "url", "/assets/" + f.hash() + "/samples")).toList();
                assertEquals(onTheJvm(image), page.jsLater(SCRIPT, numbers, FRAMES, recordings), row.name());
            }
        }
    }

    /** Every kind of source, filter, effect, drive, oversampling and pattern, one after the other in patches of their own. */
    @Test
    void everySourceFilterAndEffectSoundsTheSameInBothPlaces() throws Exception {
        try (Browser page = browser()) {
            page.open("/");
            List<String> waves = Parameters.find("layer1.source1.wave").choices();
            List<String> filters = Parameters.find("layer1.filter1.type").choices();
            List<String> effects = Parameters.find("effect1.type").choices();
            for (int n = 0; n < Math.max(waves.size(), effects.size()); n++) {
                Patch patch = Patch.neutral("Same " + n);
                patch = choose(patch, "layer1.source1.wave", waves.get(n % waves.size()));
                patch = choose(patch, "layer1.source2.wave", "table");
                patch = put(patch, "layer1.source2.table", n);
                patch = put(patch, "layer1.source2.level", -24);
                patch = put(patch, "layer1.source1.phaseModulation2", n % 3);
                patch = put(patch, "layer1.source1.unisonVoices", 1 + n % 4);
                patch = put(patch, "layer1.source1.detune", 12);
                patch = put(patch, "layer1.noise.level", -40);
                patch = put(patch, "layer1.noise.colour", n % 3);
                patch = choose(patch, "layer1.filter1.type", filters.get(n % filters.size()));
                patch = put(patch, "layer1.filter1.cutoff", 900);
                patch = put(patch, "layer1.filter1.resonance", n % 2 == 0 ? 8 : 60);
                patch = put(patch, "layer1.drive.type", n % 4);
                patch = choose(patch, "effect1.type", effects.get(n % effects.size()));
                patch = put(patch, "performance.oversampling", n % 3);
                patch = put(patch, "pattern.order", n % 7);
                patch = put(patch, "pattern.step", n % 12);
                patch = put(patch, "pattern.octaves", 1 + n % 3);
                patch = put(patch, "pattern.chance", 80);
                patch = put(patch, "pattern.swing", 60);
                patch = put(patch, "levelTrim", -24);
                double[] image = PatchImage.of(patch);
                List<Double> numbers = Arrays.stream(image).boxed().collect(Collectors.toList());
                assertEquals(onTheJvm(image), page.jsLater(SCRIPT, numbers, FRAMES, List.of()), "round " + n);
            }
        }
    }

    private static Patch choose(Patch patch, String id, String choice) {
        return put(patch, id, Parameters.find(id).choices().indexOf(choice));
    }

    private static Patch put(Patch patch, String id, double value) {
        return patch.withValue(Parameters.find(id), value);
    }

    private String onTheJvm(double[] image) throws Exception {
        Engine engine = new Engine(48000);
        for (double key : PatchImage.recordings(image)) {
            engine.provide(assets.find(key));
        }
        double[] left = new double[FRAMES];
        double[] right = new double[FRAMES];
        engine.load(image);
        engine.noteOn(40, 100);
        engine.noteOn(64, 70);
        engine.modWheel(0.6);
        for (int at = 0; at < FRAMES; at += 128) {
            if (at == 12800) {
                engine.noteOn(67, 90);
                engine.aftertouch(0.7);
            }
            if (at == 25600) {
                engine.noteOff(40);
                engine.bend(-0.4);
            }
            engine.render(left, right, at, Math.min(128, FRAMES - at));
        }
        ByteBuffer bytes = ByteBuffer.allocate(8 * FRAMES).order(ByteOrder.LITTLE_ENDIAN);
        for (double v : left) {
            bytes.putFloat((float) v);
        }
        for (double v : right) {
            bytes.putFloat((float) v);
        }
        return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes.array()));
    }
}
