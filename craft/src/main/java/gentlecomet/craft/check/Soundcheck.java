package gentlecomet.craft.check;

import gentlecomet.craft.check.Finding.Severity;
import gentlecomet.craft.measure.Difference;
import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** The automatic tests of a patch. Keeps an engine; one thread at a time. */
public final class Soundcheck {

    /** Ids of all rules, by family, in the order of the columns. */
    public static final List<String> RULES = List.of("silence.none", "silence.fault", "level.clipping", "level.ceiling", "level.loudness",
            "pitch.tuning", "tail.stuck", "tail.long", "keymap.hole", "macro.dead", "macro.unnamed", "macro.few", "macro.order", "macro.default",
            "expression.velocity", "expression.touch", "name.length", "name.pattern", "name.duplicate", "category.missing", "category.unknown");
    /** Rule families in the order of the columns. */
    public static final List<String> FAMILIES = RULES.stream().map(r -> r.substring(0, r.indexOf('.'))).distinct().toList();

    /** Below this a changed control counts as unheard, in dB under the sound itself. */
    private static final double UNHEARD_DB = -50;
    /** What findings depend on beside the sound, the house rules and what was measured. */
    static final String SETTINGS = RULES + " unheard " + UNHEARD_DB;

    private final HouseRules rules;
    private final Rendering rendering;

    /** For patches without recordings. */
    public Soundcheck(HouseRules rules) {
        this(rules, Recordings.NONE);
    }

    public Soundcheck(HouseRules rules, Recordings recordings) {
        this.rules = rules;
        rendering = new Rendering(Measuring.RATE, recordings);
    }

    /** Every finding of a patch; the sound tests render about twenty seconds of sound. */
    public List<Finding> check(Patch patch, Measurement measurement, Phrase phrase, Collection<String> otherNames) {
        List<Finding> findings = new ArrayList<>(names(patch, otherNames));
        findings.addAll(sound(patch, measurement, phrase));
        return findings;
    }

    /** Rules about name and category alone. */
    public List<Finding> names(Patch patch, Collection<String> otherNames) {
        return new NameRules(rules).check(patch.naming(), otherNames).stream()
                .map(b -> new Finding(b.rule(), Severity.FAULT, b.message(), Map.of(), "", "")).toList();
    }

    /** Rules about the sound; what they say depends on the sound, the category and the house rules only. */
    public List<Finding> sound(Patch patch, Measurement m, Phrase phrase) {
        List<Finding> findings = new ArrayList<>();
        int key = m.probeKey();
        String probe = KeyName.of(key) + ":100:1.5";
        if (m.silent()) {
            findings.add(finding("silence.none", Severity.FAULT, "Nothing is heard: the phrase stays below -70 LUFS.", "", probe,
                    "loudness", lufs(m.momentaryMaxLufs())));
            keyMap(patch, findings);
            return findings;
        }
        level(patch, m, findings);
        Rendering.Result loudest = rendering.render(PatchImage.of(patch), phrase, 1, Rendering.Hands.AT_REST);
        if (loudest.faults() > 0) {
            findings.add(finding("silence.fault", Severity.FAULT, "The engine silenced voices that produced no valid sound.", "", probe,
                    "voices", String.valueOf(loudest.faults())));
        }
        clipping(loudest.audio(), findings);
        pitch(patch, m, probe, findings);
        tail(patch, m, probe, findings);
        keyMap(patch, findings);
        macros(patch, key, findings);
        expression(patch, key, findings);
        return findings;
    }

    private void level(Patch patch, Measurement m, List<Finding> findings) {
        if (m.truePeakDbtp() > rules.ceilingDbtp() + 0.01) {
            findings.add(finding("level.ceiling", Severity.FAULT, String.format(Locale.ROOT,
                    "The true peak is %.1f dB above the ceiling of %.1f dBTP.", m.truePeakDbtp() - rules.ceilingDbtp(), rules.ceilingDbtp()),
                    "levelTrim", "phrase", "true peak", dbtp(m.truePeakDbtp()), "ceiling", dbtp(rules.ceilingDbtp())));
        }
        double loudness = rules.measureOf(patch.naming().category()).of(m);
        double off = loudness - rules.targetLufs();
        if (Math.abs(off) > rules.toleranceLu()) {
            findings.add(finding("level.loudness", Severity.WARNING, String.format(Locale.ROOT,
                    "The patch is %.2f LU %s the target of %.1f LUFS; the house allows %.1f.", Math.abs(off), off > 0 ? "above" : "below",
                    rules.targetLufs(), rules.toleranceLu()), "levelTrim", "phrase", "loudness", lufs(loudness), "target", lufs(rules.targetLufs())));
        }
    }

