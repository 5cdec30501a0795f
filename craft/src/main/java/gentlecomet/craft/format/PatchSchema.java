package gentlecomet.craft.format;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.ShapeKind;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.Taper;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Ride;
import gentlecomet.sound.patch.Route;
import java.util.List;
import java.util.TreeMap;

/** The JSON Schema (2020-12) of a patch, made from the parameter registry; published as docs/patch.schema.json. */
public final class PatchSchema {

    private PatchSchema() {
    }

    public static String write() {
        ObjectNode root = object(Json.object());
        root.put("$schema", "https://json-schema.org/draft/2020-12/schema");
        root.put("title", "A patch of Gentle Comet");
        root.putArray("required").add("format").add("version").add("name");
        ObjectNode fields = root.putObject("properties");
        fields.putObject("format").put("const", PatchFormat.NAME);
        fields.putObject("version").put("type", "integer").put("minimum", 1).put("maximum", PatchFormat.VERSION);
        text(fields, "name", NameRules.STORED_LENGTH).put("minLength", 1);
        text(fields, "category", 30);
        text(fields, "author", 80);
        text(fields, "notes", 4000);
        ObjectNode tags = fields.putObject("tags").put("type", "array").put("maxItems", 12);
        tags.putObject("items").put("type", "string").put("maxLength", 30);
        parameters(object(fields.putObject("parameters")));
        ObjectNode routes = fields.putObject("routes").put("type", "array").put("maxItems", Patch.MAX_ROUTES);
        ObjectNode route = object(routes.putObject("items")).putObject("properties");
        ArrayNode modulators = route.putObject("from").putArray("enum");
        for (Modulator m : Modulator.values()) {
            modulators.add(m.id());
        }
        target(route);
        route.putObject("depth").put("type", "number");
        ArrayNode sides = route.putObject("side").putArray("enum");
        for (Route.Side side : Route.Side.values()) {
            sides.add(side.id());
        }
        for (String part : List.of("bend", "low", "high")) {
            route.putObject(part).put("type", "number").put("minimum", -100).put("maximum", 100).put("description", "in %");
        }
        route.putObject("scaledBy").putArray("enum").addAll(modulators);
        ObjectNode macros = fields.putObject("macros").put("type", "array").put("maxItems", PatchParameters.MACROS);
        ObjectNode macro = object(macros.putObject("items")).putObject("properties");
        macro.putObject("number").put("type", "integer").put("minimum", 1).put("maximum", PatchParameters.MACROS);
        text(macro, "name", 40);
        text(macro, "lowEnd", 40);
        text(macro, "highEnd", 40);
        ObjectNode held = object(macro.putObject("targets").put("type", "array").putObject("items")).putObject("properties");
        target(held);
        number(held.putObject("low"));
        number(held.putObject("high"));
        held.putObject("bend").put("type", "number").put("minimum", -100).put("maximum", 100).put("description", "in %");
        ObjectNode shapes = object(fields.putObject("shapes")).putObject("properties");
        for (ShapeKind kind : Shapes.ALL) {
            ObjectNode shape = shapes.putObject(kind.id()).put("type", "array").put("maxItems", kind.maxRows());
            ObjectNode row = shape.putObject("items").put("type", "array").put("minItems", kind.leastColumns()).put("maxItems", kind.columns().size());
            ArrayNode columns = row.putArray("prefixItems");
            for (ShapeKind.Column column : kind.columns()) {
                ObjectNode number = columns.addObject().put("title", column.label()).put("type", "number");
                Json.put(number, "minimum", column.min());
                Json.put(number, "maximum", column.max());
            }
        }
        ObjectNode ride = object(fields.putObject("rides").put("type", "array").put("maxItems", RideFormat.MOST).putObject("items")).putObject("properties");
        text(ride, "phrase", RideFormat.LONGEST_PHRASE_ID).put("minLength", 1);
        ArrayNode hands = ride.putObject("hand").putArray("enum");
        for (Ride.Hand hand : Ride.Hand.values()) {
            hands.add(hand.id());
        }
        ObjectNode points = ride.putObject("points").put("type", "array").put("minItems", 1).put("maxItems", Ride.MOST_POINTS);
        points.putObject("items").put("type", "array").put("minItems", 2).put("maxItems", 2).putObject("items").put("type", "number");
        ObjectNode recordings = object(fields.putObject("recordings"));
        ObjectNode recording = object(recordings.putObject("patternProperties").putObject("^layer[1-" + Parameters.LAYERS + "]\\.source[1-"
                + LayerParameters.SOURCES + "]$")).putObject("properties");
        recording.putObject("hash").put("type", "string").put("pattern", "^[0-9a-f]{64}$");
        text(recording, "name", DrawnParts.LONGEST_NAME);
        return Json.write(root);
    }

    /** Groups that come several times are described once, by a pattern over their numbers. */
    private static void parameters(ObjectNode object) {
        ObjectNode properties = object.putObject("properties");
        ObjectNode patterns = object.putObject("patternProperties");
        TreeMap<String, Parameter> sorted = new TreeMap<>();
        Parameters.ALL.forEach(p -> sorted.put(p.id(), p));
        sorted.forEach((id, p) -> {
            String pattern = pattern(id);
            boolean plain = pattern.equals("^" + id.replace(".", "\\.") + "$");
            if (!plain && patterns.has(pattern)) {
                return;
            }
            ObjectNode node = plain ? properties.putObject(id) : patterns.putObject(pattern);
            node.put("title", PatchRules.name(p));
            if (p.taper() == Taper.CHOICE) {
                p.choices().forEach(node.withArray("enum")::add);
                node.put("default", p.choices().get((int) p.neutral()));
            } else {
                node.put("type", p.taper().continuous() ? "number" : "integer");
                Json.put(node, "minimum", p.min());
                Json.put(node, "maximum", p.max());
                Json.put(node, "default", p.neutral());
                node.put("description", p.unit().symbol().isEmpty() ? "no unit" : "in " + p.unit().symbol());
            }
        });
    }

    private static String pattern(String id) {
        String effects = id.startsWith("layer") ? "[1-" + LayerParameters.EFFECTS + "]" : "([1-9]|10)";
        return "^" + id.replace(".", "\\.").replaceFirst("^layer\\d", "layer[1-" + Parameters.LAYERS + "]")
                .replaceFirst("source\\d\\\\", "source[1-" + LayerParameters.SOURCES + "]\\\\")
                .replaceFirst("filter\\d\\\\", "filter[1-" + LayerParameters.FILTERS + "]\\\\")
                .replaceFirst("envelope\\d\\\\", "envelope[2-" + LayerParameters.ENVELOPES + "]\\\\")
                .replaceFirst("curve\\d\\\\", "curve[1-" + LayerParameters.CURVES + "]\\\\")
                .replaceFirst("lfo\\d\\\\", "lfo[1-" + LayerParameters.LFOS + "]\\\\")
                .replaceFirst("effect\\d+\\\\", "effect" + effects + "\\\\") + "$";
    }

    private static void target(ObjectNode properties) {
        properties.putObject("to").put("type", "string").put("description", "id of a parameter that can be moved smoothly");
    }

    private static void number(ObjectNode node) {
        node.put("type", "number");
    }

    private static ObjectNode text(ObjectNode fields, String name, int longest) {
        return fields.putObject(name).put("type", "string").put("maxLength", longest);
    }

    private static ObjectNode object(ObjectNode node) {
        return node.put("type", "object").put("additionalProperties", false);
    }
}
