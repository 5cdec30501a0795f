package gentlecomet.craft.format;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.Taper;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Naming;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * A patch as JSON: sorted keys, real units, text ids, neutral values left out. Described in docs/patch-format.md. Unknown
 * fields and ids are refused with the place and what was expected.
 */
public final class PatchFormat {

    /** What the field "format" says. */
    public static final String NAME = "gentle-comet-patch";
    /** The version this program writes. */
    public static final int VERSION = 3;

    /** In the order in which they stand in a file. */
    private static final List<Parameter> BY_ID = Parameters.ALL.stream().sorted(Comparator.comparing(Parameter::id)).toList();
    private static final Set<String> FIELDS =
            Set.of("format", "version", "name", "category", "tags", "author", "notes", "parameters", "routes", "macros",
                    "shapes", "recordings", "rides");
    private static final Set<String> ROUTE_FIELDS = Set.of("from", "to", "depth", "side", "bend", "low", "high", "scaledBy");

    private PatchFormat() {
    }

    /** The patch as JSON text; the same patch gives the same text. */
    public static String write(Patch patch) {
        ObjectNode root = Json.object();
        root.put("format", NAME);
        root.put("version", VERSION);
        root.put("name", patch.name());
        root.put("category", patch.naming().category());
        root.put("author", patch.naming().author());
        root.put("notes", patch.naming().notes());
        ArrayNode tags = root.putArray("tags");
        patch.naming().tags().forEach(tags::add);
        root.setAll(soundPart(patch));
        RideFormat.write(patch, root);
        return Json.write(root);
    }

    /** The part of the JSON that decides how the patch sounds, without its name and words. */
    static ObjectNode soundPart(Patch patch) {
        ObjectNode root = Json.object();
        ObjectNode values = root.putObject("parameters");
        for (Parameter p : BY_ID) {
            double value = patch.value(p.index());
            if (value != p.neutral()) {
                putValue(values, p.id(), p, value);
            }
        }
        ArrayNode routes = root.putArray("routes");
        for (Route route : patch.routes()) {
            ObjectNode r = routes.addObject();
            r.put("from", route.source().id());
            r.put("to", route.target().id());
            Json.put(r, "depth", route.depth());
            putDetails(r, route);
        }
        ArrayNode macros = root.putArray("macros");
        for (int m = 0; m < patch.macros().size(); m++) {
            Macro macro = patch.macros().get(m);
            if (!macro.unused()) {
                ObjectNode node = macros.addObject();
                node.put("number", m + 1);
                node.put("name", macro.name());
                node.put("lowEnd", macro.lowEnd());
                node.put("highEnd", macro.highEnd());
                ArrayNode targets = node.putArray("targets");
                for (MacroTarget target : macro.targets()) {
                    ObjectNode t = targets.addObject();
                    t.put("to", target.target().id());
                    Json.put(t, "low", target.low());
                    Json.put(t, "high", target.high());
                    if (target.bend() != 0) {
                        Json.put(t, "bend", percent(target.bend()));
                    }
                }
            }
        }
        DrawnParts.write(patch, root);
        return root;
    }

    /** What a route has beyond its depth; what is usual is left out. */
    private static void putDetails(ObjectNode r, Route route) {
        if (route.side() != Route.Side.OWN) {
            r.put("side", route.side().id());
        }
        if (route.bend() != 0) {
            Json.put(r, "bend", percent(route.bend()));
        }
        if (route.low() != -1) {
            Json.put(r, "low", percent(route.low()));
        }
        if (route.high() != 1) {
            Json.put(r, "high", percent(route.high()));
        }
        if (route.scaler() != null) {
            r.put("scaledBy", route.scaler().id());
        }
    }

