package gentlecomet.studio.collection.rules;

import gentlecomet.craft.format.Json;
import gentlecomet.craft.phrase.OwnPhrase;
import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.CheckSettings;
import gentlecomet.craft.rules.Conventions;
import gentlecomet.craft.rules.Expectations;
import gentlecomet.craft.rules.GateStep;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.LevelMeasure;
import gentlecomet.craft.rules.MacroPurpose;
import gentlecomet.craft.rules.NameParts;
import gentlecomet.craft.rules.TagGroup;
import gentlecomet.craft.rules.WordRules;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.Unit;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.studio.page.RefusedException;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.springframework.util.MultiValueMap;

/** The house rules as the page sends them: one field or one row of fields for each. */
final class RulesForm {

    private static final int MACROS = 8;

    private final MultiValueMap<String, String> fields;

    RulesForm(MultiValueMap<String, String> fields) {
        this.fields = fields;
    }

    /** What became of a category that the form no longer has: id of the one that takes its patches, empty for none. */
    Map<String, String> merged() {
        Map<String, String> merged = new LinkedHashMap<>();
        List<String> ids = all("mergeFrom");
        List<String> into = all("mergeInto");
        for (int i = 0; i < ids.size() && i < into.size(); i++) {
            merged.put(ids.get(i), into.get(i));
        }
        return merged;
    }

    /** The rules that the form wants. @throws RefusedException with the field that cannot be read */
    HouseRules rules(HouseRules old) {
        boolean fromParts = text("namesBy").equals("parts");
        NameParts parts = fromParts ? new NameParts(whole("fewestWords"), whole("mostWords"), choice("capitals", NameParts.Capitals.class), on("digits"), text("others").strip()) : null;
        Conventions conventions = new Conventions(parts, words(), tagGroups(), on("listedOnly"), purposes(), whole("bendRange"), on("velocityMoves"), on("touchMoves"),
                checks(old.conventions().checks()), on("gateAsked") ? all("gate").stream().map(step -> choice(step, "gate", GateStep.class)).toList() : old.conventions().gate(),
                on("phrasesAsked") ? phrases() : old.conventions().phrases());
        return new HouseRules(fromParts ? parts.pattern() : text("namePattern"), fromParts ? parts.hint() : text("namePatternHint"), whole("nameMaxLength"), categories(old), number("targetLufs"),
                number("toleranceLu"), number("ceilingDbtp"), number("tuningCents"), all("macroName").stream().map(String::strip).toList(), whole("fewestMacros"),
                all("macroDefault").stream().map(RulesForm::position).toList(), conventions);
    }

    private List<OwnPhrase> phrases() {
        List<OwnPhrase> phrases = new ArrayList<>();
        for (int i = 0; i < all("phraseContent").size(); i++) {
            OwnPhrase kept = Json.read(all("phraseContent").get(i), OwnPhrase.class);
            phrases.add(new OwnPhrase(all("phraseName").get(i).strip(), kept.tempo(), kept.beats(), kept.notes(), kept.moves()));
        }
        return phrases;
    }

    /** What is set otherwise in the soundcheck; a form without that part leaves it as it is. */
    private CheckSettings checks(CheckSettings old) {
        List<String> rules = all("checkRule");
        if (rules.isEmpty()) {
            return old;
        }
        Map<String, CheckSettings.Weight> weights = new HashMap<>();
        Map<String, Double> limits = new HashMap<>();
        for (int i = 0; i < rules.size(); i++) {
            weights.put(rules.get(i), choice(all("checkWeight").get(i), "checkWeight", CheckSettings.Weight.class));
        }
        List<String> ids = all("checkLimit");
        for (int i = 0; i < ids.size(); i++) {
            String value = all("checkValue").get(i);
            if (!value.isBlank()) {
                limits.put(ids.get(i), number(value, "checkValue"));
            }
        }
        return new CheckSettings(limits, weights);
    }

    /** What patches of a category sound like; a form without that part leaves it as it is. */
    private Expectations expectations(String id, HouseRules old) {
        int row = all("expectId").indexOf(id);
        if (row < 0) {
            return old.category(id).map(Category::expectations).orElse(null);
        }
        String width = all("expectWidth").get(row);
        return new Expectations(key(all("expectLow").get(row)), key(all("expectHigh").get(row)), number(all("expectAttack").get(row), "expectAttack"), number(all("expectDark").get(row), "expectDark"),
                number(all("expectBright").get(row), "expectBright"), width.isBlank() ? Expectations.ANY_WIDTH : number(width, "expectWidth"), whole("expectVoices", row), whole("expectOctaves", row));
    }

    private static int key(String text) {
        int key = KeyName.parse(text.strip());
        if (key < 0) {
            throw new RefusedException("\"" + text + "\" is not a key from C-1 to G9.", "expectLow");
        }
        return key;
    }