    private static void clipping(Audio audio, List<Finding> findings) {
        int over = 0;
        for (int i = 0; i < audio.frames(); i++) {
            if (Math.abs(audio.left()[i]) > 1 || Math.abs(audio.right()[i]) > 1) {
                over++;
            }
        }
        if (over > 0) {
            findings.add(finding("level.clipping", Severity.FAULT, "Samples of the phrase pass full scale: a converter would cut them off.",
                    "levelTrim", "phrase", "samples over", String.valueOf(over)));
        }
    }

    private void pitch(Patch patch, Measurement m, String probe, List<Finding> findings) {
        if (m.pitchCents() != null && Math.abs(m.pitchCents()) > rules.tuningCents()) {
            findings.add(finding("pitch.tuning", Severity.FAULT, String.format(Locale.ROOT,
                    "%s sounds %.0f cents %s; the house allows %.0f.", KeyName.of(m.probeKey()), Math.abs(m.pitchCents()),
                    m.pitchCents() > 0 ? "sharp" : "flat", rules.tuningCents()), pitchPlace(patch, m.probeKey()), probe,
                    "offset", String.format(Locale.ROOT, "%+.1f ct", m.pitchCents())));
        }
    }

    private void tail(Patch patch, Measurement m, String probe, List<Finding> findings) {
        double limit = rules.category(patch.naming().category()).map(Category::tailLimitSeconds).orElse(10.0);
        if (m.endless()) {
            findings.add(finding("tail.stuck", Severity.FAULT, String.format(Locale.ROOT,
                    "The note is still sounding %.0f s after its key was let go.", Measuring.LONGEST_TAIL), tailPlace(patch, m.probeKey()), probe,
                    "tail", String.format(Locale.ROOT, "over %.0f s", Measuring.LONGEST_TAIL)));
        } else if (m.tailSeconds() > limit) {
            findings.add(finding("tail.long", Severity.WARNING, String.format(Locale.ROOT,
                    "The tail rings for %.1f s; its category allows %.1f s.", m.tailSeconds(), limit), tailPlace(patch, m.probeKey()), probe,
                    "tail", String.format(Locale.ROOT, "%.1f s", m.tailSeconds()), "limit", String.format(Locale.ROOT, "%.1f s", limit)));
        }
    }

    /** The fine tune of the loudest source that plays a key. */
    private static String pitchPlace(Patch patch, int key) {
        int loudest = Parameters.ofSource(sounding(patch, key).get(0), 0, 0);
        for (int layer : sounding(patch, key)) {
            for (int source = 0; source < LayerParameters.SOURCES; source++) {
                int at = Parameters.ofSource(layer, source, 0);
                loudest = level(patch, at) > level(patch, loudest) ? at : loudest;
            }
        }
        return Parameters.at(loudest + SourceParameters.CENTS).id();
    }

    private static double level(Patch patch, int source) {
        return patch.soundingValue(Parameters.at(source + SourceParameters.LEVEL));
    }

    /** The longest release among the layers that play a key. */
    private static String tailPlace(Patch patch, int key) {
        return sounding(patch, key).stream().map(layer -> Parameters.find("layer" + (layer + 1) + ".amplitude.release"))
                .max(Comparator.comparingDouble(patch::soundingValue)).orElseThrow().id();
    }

