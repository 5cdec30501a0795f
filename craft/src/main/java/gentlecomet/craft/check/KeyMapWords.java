package gentlecomet.craft.check;

import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.List;

/** What a key map looks like, in words: holes, layers that can never sound, layers that sound together. */
public final class KeyMapWords {

    private final Patch patch;

    private KeyMapWords(Patch patch) {
        this.patch = patch;
    }

    /** One line for each thing to say; a patch of one layer over all keys has none. */
    public static List<String> of(Patch patch) {
        KeyMapWords map = new KeyMapWords(patch);
        List<String> words = new ArrayList<>();
        map.layers().forEach(layer -> map.unreachable(layer, words));
        map.holes(words);
        map.overlaps(words);
        return words;
    }

    private List<Integer> layers() {
        List<Integer> layers = new ArrayList<>();
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            if (patch.layerOn(layer)) {
                layers.add(layer);
            }
        }
        return layers;
    }

    private int v(int layer, int place) {
        return (int) patch.value(Parameters.ofLayer(layer, place));
    }

    private boolean covers(int layer, int key, int velocity) {
        return key >= v(layer, LayerParameters.LOW_KEY) && key <= v(layer, LayerParameters.HIGH_KEY) && velocity >= v(layer, LayerParameters.LOW_VELOCITY)
                && velocity <= v(layer, LayerParameters.HIGH_VELOCITY);
    }

    private void unreachable(int layer, List<String> words) {
        if (v(layer, LayerParameters.LOW_KEY) > v(layer, LayerParameters.HIGH_KEY) || v(layer, LayerParameters.LOW_VELOCITY) > v(layer, LayerParameters.HIGH_VELOCITY)) {
            words.add("Layer " + (layer + 1) + " can never sound: its zone ends before it begins.");
        }
    }

    /** Stretches of keys between the lowest and the highest that are silent at some velocity, with those velocities. */
    private void holes(List<String> words) {
        int from = -1;
        String reason = "";
        for (int key = lowest(); key <= highest() + 1; key++) {
            String now = key > highest() ? "" : silent(key);
            if (!now.equals(reason)) {
                if (!reason.isEmpty()) {
                    words.add("Hole: " + range(from, key - 1) + " " + reason + ".");
                }
                from = key;
                reason = now;
            }
        }
    }

    private String silent(int key) {
        int low = 0;
        int high = 0;
        for (int velocity = 1; velocity <= 127; velocity++) {
            int at = velocity;
            if (layers().stream().noneMatch(l -> covers(l, key, at))) {
                low = low == 0 ? velocity : low;
                high = velocity;
            }
        }
        return low == 0 ? "" : low == 1 && high == 127 ? "is silent" : "is silent from velocity " + low + " to " + high;
    }

    private int lowest() {
        return layers().stream().mapToInt(l -> v(l, LayerParameters.LOW_KEY)).min().orElse(0);
    }

    private int highest() {
        return layers().stream().mapToInt(l -> v(l, LayerParameters.HIGH_KEY)).max().orElse(-1);
    }

    private void overlaps(List<String> words) {
        List<Integer> layers = layers();
        for (int i = 0; i < layers.size(); i++) {
            for (int k = i + 1; k < layers.size(); k++) {
                overlap(layers.get(i), layers.get(k), words);
            }
        }
    }

    private void overlap(int a, int b, List<String> words) {
        int low = Math.max(v(a, LayerParameters.LOW_KEY), v(b, LayerParameters.LOW_KEY));
        int high = Math.min(v(a, LayerParameters.HIGH_KEY), v(b, LayerParameters.HIGH_KEY));
        int soft = Math.max(v(a, LayerParameters.LOW_VELOCITY), v(b, LayerParameters.LOW_VELOCITY));
        int hard = Math.min(v(a, LayerParameters.HIGH_VELOCITY), v(b, LayerParameters.HIGH_VELOCITY));
        if (low <= high && soft <= hard) {
            words.add("Layers " + (a + 1) + " and " + (b + 1) + " sound together from " + KeyName.of(low) + " to " + KeyName.of(high)
                    + (soft == 1 && hard == 127 ? "" : ", velocity " + soft + " to " + hard) + ".");
        }
    }

    private static String range(int from, int to) {
        return from == to ? KeyName.of(from) : KeyName.of(from) + " to " + KeyName.of(to);
    }
}