    /**
     * Reads a patch.
     *
     * @param place what to call the text in messages, for example the file's name
     * @throws FormatException when anything is not as expected
     */
    public static Patch read(String text, String place) {
        ObjectNode root = Json.readObject(text, place);
        if (!NAME.equals(Json.text(root, "format", place, 100))) {
            throw new FormatException(place + ".format", "expected \"" + NAME + "\"");
        }
        double version = Json.number(root.get("version"), place + ".version");
        if (version != Math.rint(version) || version < 1 || version > VERSION) {
            throw new FormatException(place + ".version", "expected 1 to " + VERSION + ", found " + ValueText.fixed(version, 0)
                    + "; a newer Gentle Comet may read it");
        }
        PatchUpgrade.upgrade(root, (int) version);
        Json.allowOnly(root, place, FIELDS);
        Patch empty = new Patch(naming(root, place), values(root, place), List.of(),
                Collections.nCopies(PatchParameters.MACROS, Macro.UNUSED));
        return RideFormat.read(DrawnParts.read(macros(empty.withRoutes(routes(root, place)), root, place), root, place), root, place);
    }

    private static Naming naming(ObjectNode root, String place) {
        List<String> tags = new ArrayList<>();
        for (JsonNode tag : Json.list(root, "tags", place)) {
            if (!tag.isTextual() || tag.textValue().isBlank() || tag.textValue().length() > Naming.LONGEST_TAG || tags.size() >= Naming.MOST_TAGS) {
                throw new FormatException(place + ".tags", "expected up to " + Naming.MOST_TAGS + " words of up to " + Naming.LONGEST_TAG + " characters");
            }
            tags.add(tag.textValue());
        }
        String name = Json.text(root, "name", place, NameRules.STORED_LENGTH);
        if (name.isBlank()) {
            throw new FormatException(place + ".name", "expected a name");
        }
        return new Naming(name, Json.text(root, "category", place, 30), tags, Json.text(root, "author", place, 80),
                Json.text(root, "notes", place, 4000));
    }

    private static double[] values(ObjectNode root, String place) {
        double[] values = Parameters.neutralValues();
        if (root.has("parameters") && !root.get("parameters").isObject()) {
            throw new FormatException(place + ".parameters", "expected an object { … }");
        }
        root.path("parameters").fields().forEachRemaining(entry -> {
            Parameter p = parameter(entry.getKey(), place + ".parameters");
            values[p.index()] = value(entry.getValue(), p, place + ".parameters." + p.id());
        });
        return values;
    }

    private static List<Route> routes(ObjectNode root, String place) {
        List<Route> routes = new ArrayList<>();
        for (JsonNode node : Json.list(root, "routes", place)) {
            String here = place + ".routes[" + routes.size() + "]";
            ObjectNode object = object(node, here, ROUTE_FIELDS);
            Modulator source = modulator(object, "from", here);
            Parameter target = parameter(Json.text(object, "to", here, 60), here + ".to");
            Route.Side side = object.has("side") ? Route.Side.find(Json.text(object, "side", here, 20)) : Route.Side.OWN;
            if (side == null) {
                throw new FormatException(here + ".side", "expected own, oneSided or twoSided, found " + object.get("side"));
            }
            Route route = new Route(source, target, Json.number(object.get("depth"), here + ".depth"), side, part(object, "bend", 0, here),
                    part(object, "low", -1, here), part(object, "high", 1, here),
                    object.has("scaledBy") ? modulator(object, "scaledBy", here) : null);
            String fault = PatchRules.fault(route);
            if (fault != null) {
                throw new FormatException(here, fault);
            }
            routes.add(route);
            if (routes.size() > Patch.MAX_ROUTES) {
                throw new FormatException(place + ".routes", "expected at most " + Patch.MAX_ROUTES);
            }
        }
        return routes;
    }

    /** A part of 1 as a percentage, so that reading it gives the same part again. */
    private static double percent(double part) {
        return Math.rint(part * 1e11) / 1e9;
    }

    private static Modulator modulator(ObjectNode object, String field, String here) {
        Modulator source = Modulator.find(Json.text(object, field, here, 60));
        if (source == null) {
            throw new FormatException(here + "." + field, "expected a modulator such as lfo1, velocity or aftertouch, found " + object.get(field));
        }
        return source;
    }