    private WordRules words() {
        Map<String, String> preferred = new LinkedHashMap<>();
        for (String line : text("preferred").lines().map(String::strip).filter(l -> !l.isEmpty()).toList()) {
            String[] pair = line.split("\\s*[=>]+\\s*", 2);
            if (pair.length < 2 || pair[0].isBlank() || pair[1].isBlank()) {
                throw new RefusedException("A line of preferred words is \"this > that\"; found \"" + line + "\".", "preferred");
            }
            preferred.put(pair[0].strip(), pair[1].strip());
        }
        return new WordRules(list("forbidden"), preferred, on("spelling"), list("ownWords"), on("fitsSmall"), on("alike"));
    }

    private List<TagGroup> tagGroups() {
        List<TagGroup> groups = new ArrayList<>();
        List<String> names = all("groupName");
        for (int i = 0; i < names.size(); i++) {
            if (!names.get(i).isBlank() || !all("groupTags").get(i).isBlank()) {
                groups.add(new TagGroup(names.get(i).strip(), split(all("groupTags").get(i)), whole("groupLeast", i), whole("groupMost", i)));
            }
        }
        return groups;
    }

    private List<MacroPurpose> purposes() {
        List<MacroPurpose> purposes = new ArrayList<>();
        for (int m = 0; m < MACROS && m < all("macroChange").size(); m++) {
            MacroPurpose.Change change = choice(all("macroChange").get(m), "macroChange", MacroPurpose.Change.class);
            purposes.add(new MacroPurpose(change, change == MacroPurpose.Change.ANY ? 0 : number(all("macroLeast").get(m), "macroLeast")));
        }
        return purposes;
    }

    private List<Category> categories(HouseRules old) {
        List<Category> categories = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        List<String> names = all("categoryName");
        all("categoryId").stream().filter(id -> !id.isEmpty()).forEach(ids::add);
        old.categories().forEach(c -> ids.add(c.id()));
        for (int i = 0; i < names.size(); i++) {
            String name = names.get(i).strip();
            String id = all("categoryId").get(i);
            if (name.isEmpty() && id.isEmpty()) {
                continue;
            }
            if (id.isEmpty()) {
                id = newId(name, ids);
                ids.add(id);
            }
            categories.add(new Category(id, name, all("categoryPhrase").get(i), choice(all("categoryMeasure").get(i), "categories", LevelMeasure.class), number(all("categoryTail").get(i), "categories"),
                    whole("categoryPlanned", i), all("categoryMark").get(i).strip(), number(all("categoryOffset").get(i), "categories"), expectations(id, old)));
        }
        return categories;
    }

    /** An id that no category has or had. */
    private static String newId(String name, Set<String> taken) {
        String plain = Normalizer.normalize(name, Normalizer.Form.NFD).toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "");
        String stem = plain.isEmpty() || !Character.isLetter(plain.charAt(0)) ? "kind" + plain : plain;
        stem = stem.substring(0, Math.min(26, stem.length()));
        String id = stem;
        for (int n = 2; taken.contains(id); n++) {
            id = stem + n;
        }
        return id;
    }

    private static double position(String text) {
        if (text.isBlank()) {
            return HouseRules.ANYWHERE;
        }
        double value = ValueText.quantity(text, Unit.PERCENT);
        if (!(value >= 0 && value <= 100)) {
            throw new RefusedException("A macro stands from 0 to 100 %, or anywhere when the field is empty; found \"" + text + "\".", "macroDefault");
        }
        return value;
    }

    private List<String> all(String field) {
        return fields.getOrDefault(field, List.of());
    }

    private String text(String field) {
        String value = fields.getFirst(field);
        return value == null ? "" : value;
    }

    private boolean on(String field) {
        return fields.containsKey(field);
    }

    private List<String> list(String field) {
        return split(text(field));
    }

    private static List<String> split(String text) {
        return Arrays.stream(text.split("[,;\\n]")).map(String::strip).filter(w -> !w.isEmpty()).distinct().toList();
    }

    private double number(String field) {
        return number(text(field), field);
    }

    private static double number(String text, String field) {
        try {
            return Double.parseDouble(text.strip().replace(',', '.').replace('−', '-'));
        } catch (NumberFormatException e) {
            throw new RefusedException("\"" + text + "\" is no number.", field);
        }
    }

    private int whole(String field) {
        return whole(text(field), field);
    }

    private int whole(String field, int row) {
        return whole(all(field).size() > row ? all(field).get(row) : "0", field);
    }

    private static int whole(String text, String field) {
        double value = text.isBlank() ? 0 : number(text, field);
        if (value != Math.rint(value) || Math.abs(value) > 1e6) {
            throw new RefusedException("\"" + text + "\" is no whole number.", field);
        }
        return (int) value;
    }

    private <E extends Enum<E>> E choice(String field, Class<E> type) {
        return choice(text(field), field, type);
    }

    private static <E extends Enum<E>> E choice(String text, String field, Class<E> type) {
        try {
            return Enum.valueOf(type, text);
        } catch (IllegalArgumentException e) {
            throw new RefusedException("The page is older than this program. Load it again and repeat the last step.", field);
        }
    }
}
