package gentlecomet.craft.format;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/** A collection as a set of files: {@code collection.json}, and one JSON file for each patch. */
public final class CollectionFormat {

    /** File that describes the collection. */
    public static final String INDEX = "collection.json";
    /** Slots of a bank. */
    public static final int SLOTS = 128;

    /** Banks of a collection. */
    public static final int MOST_BANKS = 16;

    private static final String NAME = "gentle-comet-collection";
    private static final int VERSION = 1;

    private CollectionFormat() {
    }

    /** The files of a collection, by path. */
    public static Map<String, byte[]> write(CollectionFile collection) {
        Map<String, byte[]> files = new TreeMap<>();
        ObjectNode root = Json.object();
        root.put("format", NAME);
        root.put("version", VERSION);
        root.put("name", collection.name());
        root.put("author", collection.author());
        root.put("licence", collection.licence());
        root.put("about", collection.about());
        root.put("contact", collection.contact());
        root.putPOJO("houseRules", collection.rules());
        ArrayNode banks = root.putArray("banks");
        for (int b = 0; b < collection.banks().size(); b++) {
            CollectionFile.Bank bank = collection.banks().get(b);
            ObjectNode node = banks.addObject();
            node.put("name", bank.name());
            node.put("msb", bank.msb());
            node.put("lsb", bank.lsb());
            ArrayNode slots = node.putArray("slots");
            for (CollectionFile.Slot slot : bank.slots()) {
                String path = "patches/" + fileName(b, slot) + ".json";
                ObjectNode entry = slots.addObject().put("slot", slot.number()).put("file", path);
                if (slot.start()) {
                    entry.put("start", true);
                }
                files.put(path, PatchFormat.write(slot.patch()).getBytes(StandardCharsets.UTF_8));
            }
        }
        collection.assets().forEach((hash, content) -> files.put(AssetFiles.path(hash), content));
        files.put(INDEX, Json.write(root).getBytes(StandardCharsets.UTF_8));
        return files;
    }

    /** Name of a patch's files without ending: bank letter, slot, and the name in plain letters. */
    public static String fileName(int bank, CollectionFile.Slot slot) {
        return String.format(Locale.ROOT, "%c%03d-%s", 'a' + bank, slot.number(), plainName(slot.patch().name()));
    }

    /** A name in plain letters and hyphens, as every file system takes it. */
    public static String plainName(String name) {
        String plain = Normalizer.normalize(name, Normalizer.Form.NFD).replaceAll("\\p{M}", "").toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
        return plain.isEmpty() ? "patch" : plain;
    }

    /**
     * Reads a collection from its files; all patches are read before anything is given back.
     *
     * @throws FormatException that names the file and the place in it
     */
    public static CollectionFile read(Map<String, byte[]> files) {
        ObjectNode root = Json.readObject(text(files, INDEX), INDEX);
        if (!NAME.equals(Json.text(root, "format", INDEX, 100))) {
            throw new FormatException(INDEX + ".format", "expected \"" + NAME + "\"");
        }
        if (Json.number(root.get("version"), INDEX + ".version") != VERSION) {
            throw new FormatException(INDEX + ".version", "expected " + VERSION);
        }
        Json.allowOnly(root, INDEX, Set.of("format", "version", "name", "author", "licence", "about", "contact", "houseRules", "banks"));
        List<CollectionFile.Bank> banks = new ArrayList<>();
        Map<String, byte[]> assets = new TreeMap<>();
        for (JsonNode node : Json.list(root, "banks", INDEX)) {
            if (banks.size() >= MOST_BANKS || !(node instanceof ObjectNode bank)) {
                throw new FormatException(INDEX + ".banks", "expected up to " + MOST_BANKS + " objects");
            }
            banks.add(bank(bank, banks.size(), files, assets));
        }
        if (banks.isEmpty()) {
            throw new FormatException(INDEX + ".banks", "expected at least one bank");
        }
        String name = Json.text(root, "name", INDEX, 80);
        if (name.isBlank()) {
            throw new FormatException(INDEX + ".name", "expected a name");
        }
        return new CollectionFile(name, Json.text(root, "author", INDEX, 80), Json.text(root, "licence", INDEX, 20000),
                rules(root.get("houseRules")), banks, assets, otherwiseEmpty(root, "about", 20000), otherwiseEmpty(root, "contact", 200));
    }

    /** A text that older files do not have. */
    private static String otherwiseEmpty(ObjectNode root, String field, int longest) {
        return root.has(field) ? Json.text(root, field, INDEX, longest) : "";
    }

    private static CollectionFile.Bank bank(ObjectNode bank, int position, Map<String, byte[]> files, Map<String, byte[]> assets) {
        String place = INDEX + ".banks[" + position + "]";
        List<CollectionFile.Slot> slots = new ArrayList<>();
        Set<Integer> taken = new HashSet<>();
        for (JsonNode slot : Json.list(bank, "slots", place)) {
            double number = Json.number(slot.get("slot"), place + ".slot");
            if (number != Math.rint(number) || number < 1 || number > SLOTS || !taken.add((int) number)) {
                throw new FormatException(place + ".slots", "expected slots from 1 to " + SLOTS + ", each once, found " + Json.shown(slot.get("slot")));
            }
            if (!slot.path("file").isTextual()) {
                throw new FormatException(place + ".slots", "expected the path of a patch in the field \"file\" of slot " + (int) number);
            }
            String file = slot.get("file").textValue();
            Patch patch = PatchFormat.read(text(files, file), file);
            AssetFiles.collect(patch, file, files, assets);
            if (slot.has("start") && !slot.get("start").isBoolean()) {
                throw new FormatException(place + ".slots", "expected true or false in the field \"start\" of slot " + (int) number + ", found " + Json.shown(slot.get("start")));
            }
            slots.add(new CollectionFile.Slot((int) number, patch, slot.path("start").booleanValue()));
        }
        return new CollectionFile.Bank(Json.text(bank, "name", place, 60), select(bank, "msb", 0, place), select(bank, "lsb", position, place), slots);
    }

    /** A number of bank select; files that are older than it have none. */
    private static int select(ObjectNode bank, String field, int otherwise, String place) {
        if (!bank.has(field)) {
            return otherwise;
        }
        double number = Json.number(bank.get(field), place + "." + field);
        if (number != Math.rint(number) || number < 0 || number > 127) {
            throw new FormatException(place + "." + field, "expected a whole number from 0 to 127, found " + Json.shown(bank.get(field)));
        }
        return (int) number;
    }

    private static HouseRules rules(JsonNode node) {
        if (node == null || node.isNull()) {
            return HouseRules.DEFAULT;
        }
        return HouseRulesFormat.read(node, INDEX + ".houseRules");
    }

    /** A file as UTF-8 text. */
    static String text(Map<String, byte[]> files, String path) {
        byte[] bytes = files.get(path);
        if (bytes == null) {
            throw new FormatException(path, "the file is missing");
        }
        if (bytes.length > Json.LARGEST) {
            throw new FormatException(path, "expected at most " + Json.LARGEST + " bytes, found " + bytes.length);
        }
        try {
            return StandardCharsets.UTF_8.newDecoder().onMalformedInput(CodingErrorAction.REPORT)
                    .decode(java.nio.ByteBuffer.wrap(bytes)).toString();
        } catch (CharacterCodingException e) {
            throw new FormatException(path, "is not UTF-8 text");
        }
    }
}
