package gentlecomet.craft.format;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ShapeKind;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.SoundFile;
import java.util.Iterator;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The drawn lists and the recordings of a patch as JSON: rows of numbers under "shapes", hash and name under "recordings". */
final class DrawnParts {

    static final int LONGEST_NAME = 80;

    private static final Pattern SOURCE = Pattern.compile("layer([1-" + Parameters.LAYERS + "])\\.source([1-" + LayerParameters.SOURCES + "])");
    private static final Pattern HASH = Pattern.compile("[0-9a-f]{64}");

    private DrawnParts() {
    }

    static void write(Patch patch, ObjectNode root) {
        ObjectNode shapes = Json.object();
        for (ShapeKind kind : Shapes.ALL) {
            double[] numbers = patch.shape(kind.index());
            if (numbers.length > 0) {
                ArrayNode rows = shapes.putArray(kind.id());
                int width = kind.columns().size();
                for (int i = 0; i < numbers.length; i += width) {
                    ArrayNode row = rows.addArray();
                    for (int c = 0; c < width; c++) {
                        Json.add(row, numbers[i + c]);
                    }
                }
            }
        }
        if (!shapes.isEmpty()) {
            root.set("shapes", shapes);
        }
        ObjectNode recordings = Json.object();
        for (SoundFile file : patch.recordings()) {
            ObjectNode node = recordings.putObject("layer" + (file.source() / LayerParameters.SOURCES + 1) + ".source"
                    + (file.source() % LayerParameters.SOURCES + 1));
            node.put("hash", file.hash());
            node.put("name", file.name());
        }
        if (!recordings.isEmpty()) {
            root.set("recordings", recordings);
        }
    }

    static Patch read(Patch start, ObjectNode root, String place) {
        Patch patch = start;
        Iterator<Map.Entry<String, JsonNode>> shapes = object(root, "shapes", place).fields();
        while (shapes.hasNext()) {
            Map.Entry<String, JsonNode> entry = shapes.next();
            String here = place + ".shapes." + entry.getKey();
            ShapeKind kind = Shapes.find(entry.getKey());
            if (kind == null) {
                throw new FormatException(place + ".shapes", "there is no drawn list \"" + entry.getKey() + "\"");
            }
            double[] numbers = numbers(entry.getValue(), kind, here);
            String fault = kind.fault(numbers);
            if (fault != null) {
                throw new FormatException(here, fault);
            }
            patch = patch.withShape(kind.index(), numbers);
        }
        Iterator<Map.Entry<String, JsonNode>> recordings = object(root, "recordings", place).fields();
        while (recordings.hasNext()) {
            Map.Entry<String, JsonNode> entry = recordings.next();
            String here = place + ".recordings." + entry.getKey();
            Matcher source = SOURCE.matcher(entry.getKey());
            if (!source.matches() || !(entry.getValue() instanceof ObjectNode node)) {
                throw new FormatException(here, "expected a source such as layer1.source2 with hash and name");
            }
            String hash = Json.text(node, "hash", here, 64);
            if (!HASH.matcher(hash).matches()) {
                throw new FormatException(here + ".hash", "expected 64 hexadecimal digits");
            }
            int layer = Integer.parseInt(source.group(1)) - 1;
            int number = Integer.parseInt(source.group(2)) - 1;
            patch = patch.withRecording(layer, number, new SoundFile(SoundFile.place(layer, number), hash, Json.text(node, "name", here, LONGEST_NAME)));
        }
        return patch;
    }

    private static double[] numbers(JsonNode rows, ShapeKind kind, String here) {
        int width = kind.columns().size();
        if (!rows.isArray() || rows.size() > kind.maxRows()) {
            throw new FormatException(here, "expected a list of at most " + kind.maxRows() + " rows");
        }
        double[] numbers = new double[rows.size() * width];
        for (int r = 0; r < rows.size(); r++) {
            JsonNode row = rows.get(r);
            if (!row.isArray() || row.size() < kind.leastColumns() || row.size() > width) {
                throw new FormatException(here + "[" + r + "]", "expected " + width + " numbers");
            }
            for (int c = 0; c < width; c++) {
                numbers[r * width + c] = c < row.size() ? Json.number(row.get(c), here + "[" + r + "]") : kind.columns().get(c).neutral();
            }
        }
        return numbers;
    }

    private static ObjectNode object(ObjectNode root, String field, String place) {
        JsonNode node = root.get(field);
        if (node == null) {
            return Json.object();
        }
        if (!(node instanceof ObjectNode object)) {
            throw new FormatException(place + "." + field, "expected an object { … }");
        }
        return object;
    }
}
