package gentlecomet.craft.format;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.core.exc.StreamConstraintsException;
import com.fasterxml.jackson.core.util.DefaultIndenter;
import com.fasterxml.jackson.core.util.DefaultPrettyPrinter;
import com.fasterxml.jackson.core.util.Separators;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Set;

/** Reads and writes JSON strictly: bounded depth and size, no doubled keys, sorted keys, the same text for the same content. */
public final class Json {

    /** Largest JSON text that is read, in characters. */
    public static final int LARGEST = 2_000_000;

    private static final int DEEPEST = 20;
    private static final ObjectMapper MAPPER = JsonMapper.builder(JsonFactory.builder()
                    .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                    .streamReadConstraints(StreamReadConstraints.builder().maxNestingDepth(DEEPEST).maxStringLength(20_000)
                            .maxNumberLength(40).build())
                    .build())
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .build();
    private static final DefaultPrettyPrinter PRINTER = new DefaultPrettyPrinter(
            Separators.createDefaultInstance().withObjectFieldValueSpacing(Separators.Spacing.AFTER))
            .withObjectIndenter(new DefaultIndenter("  ", "\n")).withArrayIndenter(new DefaultIndenter("  ", "\n"));

    private Json() {
    }

    static ObjectNode object() {
        return MAPPER.createObjectNode();
    }

    /** @throws FormatException when the text is not one JSON object */
    static ObjectNode readObject(String text, String place) {
        if (text.length() > LARGEST) {
            throw new FormatException(place, "expected at most " + LARGEST + " characters, found " + text.length());
        }
        try {
            JsonNode node = MAPPER.readTree(text);
            if (node instanceof ObjectNode object) {
                return object;
            }
            throw new FormatException(place, "expected a JSON object { … }");
        } catch (JsonProcessingException e) {
            String where = e.getLocation() == null ? "" : " at line " + e.getLocation().getLineNr() + ", column " + e.getLocation().getColumnNr();
            throw new FormatException(place, reason(e) + where);
        }
    }

    private static String reason(JsonProcessingException e) {
        String told = String.valueOf(e.getOriginalMessage());
        return e instanceof StreamConstraintsException ? "is nested deeper than " + DEEPEST + " levels, or has a text or a number that is too long,"
                : told.startsWith("Duplicate field") ? "has a duplicate field, " + told.substring("Duplicate field ".length()) + ","
                : told.startsWith("Unexpected end") ? "ends too early" : "is not valid JSON";
    }

    /** A plain value, such as a record, as JSON text on several lines. */
    public static String write(Object value) {
        try {
            Object tree = MAPPER.treeToValue(MAPPER.valueToTree(value), Object.class);
            return MAPPER.writer(PRINTER).writeValueAsString(tree) + "\n";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("cannot be written as JSON: " + value, e);
        }
    }

    /** The same on one line, for pages and queues. */
    public static String compact(Object value) {
        try {
            return MAPPER.writeValueAsString(value);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("cannot be written as JSON: " + value, e);
        }
    }

    /** A value from JSON that this program itself has written. */
    public static <T> T read(String text, Class<T> type) {
        try {
            return MAPPER.readValue(text, type);
        } catch (JsonProcessingException e) {
            throw new FormatException("what was stored as " + type.getSimpleName(), "cannot be read");
        }
    }

    /** A part of a file as a plain value. @throws FormatException where a field is unknown or not of its kind */
    static <T> T value(JsonNode node, Class<T> type, String place) {
        try {
            return MAPPER.treeToValue(node, type);
        } catch (JsonProcessingException | IllegalArgumentException e) {
            throw new FormatException(place, "has a field that is not known or not of its kind");
        }
    }

    /** The items of a list, none where the field is missing. @throws FormatException when it is something else */
    static Iterable<JsonNode> list(ObjectNode object, String key, String place) {
        JsonNode node = object.get(key);
        if (node == null) {
            return List.of();
        }
        if (!node.isArray()) {
            throw new FormatException(place + "." + key, "expected a list [ … ]");
        }
        return node;
    }

    /** A number without a needless ".0". */
    static void put(ObjectNode object, String key, double value) {
        if (value == Math.rint(value) && Math.abs(value) < 1e9) {
            object.put(key, (long) value);
        } else {
            object.put(key, value);
        }
    }

    /** Adds a number as {@link #put} writes it. */
    static void add(ArrayNode array, double value) {
        if (value == Math.rint(value) && Math.abs(value) < 1e9) {
            array.add((long) value);
        } else {
            array.add(value);
        }
    }

    /** Refuses fields that the format does not know, so that a slip of the pen is not lost in silence. */
    static void allowOnly(ObjectNode object, String place, Set<String> known) {
        object.fieldNames().forEachRemaining(name -> {
            if (!known.contains(name)) {
                throw new FormatException(place, "has no field \"" + name + "\"; it knows " + String.join(", ", known.stream().sorted().toList()));
            }
        });
    }

    static String text(ObjectNode object, String key, String place, int longest) {
        JsonNode node = object.get(key);
        if (node == null) {
            return "";
        }
        if (!node.isTextual()) {
            throw new FormatException(place + "." + key, "expected a text in quotes, found " + shown(node));
        }
        if (node.textValue().length() > longest) {
            throw new FormatException(place + "." + key, "expected at most " + longest + " characters, found " + node.textValue().length());
        }
        if (node.textValue().chars().anyMatch(c -> c < 32 && c != '\n')) {
            throw new FormatException(place + "." + key, "expected no control characters");
        }
        return node.textValue();
    }

    /** A piece of a file for a message: not too much of it. */
    static String shown(JsonNode node) {
        String text = node.toString().replaceAll("\\p{Cntrl}", "?");
        return text.length() <= 60 ? text : text.substring(0, 59) + "…";
    }

    static double number(JsonNode node, String place) {
        if (node == null || !node.isNumber() || !Double.isFinite(node.doubleValue())) {
            throw new FormatException(place, "expected a number, found " + (node == null ? "nothing" : shown(node)));
        }
        return node.doubleValue();
    }
}