    /** A percentage from -100 to 100 as a part of 1. */
    private static double part(ObjectNode object, String field, double usual, String here) {
        if (!object.has(field)) {
            return usual;
        }
        double percent = Json.number(object.get(field), here + "." + field);
        if (!(percent >= -100 && percent <= 100)) {
            throw new FormatException(here + "." + field, "expected -100 to 100, found " + object.get(field));
        }
        return percent / 100;
    }

    private static Patch macros(Patch start, ObjectNode root, String place) {
        Patch patch = start;
        Set<Integer> numbers = new HashSet<>();
        for (JsonNode node : Json.list(root, "macros", place)) {
            ObjectNode object = object(node, place + ".macros", Set.of("number", "name", "lowEnd", "highEnd", "targets"));
            double number = Json.number(object.get("number"), place + ".macros.number");
            if (number != Math.rint(number) || number < 1 || number > PatchParameters.MACROS || !numbers.add((int) number)) {
                throw new FormatException(place + ".macros.number", "expected a number from 1 to 8, each once");
            }
            String here = place + ".macros[" + (int) number + "]";
            Macro macro = new Macro(Json.text(object, "name", here, 40), Json.text(object, "lowEnd", here, 40),
                    Json.text(object, "highEnd", here, 40), List.of());
            List<MacroTarget> targets = new ArrayList<>();
            for (JsonNode t : Json.list(object, "targets", here)) {
                ObjectNode target = object(t, here + ".targets", Set.of("to", "low", "high", "bend"));
                Parameter p = parameter(Json.text(target, "to", here, 60), here + ".to");
                double low = value(target.get("low"), p, here + "." + p.id() + ".low");
                double high = value(target.get("high"), p, here + "." + p.id() + ".high");
                String fault = PatchRules.macroFault(patch, (int) number - 1, p);
                if (fault != null || targets.stream().anyMatch(x -> x.target().equals(p))) {
                    throw new FormatException(here + "." + p.id(), fault == null ? "is named twice" : fault);
                }
                targets.add(new MacroTarget(p, low, high, part(target, "bend", 0, here + "." + p.id())));
            }
            patch = patch.withMacro((int) number - 1, macro.withTargets(targets));
        }
        return patch;
    }

    private static void putValue(ObjectNode values, String id, Parameter p, double value) {
        if (p.taper() == Taper.CHOICE) {
            values.put(id, p.choices().get((int) value));
        } else {
            Json.put(values, id, value);
        }
    }

    private static double value(JsonNode node, Parameter p, String place) {
        if (p.taper() == Taper.CHOICE) {
            int choice = node != null && node.isTextual() ? p.choices().indexOf(node.textValue()) : -1;
            if (choice < 0) {
                throw new FormatException(place, "expected one of " + String.join(", ", p.choices()) + ", found " + (node == null ? "nothing" : Json.shown(node)));
            }
            return choice;
        }
        double value = Json.number(node, place);
        if (!p.allows(value)) {
            throw new FormatException(place, "expected " + (p.taper().continuous() ? "" : "a whole number ") + "from "
                    + ValueText.fixed(p.min(), 3) + " to " + ValueText.fixed(p.max(), 3) + " "
                    + (p.unit().symbol().isEmpty() ? "" : p.unit().symbol() + " ") + "but found " + Json.shown(node));
        }
        return value;
    }

    private static Parameter parameter(String id, String place) {
        Parameter p = Parameters.find(id);
        if (p == null) {
            throw new FormatException(place, "there is no parameter \"" + id + "\"");
        }
        return p;
    }

    private static ObjectNode object(JsonNode node, String place, Set<String> fields) {
        if (!(node instanceof ObjectNode object)) {
            throw new FormatException(place, "expected an object { … }");
        }
        Json.allowOnly(object, place, fields);
        return object;
    }
}
