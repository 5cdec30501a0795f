package gentlecomet.craft.response;

import gentlecomet.craft.edit.CompositeEdit;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.edit.SetShape;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.engine.BreakPoints;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeSet;

/**
 * Proposes a level along the keys for each layer, so that a patch is even over its range and no split steps. The whole patch is measured at
 * keys spread over every layer and at both ends of it; what a key is louder or softer than the wished straight line is taken from, or given
 * to, every layer at that key, so layers that sound together keep their balance. The loudness of the patch as a whole stays.
 */
public final class KeyLevelBalance {

    private static final int VELOCITY = 100;
    private static final int KNOTS = 16;
    private static final int PASSES = 3;
    private static final double HELD_SECONDS = 0.5;
    private static final double TAIL_SECONDS = 0.1;
    private static final double MIDDLE_KEY = 60;
    /** Corrections below this are not worth an edit. */
    private static final double UNCHANGED_DB = 0.3;

    private final Recordings recordings;

    public KeyLevelBalance(Recordings recordings) {
        this.recordings = recordings;
    }

    /**
     * What is proposed.
     *
     * @param edit   one step of the history; null when the patch is even already
     * @param before splits as they are now
     * @param after  splits with the edit
     */
    public record Proposal(PatchEdit edit, List<SplitStep> before, List<SplitStep> after) {
        /** Greatest step between two keys, in dB. */
        public static double worst(List<SplitStep> steps) {
            return steps.stream().filter(SplitStep::byKey).mapToDouble(s -> Math.abs(s.loudnessLu())).max().orElse(0);
        }
    }

    /** @param slopeDbPerOctave wished change of loudness from an octave to the next; 0 is even */
    public Proposal propose(Patch patch, double slopeDbPerOctave) {
        Map<Integer, List<Integer>> knots = new HashMap<>();
        TreeSet<Integer> keys = new TreeSet<>();
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            if (patch.layerOn(layer)) {
                knots.put(layer, knots(patch, layer));
                keys.addAll(knots.get(layer));
            }
        }
        List<SplitStep> before = SplitStep.of(patch, recordings);
        Patch even = patch;
        double first = 0;
        for (int pass = 0; pass < PASSES; pass++) {
            // What follows the layers may hold loud keys down, so what is left is corrected again.
            Map<Integer, Double> correction = corrections(even, keys, slopeDbPerOctave / 12);
            double most = correction.values().stream().mapToDouble(Math::abs).max().orElse(0);
            first = pass == 0 ? most : first;
            if (most < UNCHANGED_DB) {
                break;
            }
            for (int layer : knots.keySet()) {
                even = even.withShape(Shapes.keyLevels(layer), levels(even, layer, knots.get(layer), correction));
            }
        }
        if (even.equals(patch)) {
            return new Proposal(null, before, before);
        }
        List<PatchEdit> edits = new ArrayList<>();
        for (int layer : knots.keySet()) {
            edits.add(new SetShape(Shapes.ALL.get(Shapes.keyLevels(layer)), even.shape(Shapes.keyLevels(layer))));
        }
        List<SplitStep> after = SplitStep.of(even, recordings);
        String words = Proposal.worst(before) == 0 ? String.format(Locale.ROOT, "Evened out over the keys: up to %.1f dB", first)
                : String.format(Locale.ROOT, "Evened out: greatest step at a split %.1f dB before, %.1f after", Proposal.worst(before), Proposal.worst(after));
        return new Proposal(new CompositeEdit(words, edits), before, after);
    }

    /** Keys of a layer at which its level is set: both ends and evenly between. */
    private static List<Integer> knots(Patch patch, int layer) {
        int low = Math.max(ResponseMap.LOWEST, (int) patch.value(Parameters.ofLayer(layer, LayerParameters.LOW_KEY)));
        int high = Math.min(ResponseMap.HIGHEST, (int) patch.value(Parameters.ofLayer(layer, LayerParameters.HIGH_KEY)));
        TreeSet<Integer> knots = new TreeSet<>();
        for (int k = 0; k < KNOTS && low <= high; k++) {
            knots.add((int) Math.rint(low + (high - low) * k / (KNOTS - 1.0)));
        }
        return List.copyOf(knots);
    }

    /** What each key is to change by, in dB; keys that are not heard have no entry. */
    private Map<Integer, Double> corrections(Patch patch, TreeSet<Integer> keys, double slope) {
        Rendering rendering = new Rendering(Measuring.RATE, recordings);
        double[] image = PatchImage.of(patch);
        Map<Integer, Double> off = new HashMap<>();
        for (int key : keys) {
            NoteFigures n = NoteFigures.of(rendering.render(image, Phrase.single(key, VELOCITY, HELD_SECONDS), TAIL_SECONDS, Rendering.ControllerState.AT_REST).audio(),
                    key, HELD_SECONDS);
            if (n.heard()) {
                off.put(key, slope * (key - MIDDLE_KEY) - n.loudness());
            }
        }
        double mean = off.values().stream().mapToDouble(Double::doubleValue).average().orElse(0);
        off.replaceAll((key, db) -> db - mean);
        return off;
    }

    /** The layer's levels as they stand, with the corrections added. */
    private static double[] levels(Patch patch, int layer, List<Integer> knots, Map<Integer, Double> correction) {
        double[] present = patch.shape(Shapes.keyLevels(layer));
        List<Double> rows = new ArrayList<>();
        for (int key : knots) {
            Double change = correction.get(key);
            if (change != null) {
                rows.add((double) key);
                rows.add(Math.max(-48, Math.min(24, Math.rint(10 * (BreakPoints.at(present, key, 0) + change)) / 10)));
            }
        }
        return rows.stream().mapToDouble(Double::doubleValue).toArray();
    }
}