    /** Layers that play a key, counted from 0; the first one where none does. */
    private static List<Integer> sounding(Patch patch, int key) {
        List<Integer> layers = new ArrayList<>();
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            int at = Parameters.ofLayer(layer, 0);
            if (patch.layerOn(layer) && key >= patch.value(at + LayerParameters.LOW_KEY) && key <= patch.value(at + LayerParameters.HIGH_KEY)) {
                layers.add(layer);
            }
        }
        return layers.isEmpty() ? List.of(0) : layers;
    }

    private static void keyMap(Patch patch, List<Finding> findings) {
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
                findings.add(finding("keymap.hole", Severity.FAULT, "No layer sounds at every velocity from " + KeyName.of(from) + " to "
                        + KeyName.of(key - 1) + ", though keys below and above do.", "layer1.zone.highKey",
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

    private void macros(Patch patch, int key, List<Finding> findings) {
        int used = 0;
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            Macro macro = patch.macros().get(m);
            int number = m;
            boolean routed = patch.routes().stream().anyMatch(r -> r.source().ordinal() == Modulator.MACRO_1.ordinal() + number);
            if (macro.unused() && !routed) {
                continue;
            }
            used++;
            String title = "Macro " + (m + 1) + (macro.name().isEmpty() ? "" : " (" + macro.name() + ")");
            if (macro.name().isEmpty()) {
                findings.add(finding("macro.unnamed", Severity.WARNING, title + " moves something but has no name.", "macro" + (m + 1), ""));
            }
            String houseName = m < rules.macroNames().size() ? rules.macroNames().get(m) : "";
            if (!macro.name().isEmpty() && !houseName.isEmpty() && !macro.name().equals(houseName)) {
                findings.add(finding("macro.order", Severity.WARNING, title + " stands where the house has \"" + houseName + "\".",
                        "macro" + (m + 1), "", "expected", houseName, "found", macro.name()));
            }
            double wanted = rules.macroDefault(m);
            double stands = patch.value(PatchParameters.MACRO + m);
            if (wanted >= 0 && Math.abs(stands - wanted) > 0.5) {
                findings.add(finding("macro.default", Severity.WARNING, String.format(Locale.ROOT, "%s stands at %.0f %%; the house wants %.0f %%.", title, stands, wanted),
                        "macro" + (m + 1), "", "expected", String.format(Locale.ROOT, "%.0f %%", wanted), "found", String.format(Locale.ROOT, "%.1f %%", stands)));
            }
            double heard = difference(macroAt(patch, m, 0), macroAt(patch, m, 100), key, 100, 100);
            if (heard < UNHEARD_DB) {
                findings.add(finding("macro.dead", Severity.FAULT, title + " changes nothing that can be heard between its ends.",
                        "macro" + (m + 1), KeyName.of(key) + ":100:1", "difference", heard <= Loudness.SILENT ? "none" : db(heard)));
            }
        }
        if (used < rules.fewestMacros()) {
            findings.add(finding("macro.few", Severity.WARNING, "The patch has " + used + " macros; the house wants at least "
                    + rules.fewestMacros() + ".", "macro1", "", "macros", String.valueOf(used)));
        }
    }

    private void expression(Patch patch, int key, List<Finding> findings) {
        double[] image = PatchImage.of(patch);
        double byVelocity = difference(image, image, key, 24, 120);
        if (byVelocity < UNHEARD_DB) {
            findings.add(finding("expression.velocity", Severity.FAULT, "Soft and hard notes sound the same.", "performance.velocityToLevel",
                    KeyName.of(key) + ":24:.7," + KeyName.of(key) + ":120:.7", "difference 24 to 120",
                    byVelocity <= Loudness.SILENT ? "none" : db(byVelocity)));
        }
        Audio still = note(image, key, 100, Rendering.Hands.AT_REST);
        double byTouch = Difference.db(still, note(image, key, 100, e -> e.aftertouch(1)));
        double byWheel = Difference.db(still, note(image, key, 100, e -> e.modWheel(1)));
        if (byTouch < UNHEARD_DB && byWheel < UNHEARD_DB) {
            findings.add(finding("expression.touch", Severity.WARNING, "Neither aftertouch nor the mod wheel changes the sound.", "routes", "",
                    "aftertouch", byTouch <= Loudness.SILENT ? "none" : db(byTouch), "wheel", byWheel <= Loudness.SILENT ? "none" : db(byWheel)));
        }
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            int at = Parameters.ofLayer(layer, 0);
            if (patch.layerOn(layer) && (patch.value(at + LayerParameters.LOW_KEY) > patch.value(at + LayerParameters.HIGH_KEY)
                    || patch.value(at + LayerParameters.LOW_VELOCITY) > patch.value(at + LayerParameters.HIGH_VELOCITY))) {
                findings.add(finding("keymap.hole", Severity.FAULT, "Layer " + (layer + 1) + " can never sound: its zone ends before it begins.",
                        "layer" + (layer + 1) + ".zone.lowKey", ""));
            }
        }
    }

    private static double[] macroAt(Patch patch, int macro, double position) {
        return PatchImage.of(patch.withValue(Parameters.at(PatchParameters.MACRO + macro), position));
    }

    private double difference(double[] first, double[] second, int key, int firstVelocity, int secondVelocity) {
        return Difference.db(note(first, key, firstVelocity, Rendering.Hands.AT_REST), note(second, key, secondVelocity, Rendering.Hands.AT_REST));
    }

    /** A short note with two seconds of tail. */
    private Audio note(double[] image, int key, int velocity, Rendering.Hands hands) {
        return rendering.render(image, Phrase.single(key, velocity, 1), 2, hands).audio();
    }

    private static Finding finding(String rule, Severity severity, String message, String place, String clip, String... evidence) {
        Map<String, String> numbers = new LinkedHashMap<>();
        for (int i = 0; i < evidence.length; i += 2) {
            numbers.put(evidence[i], evidence[i + 1]);
        }
        return new Finding(rule, severity, message, numbers, place, clip);
    }

    private static String lufs(double value) {
        return String.format(Locale.ROOT, "%.1f LUFS", value);
    }

    private static String dbtp(double value) {
        return String.format(Locale.ROOT, "%.1f dBTP", value);
    }

    private static String db(double value) {
        return String.format(Locale.ROOT, "%.1f dB", value);
    }
}
