package gentlecomet.craft.format;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.TextNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Brings the JSON of older patches to the version that is read now, one version at a time. Version 1 had one filter, one LFO and a
 * filter envelope for each layer, and a fixed delay and reverb; they become filter 1, LFO 1, envelope 2 and the first two
 * slots of the common chain. Version 2 called some parameters and choices by words of its own; version 3 has the trade's.
 */
final class PatchUpgrade {

    private static final Map<String, String> MODULATORS = Map.of("lfo", "lfo1", "filterEnvelope", "envelope2");
    private static final double NO_MIX = 0;

    /** Parts of ids as version 2 had them, and as they are since; tried in this order, the first that fits counts. */
    private static final List<Map.Entry<Pattern, String>> SECOND_IDS = List.of(
            renamed("(source\\d\\.)copies$", "$1unisonVoices"), renamed("(source\\d\\.)balance$", "$1unisonBalance"),
            renamed("(source\\d\\.)phaseFrom(\\d)$", "$1phaseModulation$2"), renamed("((?:source\\d|noise)\\.)into$", "$1output"),
            renamed("(source\\d\\.)stretch$", "$1inharmonicity"), renamed("(effect\\d+\\.)gain$", "$1output"),
            renamed("delay\\.wobbleRate$", "delay.modulationRate"), renamed("delay\\.wobble$", "delay.modulationDepth"),
            renamed("widener\\.side$", "widener.delayedSide"), renamed("widener\\.time$", "widener.delay"), renamed("tremolo\\.spread$", "tremolo.stereoPhase"),
            renamed("bands\\.down$", "multiband.downThreshold"), renamed("bands\\.up$", "multiband.upThreshold"), renamed("(effect\\d+\\.)bands\\.", "$1multiband."),
            renamed("(effect\\d+\\.)transients\\.", "$1transientShaper."), renamed("(effect\\d+\\.)crush\\.", "$1bitcrusher."),
            renamed("ducking\\.division$", "ducking.rate"));
    private static final Map<String, String> SECOND_EFFECTS = Map.of("crush", "bitcrusher", "bands", "multibandCompressor", "transients", "transientShaper");
    private static final Map<String, String> SECOND_OUTPUTS = Map.of("filters", "both", "past", "direct");

    private PatchUpgrade() {
    }

    /** Changes the object in place. @param version that it says it has, 1 or more */
    static void upgrade(ObjectNode root, int version) {
        if (version < 2) {
            fromFirst(root);
        }
        if (version < 3) {
            fromSecond(root);
        }
    }

    private static Map.Entry<Pattern, String> renamed(String from, String to) {
        return Map.entry(Pattern.compile(from), to);
    }

    private static void fromSecond(ObjectNode root) {
        for (String map : List.of("parameters", "shapes")) {
            if (root.get(map) instanceof ObjectNode old) {
                ObjectNode renamed = Json.object();
                old.fields().forEachRemaining(e -> renamed.set(thirdId(e.getKey()), thirdChoice(e.getKey(), e.getValue())));
                root.set(map, renamed);
            }
        }
        items(root, "routes").forEach(route -> rename(route, "to", PatchUpgrade::thirdId));
        for (JsonNode macro : items(root, "macros")) {
            if (macro instanceof ObjectNode object) {
                items(object, "targets").forEach(t -> rename(t, "to", PatchUpgrade::thirdId));
            }
        }
    }

    private static String thirdId(String second) {
        for (Map.Entry<Pattern, String> id : SECOND_IDS) {
            Matcher found = id.getKey().matcher(second);
            if (found.find()) {
                return found.replaceFirst(id.getValue());
            }
        }
        return second;
    }

    private static JsonNode thirdChoice(String secondId, JsonNode value) {
        Map<String, String> choices = secondId.matches(".*effect\\d+\\.type") ? SECOND_EFFECTS : secondId.endsWith(".into") ? SECOND_OUTPUTS : Map.of();
        return value.isTextual() && choices.containsKey(value.asText()) ? TextNode.valueOf(choices.get(value.asText())) : value;
    }

    private static void fromFirst(ObjectNode root) {
        ObjectNode old = root.get("parameters") instanceof ObjectNode parameters ? parameters : Json.object();
        ObjectNode renamed = Json.object();
        old.fields().forEachRemaining(e -> renamed.set(id(e.getKey()), e.getValue()));
        renamed.put("effect1.type", "delay");
        renamed.put("effect2.type", "reverb");
        for (String mix : List.of("effect1.mix", "effect2.mix")) {
            if (!renamed.has(mix)) {
                Json.put(renamed, mix, NO_MIX);
            }
        }
        root.set("parameters", renamed);
        for (JsonNode route : items(root, "routes")) {
            rename(route, "to", PatchUpgrade::id);
            if (route.hasNonNull("from")) {
                String from = route.get("from").asText();
                ((ObjectNode) route).put("from", MODULATORS.getOrDefault(from, from));
            }
        }
        for (JsonNode macro : items(root, "macros")) {
            if (macro instanceof ObjectNode object) {
                items(object, "targets").forEach(t -> rename(t, "to", PatchUpgrade::id));
            }
        }
    }

    private static void rename(JsonNode node, String field, UnaryOperator<String> ids) {
        if (node instanceof ObjectNode object && object.hasNonNull(field)) {
            object.put(field, ids.apply(object.get(field).asText()));
        }
    }

    private static List<JsonNode> items(ObjectNode object, String field) {
        List<JsonNode> found = new ArrayList<>();
        if (object.get(field) instanceof ArrayNode array) {
            array.forEach(node -> {
                if (node.isObject()) {
                    found.add(node);
                }
            });
        }
        return found;
    }

    private static String id(String old) {
        String id = old.replaceFirst("^(layer\\d)\\.filter\\.", "$1.filter1.").replaceFirst("^(layer\\d)\\.lfo\\.", "$1.lfo1.")
                .replaceFirst("^(layer\\d)\\.filterEnvelope\\.", "$1.envelope2.");
        if (id.equals("delay.mix") || id.equals("reverb.mix")) {
            return id.equals("delay.mix") ? "effect1.mix" : "effect2.mix";
        }
        return id.startsWith("delay.") ? "effect1." + id : id.startsWith("reverb.") ? "effect2." + id : id;
    }
}
