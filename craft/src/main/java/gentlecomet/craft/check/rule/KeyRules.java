package gentlecomet.craft.check.rule;

import static gentlecomet.craft.check.SoundcheckRule.fault;
import static gentlecomet.craft.check.SoundcheckRule.look;

import gentlecomet.craft.check.FindingText;
import gentlecomet.craft.check.Findings;
import gentlecomet.craft.check.Repairs;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.check.Threshold;
import gentlecomet.craft.check.ZoneOverlap;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.probe.KeyProbe;
import gentlecomet.craft.response.SplitStep;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import java.util.List;

/** The key map, its splits and its edges. */
public final class KeyRules {

    private static final Threshold OVERLAP = new Threshold("keymap.overlap", "both", "keys", 12, "at which two layers that part may sound together by mistake; more is taken for a wish");
    private static final Threshold STEP_LEVEL = new Threshold("keymap.split", "level", "LU", 4, "greatest step of loudness where layers meet");
    private static final Threshold STEP_BRIGHT = new Threshold("keymap.split", "brightness", "oct", 3, "greatest step of brightness where layers meet");
    private static final Threshold DEAD = new Threshold("keymap.dead", "quieter", "LU", 30, "by which a key of the category's register may be quieter than the loudest");
    private static final Threshold SHRIEK = new Threshold("keymap.shriek", "part", "%", 70, "of the power of a key in one third of an octave far above its pitch");
    private static final Threshold ALIAS = new Threshold("keymap.alias", "power", "dB", -40, "of what the highest key has below its pitch, against all of it");

    /** All of them. */
    public static final List<SoundcheckRule> ALL = List.of(
            fault("keymap.hole", "Between the lowest and the highest key that sounds every key sounds at every velocity, and every layer can sound.", "Move the edge of a zone on the key map.", (s, found) -> {
                holes(s.patch(), found);
                unreachable(s.patch(), found);
            }).ofSilenceToo().mendedBy(Repairs.CLOSE_HOLE),
            look("keymap.overlap", "Layers that part do not sound together where they meet.", "Part their zones, or let them fade into each other.", (s, found) -> {
                for (ZoneOverlap o : ZoneOverlap.of(s.patch())) {
                    if (o.size() <= s.limit(OVERLAP)) {
                        String from = o.byKey() ? KeyName.of(o.from()) : "velocity " + o.from();
                        String to = o.byKey() ? KeyName.of(o.to()) : String.valueOf(o.to());
                        found.add("Layers %d and %d part, yet both sound at full level %s.", o.lower() + 1, o.upper() + 1, o.size() == 1 ? "at " + from : "from " + from + " to " + to)
                                .at("layer" + (o.lower() + 1) + (o.byKey() ? ".zone.highKey" : ".zone.highVelocity")).clip(overlapClip(s, o)).number("both at", String.valueOf(o.size()))
                                .picture(o.byKey() ? CheckPictures.keys(s, "LUFS", KeyProbe::loudness, null, o.from()) : CheckPictures.touch(s.probes().middleTouch(), (double) o.from()));
                    }
                }
            }, OVERLAP).ofSilenceToo().mendedBy(Repairs.PART_ZONES, Repairs.FADE_SPLIT),
            look("keymap.split", "Where layers meet loudness and brightness do not step.", "Balance the keys, or let the zones fade into each other.", (s, found) -> {
                for (SplitStep step : s.probes().splits()) {
                    double octaves = Math.log(step.brightness()) / Math.log(2);
                    if (step.byKey() && (Math.abs(step.loudnessLu()) > s.limit(STEP_LEVEL) || Math.abs(octaves) > s.limit(STEP_BRIGHT))) {
                        found.add("At the split from %s to %s the sound steps by %+.1f LU and %+.1f octaves of brightness.", KeyName.of(step.below()), KeyName.of(step.below() + 1), step.loudnessLu(), octaves)
                                .at(edge(s.patch(), step.below())).clip(Subject.note(step.below(), 100, 0.8) + "," + Subject.note(step.below() + 1, 100, 0.8))
                                .number("loudness", FindingText.lu(step.loudnessLu())).number("brightness", FindingText.octaves(octaves))
                                .picture(CheckPictures.keys(s, "LUFS", KeyProbe::loudness, null, step.below()));
                    }
                }
            }, STEP_LEVEL, STEP_BRIGHT).mendedBy(Repairs.EVEN_KEYS, Repairs.FADE_SPLIT),
            fault("keymap.dead", "Every key of the category's register is heard.", "Let the filter follow the keys, or narrow the zone.", (s, found) -> {
                double loudest = s.probes().keys().stream().mapToDouble(KeyProbe::loudness).max().orElse(0);
                List<KeyProbe> dead = LevelRules.register(s).stream().filter(k -> k.loudness() < loudest - s.limit(DEAD)).toList();
                if (!dead.isEmpty()) {
                    KeyProbe key = dead.get(0);
                    found.add("%s of the category's register %s hardly heard: %s, %.0f LU below the loudest.", dead.size() == 1 ? "A key" : dead.size() + " probed keys", dead.size() == 1 ? "is" : "are",
                            KeyName.of(key.key()), loudest - Math.max(-100, key.loudness())).at("layer" + (s.soundingLayers(key.key()).get(0) + 1) + ".filter1.keyTracking")
                            .clip(s.probe() + "," + Subject.note(key.key(), 100, 1)).number("below the loudest", FindingText.lu(loudest - Math.max(-100, key.loudness())))
                            .picture(CheckPictures.keys(s, "LUFS", KeyProbe::loudness, loudest - s.limit(DEAD), key.key()));
                }
            }, DEAD).mendedBy(Repairs.KEY_TRACKING),
            look("keymap.shriek", "No key shrieks: no narrow band far above the pitch takes the sound over.", "Take the resonance down, or let the filter follow the keys less.", (s, found) -> {
                LevelRules.register(s).stream().filter(k -> 100 * k.shriek() > s.limit(SHRIEK) && k.figures().heard()).findFirst().ifPresent(key ->
                        found.add("%.0f %% of the power of %s lies in one third of an octave far above its pitch.", 100 * key.shriek(), KeyName.of(key.key()))
                                .at("layer" + (s.soundingLayers(key.key()).get(0) + 1) + ".filter1.resonance").clip(Subject.note(key.key(), 100, 1.2)).number("part", FindingText.percent(100 * key.shriek()))
                                .picture(CheckPictures.keys(s, "part, %", k -> 100 * k.shriek(), s.limit(SHRIEK), key.key())));
            }, SHRIEK).mendedBy(Repairs.LESS_RESONANCE),
            look("keymap.alias", "The highest keys have no partials that fold back.", "Oversample the patch, or narrow its zone.", (s, found) -> {
                double db = s.probes().aliasingDb();
                if (db > s.limit(ALIAS)) {
                    found.add("%s has partials that fold back below its pitch, %.0f dB against all of it; at four times the rate they are gone.", KeyName.of(s.probes().highestKey()), db)
                            .at(Parameters.at(PatchParameters.OVERSAMPLING).id()).clip(Subject.note(s.probes().highestKey(), 100, 1)).number("folded", FindingText.db(db));
                }
            }, ALIAS).mendedBy(Repairs.OVERSAMPLE));

