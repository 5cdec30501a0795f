package gentlecomet.craft.command;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.format.FormatException;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.rules.HouseRules;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

/** Collections and patches in plain folders. */
final class CollectionFolder {

    private static final long LARGEST = 2_000_000;

    private CollectionFolder() {
    }

    /** A folder with a collection.json, a folder of patches, or one patch; loose patches are held against the default house rules. */
    static CollectionFile read(Path path) throws IOException {
        if (Files.isDirectory(path) && Files.exists(path.resolve(CollectionFormat.INDEX))) {
            return CollectionFormat.read(files(path));
        }
        List<CollectionFile.Slot> slots = new ArrayList<>();
        Map<String, byte[]> files = Files.isDirectory(path) ? files(path) : Map.of(path.getFileName().toString(), content(path));
        files.forEach((name, bytes) ->
                slots.add(new CollectionFile.Slot(slots.size() + 1, PatchFormat.read(new String(bytes, StandardCharsets.UTF_8), name))));
        return new CollectionFile(path.getFileName().toString(), "", "", HouseRules.DEFAULT, List.of(new CollectionFile.Bank("A", slots)));
    }

    private static Map<String, byte[]> files(Path folder) throws IOException {
        Map<String, byte[]> files = new TreeMap<>();
        try (Stream<Path> walk = Files.walk(folder, 3)) {
            for (Path file : walk.filter(f -> f.toString().endsWith(".json")).toList()) {
                files.put(folder.relativize(file).toString().replace('\\', '/'), content(file));
            }
        }
        if (files.isEmpty()) {
            throw new FormatException(folder.toString(), "has no patch files (*.json)");
        }
        return files;
    }

    private static byte[] content(Path file) throws IOException {
        if (!Files.isRegularFile(file)) {
            throw new FormatException(file.toString(), "there is no such file");
        }
        if (Files.size(file) > LARGEST) {
            throw new FormatException(file.toString(), "expected at most " + LARGEST + " bytes");
        }
        return Files.readAllBytes(file);
    }
}
