package gentlecomet.craft.response;

import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.TreeSet;

/**
 * What changes where one layer ends and another begins: from one key to the next, or from one velocity to the next.
 *
 * @param byKey      between two keys; else between two velocities of the middle key
 * @param below      last key or velocity before the step
 * @param key        key at which it was measured; of a step between keys the lower one
 * @param loudnessLu loudness after it against before it
 * @param brightness ratio of the spectral centroids
 */
public record SplitStep(boolean byKey, int below, int key, double loudnessLu, double brightness) {

    private static final int VELOCITY = 100;
    private static final double HELD_SECONDS = 0.5;
    private static final double TAIL_SECONDS = 0.1;

    /** In words: "F3 to F#3: +2.1 dB, 1.8 times as bright". */
    public String words() {
        String place = byKey ? KeyName.of(below) + " to " + KeyName.of(below + 1) : "velocity " + below + " to " + (below + 1) + " at " + KeyName.of(key);
        // A tenth that rounds to nothing has no sign.
        double tenths = Math.rint(10 * loudnessLu) / 10 + 0.0;
        return String.format(Locale.ROOT, "%s: %+.1f dB, %.2f times as bright", place, tenths, brightness);
    }

    /** The splits of a patch, keys first. */
    public static List<SplitStep> of(Patch patch, Recordings recordings) {
        Rendering rendering = new Rendering(Measuring.RATE, recordings);
        double[] image = PatchImage.of(patch);
        List<SplitStep> steps = new ArrayList<>();
        for (int below : edges(patch, LayerParameters.LOW_KEY, LayerParameters.HIGH_KEY)) {
            add(steps, true, below, below, note(rendering, image, below, VELOCITY), note(rendering, image, below + 1, VELOCITY));
        }
        int key = Measuring.probeKey(patch);
        for (int below : edges(patch, LayerParameters.LOW_VELOCITY, LayerParameters.HIGH_VELOCITY)) {
            add(steps, false, below, key, note(rendering, image, key, below), note(rendering, image, key, below + 1));
        }
        return steps;
    }

    private static void add(List<SplitStep> steps, boolean byKey, int below, int key, NoteFigures before, NoteFigures after) {
        if (before.heard() && after.heard()) {
            steps.add(new SplitStep(byKey, below, key, after.loudness() - before.loudness(), after.brightnessHz() / before.brightnessHz()));
        }
    }

    private static NoteFigures note(Rendering rendering, double[] image, int key, int velocity) {
        return NoteFigures.of(rendering.render(image, Phrase.single(key, velocity, HELD_SECONDS), TAIL_SECONDS, Rendering.ControllerState.AT_REST).audio(), key, HELD_SECONDS);
    }

    /** Places after which a layer ends or before which one begins, inside of the range that all layers cover. */
    private static TreeSet<Integer> edges(Patch patch, int low, int high) {
        TreeSet<Integer> edges = new TreeSet<>();
        int first = 127;
        int last = 0;
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            if (patch.layerOn(layer)) {
                int from = (int) patch.value(Parameters.ofLayer(layer, low));
                int to = (int) patch.value(Parameters.ofLayer(layer, high));
                edges.add(from - 1);
                edges.add(to);
                first = Math.min(first, from);
                last = Math.max(last, to);
            }
        }
        int begins = first;
        int ends = last;
        edges.removeIf(e -> e < begins || e >= ends);
        return edges;
    }
}