    private KeyRules() {
    }

    /** The zone's edge at a split. */
    private static String edge(Patch patch, int below) {
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            if (patch.layerOn(layer) && patch.value(Parameters.ofLayer(layer, LayerParameters.HIGH_KEY)) == below) {
                return "layer" + (layer + 1) + ".zone.highKey";
            }
        }
        return "layer1.zone.highKey";
    }

    /** Below, within and above. */
    private static String overlapClip(Subject s, ZoneOverlap o) {
        return o.byKey() ? Subject.note(o.from() - 1, 100, 0.6) + "," + Subject.note(o.from(), 100, 0.6) + "," + Subject.note(o.to() + 1, 100, 0.6)
                : Subject.note(s.key(), o.from() - 1, 0.6) + "," + Subject.note(s.key(), o.from(), 0.6) + "," + Subject.note(s.key(), o.to() + 1, 0.6);
    }

    private static void holes(Patch patch, Findings found) {
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
                found.add("No layer sounds at every velocity from " + KeyName.of(from) + " to " + KeyName.of(key - 1) + ", though keys below and above do.").at("layer1.zone.highKey")
                        .clip(KeyName.of(Math.max(lowest, from - 1)) + ":100:.4," + KeyName.of(from) + ":100:.6," + KeyName.of(Math.min(highest, key)) + ":100:.6")
                        .number("first silent key", KeyName.of(from)).number("last silent key", KeyName.of(key - 1));
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

    private static void unreachable(Patch patch, Findings found) {
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            int at = Parameters.ofLayer(layer, 0);
            if (patch.layerOn(layer) && (patch.value(at + LayerParameters.LOW_KEY) > patch.value(at + LayerParameters.HIGH_KEY)
                    || patch.value(at + LayerParameters.LOW_VELOCITY) > patch.value(at + LayerParameters.HIGH_VELOCITY))) {
                found.add("Layer " + (layer + 1) + " can never sound: its zone ends before it begins.").at("layer" + (layer + 1) + ".zone.lowKey");
            }
        }
    }
}
