package gentlecomet.craft.format;

import com.fasterxml.jackson.databind.node.ObjectNode;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.Taper;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
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
        fields.putObject("version").put("const", PatchFormat.VERSION);
        text(fields, "name", NameRules.STORED_LENGTH).put("minLength", 1);
        text(fields, "category", 30);
        text(fields, "author", 80);
        text(fields, "notes", 4000);
        ObjectNode tags = fields.putObject("tags").put("type", "array").put("maxItems", 12);
        tags.putObject("items").put("type", "string").put("maxLength", 30);
        parameters(object(fields.putObject("parameters")).putObject("properties"));
        ObjectNode routes = fields.putObject("routes").put("type", "array").put("maxItems", Patch.MAX_ROUTES);
        ObjectNode route = object(routes.putObject("items")).putObject("properties");
        var modulators = route.putObject("from").putArray("enum");
        for (Modulator m : Modulator.values()) {
            modulators.add(m.id());
        }
        target(route);
        route.putObject("depth").put("type", "number");
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
        return Json.write(root);
    }

    private static void parameters(ObjectNode properties) {
        TreeMap<String, Parameter> sorted = new TreeMap<>();
        Parameters.ALL.forEach(p -> sorted.put(p.id(), p));
        sorted.forEach((id, p) -> {
            ObjectNode node = properties.putObject(id);
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

    private static void target(ObjectNode properties) {
        var ids = properties.putObject("to").putArray("enum");
        Parameters.ALL.stream().filter(Parameters::movable).map(Parameter::id).sorted().forEach(ids::add);
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
