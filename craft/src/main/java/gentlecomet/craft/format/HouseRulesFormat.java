package gentlecomet.craft.format;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.Conventions;
import gentlecomet.craft.rules.Expectations;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.LevelMeasure;
import gentlecomet.craft.rules.RuleValues;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;

/** House rules as they stand in a collection's file. A field that is left out keeps its usual value; anything else has to be what it should. */
final class HouseRulesFormat {

    private static final Set<String> FIELDS = Set.of("namePattern", "namePatternHint", "nameMaxLength", "categories", "targetLufs", "toleranceLu",
            "ceilingDbtp", "tuningCents", "macroNames", "fewestMacros", "macroDefaults", "conventions");
    private static final Set<String> CATEGORY_FIELDS = Set.of("id", "name", "phrase", "measure", "tailLimitSeconds", "planned", "mark", "offsetLu", "expectations");

    private HouseRulesFormat() {
    }

    /** @throws FormatException that names the field and what was expected */
    static HouseRules read(JsonNode node, String place) {
        HouseRules usual = HouseRules.DEFAULT;
        if (!(node instanceof ObjectNode root)) {
            throw new FormatException(place, "expected an object { … }");
        }
        Json.allowOnly(root, place, FIELDS);
        List<Category> categories = usual.categories();
        if (root.has("categories")) {
            categories = new ArrayList<>();
            for (JsonNode c : Json.list(root, "categories", place)) {
                categories.add(category(c, place + ".categories[" + categories.size() + "]"));
            }
        }
        List<String> macroNames = usual.macroNames();
        if (root.has("macroNames")) {
            macroNames = new ArrayList<>();
            for (JsonNode n : Json.list(root, "macroNames", place)) {
                if (!n.isTextual()) {
                    throw new FormatException(place + ".macroNames", "expected texts in quotes, found " + n);
                }
                macroNames.add(n.textValue());
            }
        }
        List<Double> macroDefaults = new ArrayList<>();
        for (JsonNode d : Json.list(root, "macroDefaults", place)) {
            macroDefaults.add(Json.number(d, place + ".macroDefaults"));
        }
        HouseRules rules = new HouseRules(text(root, "namePattern", place, usual.namePattern()), text(root, "namePatternHint", place, usual.namePatternHint()),
                whole(root, "nameMaxLength", place, usual.nameMaxLength()), categories, number(root, "targetLufs", place, usual.targetLufs()),
                number(root, "toleranceLu", place, usual.toleranceLu()), number(root, "ceilingDbtp", place, usual.ceilingDbtp()),
                number(root, "tuningCents", place, usual.tuningCents()), macroNames, whole(root, "fewestMacros", place, usual.fewestMacros()), macroDefaults,
                !root.has("conventions") ? Conventions.OLDER : Json.value(root.get("conventions"), Conventions.class, place + ".conventions"));
        RuleValues.fault(rules).ifPresent(fault -> {
            throw new FormatException(place + "." + fault.field(), fault.message());
        });
        return rules;
    }

    private static Category category(JsonNode node, String place) {
        if (!(node instanceof ObjectNode c)) {
            throw new FormatException(place, "expected an object { … }");
        }
        Json.allowOnly(c, place, CATEGORY_FIELDS);
        String measure = Json.text(c, "measure", place, 30);
        LevelMeasure found = Arrays.stream(LevelMeasure.values()).filter(m -> m.name().equals(measure)).findFirst()
                .orElseThrow(() -> new FormatException(place + ".measure", "expected INTEGRATED or MOMENTARY_MAX, found \"" + measure + "\""));
        return new Category(Json.text(c, "id", place, 100), Json.text(c, "name", place, 100), Json.text(c, "phrase", place, 100), found,
                Json.number(c.get("tailLimitSeconds"), place + ".tailLimitSeconds"), whole(c, "planned", place, 0), text(c, "mark", place, ""),
                number(c, "offsetLu", place, 0), !c.has("expectations") ? null : Json.value(c.get("expectations"), Expectations.class, place + ".expectations"));
    }

    private static String text(ObjectNode root, String field, String place, String usual) {
        return root.has(field) ? Json.text(root, field, place, 1000) : usual;
    }

    private static double number(ObjectNode root, String field, String place, double usual) {
        return root.has(field) ? Json.number(root.get(field), place + "." + field) : usual;
    }

    private static int whole(ObjectNode root, String field, String place, int usual) {
        double value = number(root, field, place, usual);
        if (value != Math.rint(value) || Math.abs(value) > 1e6) {
            throw new FormatException(place + "." + field, "expected a whole number, found " + root.get(field));
        }
        return (int) value;
    }
}
