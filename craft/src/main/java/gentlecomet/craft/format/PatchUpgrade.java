package gentlecomet.craft.format;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Brings the JSON of older patches to the version that is read now, one version at a time. Version 1 had one filter, one LFO and a
 * filter envelope for each layer, and a fixed delay and reverb; they become filter 1, LFO 1, envelope 2 and the first two
 * slots of the common chain.
 */
final class PatchUpgrade {

    private static final Map<String, String> MODULATORS = Map.of("lfo", "lfo1", "filterEnvelope", "envelope2");
    private static final double NO_MIX = 0;

    private PatchUpgrade() {
    }

    /** Changes the object in place. @param version that it says it has, 1 or more */
    static void upgrade(ObjectNode root, int version) {
        if (version < 2) {
            fromFirst(root);
        }
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
            rename(route, "to");
            if (route.hasNonNull("from")) {
                String from = route.get("from").asText();
                ((ObjectNode) route).put("from", MODULATORS.getOrDefault(from, from));
            }
        }
        for (JsonNode macro : items(root, "macros")) {
            if (macro instanceof ObjectNode object) {
                items(object, "targets").forEach(t -> rename(t, "to"));
            }
        }
    }

    private static void rename(JsonNode node, String field) {
        if (node instanceof ObjectNode object && object.hasNonNull(field)) {
            object.put(field, id(object.get(field).asText()));
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
