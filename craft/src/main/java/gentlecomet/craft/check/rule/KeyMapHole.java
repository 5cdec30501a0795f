package gentlecomet.craft.check.rule;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.List;

/** Keys, velocities and layers that stay silent. */
public final class KeyMapHole extends SoundcheckRule {

    public KeyMapHole() {
        super("keymap.hole", Finding.Severity.FAULT, "Between the lowest and the highest key that sounds every key sounds at every velocity, and every layer can sound.", "Move the edge of a zone on the key map.");
    }

    @Override
    public boolean ofSilence() {
        return true;
    }

    @Override
    public List<Finding> check(Subject subject) {
        List<Finding> findings = new ArrayList<>();
        holes(subject.patch(), findings);
        unreachable(subject.patch(), findings);
        return findings;
    }

    private void holes(Patch patch, List<Finding> findings) {
        int lowest = 128;
        int highest = -1;
        for (int key = 0; key < 128; key++) {
            if (covered(patch, key)) {
                lowest = Math.min(lowest, key);
                highest = key;
            }
        }
        int from = -1;
        for (int key = lowest; key <= highest + 1; key++) {
            boolean hole = key <= highest && !coveredFully(patch, key);
            if (hole && from < 0) {
                from = key;
            } else if (!hole && from >= 0) {
                findings.add(finding("No layer sounds at every velocity from " + KeyName.of(from) + " to " + KeyName.of(key - 1) + ", though keys below and above do.",
                        "layer1.zone.highKey",
                        KeyName.of(Math.max(lowest, from - 1)) + ":100:.4," + KeyName.of(from) + ":100:.6," + KeyName.of(Math.min(highest, key)) + ":100:.6",
                        "first silent key", KeyName.of(from), "last silent key", KeyName.of(key - 1)));
                from = -1;
            }
        }
    }

    private static boolean covered(Patch patch, int key) {
        return Measuring.sounds(patch, key, 1) || Measuring.sounds(patch, key, 64) || Measuring.sounds(patch, key, 127);
    }

    private static boolean coveredFully(Patch patch, int key) {
        for (int velocity = 1; velocity <= 127; velocity++) {
            if (!Measuring.sounds(patch, key, velocity)) {
                return false;
            }
        }
        return true;
    }

    private void unreachable(Patch patch, List<Finding> findings) {
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            int at = Parameters.ofLayer(layer, 0);
            if (patch.layerOn(layer) && (patch.value(at + LayerParameters.LOW_KEY) > patch.value(at + LayerParameters.HIGH_KEY)
                    || patch.value(at + LayerParameters.LOW_VELOCITY) > patch.value(at + LayerParameters.HIGH_VELOCITY))) {
                findings.add(finding("Layer " + (layer + 1) + " can never sound: its zone ends before it begins.", "layer" + (layer + 1) + ".zone.lowKey", ""));
            }
        }
    }
}
