package gentlecomet.bench;

import gentlecomet.craft.format.Json;
import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What single parts of the engine cost on the JVM: a held sine, and the same voice with one source, filter or effect more. Prints a list in JSON:
 * of each its name, the nanoseconds for a stereo sample at 48 kHz in the fastest of many seconds, and its patch image, with which
 * {@code bench/parts.mjs} asks the same in the browser.
 */
public final class Parts {

    private static final int RATE = 48000;
    private static final int SECONDS = 250;
    /** Seconds after which the note is struck again, before a body has rung out. */
    private static final int HELD = 10;

    private Parts() {
    }

    private static Map<String, String[]> all() {
        Map<String, String[]> parts = new LinkedHashMap<>();
        parts.put("sine", new String[0]);
        for (String wave : new String[] {"saw", "pulse", "triangle", "table", "noise", "partials", "body"}) {
            parts.put(wave, new String[] {"layer1.source2.wave=" + wave, "layer1.source2.level=-12", "layer1.source2.bodyDecay=30 s"});
        }
        parts.put("saw, 7 copies", new String[] {"layer1.source2.wave=saw", "layer1.source2.level=-12", "layer1.source2.unisonVoices=7", "layer1.source2.detune=12"});
        parts.put("table, 7 copies", new String[] {"layer1.source2.wave=table", "layer1.source2.level=-12", "layer1.source2.unisonVoices=7", "layer1.source2.detune=12"});
        parts.put("sine bent by a sine", new String[] {"layer1.source2.level=-12", "layer1.source2.phaseModulation1=2"});
        parts.put("saw synced to the sine", new String[] {"layer1.source2.wave=saw", "layer1.source2.level=-12", "layer1.source2.semitones=7", "layer1.source2.sync=source1"});
        parts.put("white noise", new String[] {"layer1.noise.level=-20"});
        parts.put("pink noise", new String[] {"layer1.noise.level=-20", "layer1.noise.colour=pink"});
        choices("layer1.filter1.type", "filter ", parts, "layer1.filter1.cutoff=1k", "layer1.filter1.resonance=6");
        parts.put("voice drive", new String[] {"layer1.drive.type=soft"});
        choices("effect1.type", "effect ", parts, "effect1.equaliser.gain1=3", "effect1.equaliser.gain2=-3", "effect1.equaliser.lowGain=3", "effect1.equaliser.highGain=3");
        return parts;
    }

    /** A part for every choice but the first, which is none. */
    private static void choices(String parameter, String prefix, Map<String, String[]> parts, String... more) {
        for (String choice : Parameters.find(parameter).choices().subList(1, Parameters.find(parameter).choices().size())) {
            String[] changes = Arrays.copyOf(more, more.length + 1);
            changes[more.length] = parameter + "=" + choice;
            parts.put(prefix + choice, changes);
        }
    }

    private static Patch patch(String[] changes) {
        Patch patch = Patch.neutral("Part");
        for (String change : changes) {
            Parameter parameter = Parameters.find(change.substring(0, change.indexOf('=')));
            patch = patch.withValue(parameter, ValueText.parse(parameter, change.substring(change.indexOf('=') + 1)));
        }
        return patch;
    }

    /** @param args names of the parts that are wanted, none for all */
    public static void main(String[] args) {
        List<Map<String, Object>> found = new ArrayList<>();
        Map<String, String[]> parts = all();
        parts.keySet().removeIf(name -> args.length > 0 && !List.of(args).contains(name));
        parts.forEach((name, changes) -> {
            double[] image = PatchImage.of(patch(changes));
            found.add(Map.of("name", name, "nanoseconds", nanoseconds(image), "image", image));
        });
        System.out.println(Json.write(found));
    }

    private static double nanoseconds(double[] image) {
        Engine engine = new Engine(RATE);
        engine.load(image);
        double[] left = new double[RATE];
        double[] right = new double[RATE];
        long fastest = Long.MAX_VALUE;
        for (int i = 0; i < SECONDS; i++) {
            if (i % HELD == 0) {
                engine.reset();
                engine.noteOn(57, 100);
            }
            long start = System.nanoTime();
            engine.render(left, right, 0, RATE);
            fastest = Math.min(fastest, System.nanoTime() - start);
        }
        return (double) fastest / RATE;
    }
}
