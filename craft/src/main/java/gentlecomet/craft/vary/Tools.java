package gentlecomet.craft.vary;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Unit;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Which parameters are there for a quality (the registry says), and how far each may go. What a sound designer would reach for comes first, in tiers: cutoff and envelope
 * amount before tone, tone before the balance of sources. Pitch, sync, ring, key map, performance, attack and levels of effects are never touched.
 */
final class Tools {

    /** Effects that make a sound rough by being louder; room and echo only blur it. */
    private static final Set<String> ROUGH_EFFECTS = Set.of("drive", "bitcrusher", "chorus", "ensemble", "tremolo");

    /** Octaves that a frequency, and factors of two that a time, may go. */
    private static final double OCTAVES = 2;
    private static final double LONGER_OCTAVES = 4;
    private static final double LEVEL_DB = 3;
    private static final double LEAST_NEW_NOISE_DB = -45;
    private static final double MOST_NEW_NOISE_DB = -14;
    private static final double MOST_TIMES = 2.2;
    private static final double OTHER_DB = 9;
    private static final double PERCENT = 40;
    private static final double SHARE_OF_RANGE = 0.3;

    private Tools() {
    }

    /** One parameter with the positions along its bar between which a variation may put it. */
    record Tool(Parameter parameter, double at, double low, double high) {
    }

    /** How many tiers there are. */
    static int tiers(Quality quality) {
        return quality.tiers();
    }

    /** What may be moved in a tier, counted from 0: what means something now, is not locked and has somewhere to go. */
    static List<Tool> of(Patch patch, Quality quality, int tier, Set<Parameter> locked) {
        List<Tool> tools = new ArrayList<>();
        for (Parameter p : Parameters.ALL) {
            int layer = Parameters.layerOf(p.index());
            boolean sounds = patch.relevant(p) && (layer < 0 || patch.layerOn(layer)) && !locked.contains(p);
            if (sounds && Parameters.movable(p) && p.facts().serves(quality.part(), tier + 1) && inUse(patch, quality, p)) {
                Tool tool = tool(patch, quality, p);
                if (tool.high() - tool.low() > 1e-6) {
                    tools.add(tool);
                }
            }
        }
        return tools;
    }

    /** What the sound does not have is not brought in, but for a little noise where it is to be rougher. */
    private static boolean inUse(Patch patch, Quality quality, Parameter p) {
        if (quality == Quality.ROUGHER && p.id().endsWith("noise.level")) {
            return true;
        }
        if (quality.measure().equals("roughness") && p.id().endsWith(".mix")) {
            Parameter type = Parameters.find(p.id().replace(".mix", ".type"));
            return ROUGH_EFFECTS.contains(ValueText.format(type, patch.soundingValue(type)));
        }
        boolean brings = p.id().contains(".phaseModulation") || p.id().endsWith(".level");
        return !brings || patch.soundingValue(p) > p.min();
    }

    private static Tool tool(Patch patch, Quality quality, Parameter p) {
        double value = patch.soundingValue(p);
        double least;
        double most;
        if (p.unit() == Unit.HERTZ || p.unit() == Unit.SECONDS) {
            double octaves = p.unit() == Unit.SECONDS && quality == Quality.LONGER ? LONGER_OCTAVES : OCTAVES;
            least = value * Math.pow(2, -octaves);
            most = Math.max(p.min(), value) * Math.pow(2, octaves);
        } else if (p.id().endsWith("noise.level") && value <= p.min()) {
            value = LEAST_NEW_NOISE_DB;
            least = value;
            most = MOST_NEW_NOISE_DB;
        } else if (p.unit() == Unit.DECIBELS) {
            double db = p.id().endsWith(".level") ? LEVEL_DB : OTHER_DB;
            least = value - db;
            most = value + db;
        } else if (p.unit() == Unit.PERCENT || p.unit() == Unit.PERCENT_LEVEL) {
            least = value - PERCENT;
            most = value + PERCENT;
        } else if (p.unit() == Unit.RADIANS || p.id().endsWith(".detune")) {
            least = quality == Quality.SMOOTHER ? 0 : value / 2;
            most = value * MOST_TIMES;
        } else {
            double at = p.position(value);
            least = p.value(at - SHARE_OF_RANGE);
            most = p.value(at + SHARE_OF_RANGE);
        }
        if (p.id().endsWith(".pan") && quality.direction() < 0) {
            // Narrower is towards the middle alone.
            least = Math.min(0, value);
            most = Math.max(0, value);
        }
        double at = p.position(value);
        double low = p.position(Math.max(p.min(), least));
        double high = p.position(Math.min(p.max(), most));
        int macro = patch.holdingMacro(p);
        if (macro >= 0) {
            // Both ends move along with a hand; they go no further than where one of them would be cut off, so the macro keeps its range.
            MacroTarget held = patch.targetOf(macro, p);
            double lower = Math.min(p.position(held.low()), p.position(held.high()));
            double upper = Math.max(p.position(held.low()), p.position(held.high()));
            low = Math.max(low, at - lower);
            high = Math.min(high, at + 1 - upper);
        }
        return new Tool(p, at, low, high);
    }
}
