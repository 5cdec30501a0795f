package gentlecomet.craft.command;

import gentlecomet.craft.format.AssetFiles;
import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.format.FormatException;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.format.SoundAsset;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.SoundFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
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
        boolean folder = Files.isDirectory(path);
        Map<String, byte[]> files = folder ? files(path) : Map.of(path.getFileName().toString(), content(path));
        Map<String, byte[]> assets = new TreeMap<>();
        for (Map.Entry<String, byte[]> file : files.entrySet()) {
            if (file.getKey().endsWith(".json")) {
                Patch patch = PatchFormat.read(new String(file.getValue(), StandardCharsets.UTF_8), file.getKey());
                AssetFiles.collect(patch, file.getKey(), folder ? files : besidePatch(patch, path), assets);
                slots.add(new CollectionFile.Slot(slots.size() + 1, patch));
            }
        }
        return new CollectionFile(path.getFileName().toString(), "", "", HouseRules.DEFAULT, List.of(new CollectionFile.Bank("A", slots)), assets);
    }

    /** A lone patch and the sound files that it refers to. */
    static CollectionFile readPatch(Path path) throws IOException {
        if (Files.isDirectory(path)) {
            throw new FormatException(path.toString(), "expected the JSON file of one patch, found a folder");
        }
        return read(path);
    }

    /** Sound files of a lone patch: in a folder "assets" beside it, or beside the folder in which it is. */
    private static Map<String, byte[]> besidePatch(Patch patch, Path path) throws IOException {
        Map<String, byte[]> found = new TreeMap<>();
        for (SoundFile file : patch.recordings()) {
            for (Path folder = path.toAbsolutePath().getParent(); folder != null && found.size() < patch.recordings().size(); folder = folder.getParent()) {
                Path asset = folder.resolve(AssetFiles.path(file.hash()));
                if (Files.isRegularFile(asset)) {
                    found.put(AssetFiles.path(file.hash()), content(asset));
                    break;
                }
            }
        }
        return found;
    }

    /** Names of all patches but one. */
    static List<String> otherNames(CollectionFile collection, CollectionFile.Slot slot) {
        return collection.banks().stream().flatMap(b -> b.slots().stream()).filter(s -> s != slot).map(s -> s.patch().name()).toList();
    }

    /** Writes a collection into a folder, or nothing of it. @param folder one that is empty, or is not there yet */
    static void write(CollectionFile collection, Path folder) throws IOException {
        if (Files.exists(folder)) {
            try (Stream<Path> inside = Files.isDirectory(folder) ? Files.list(folder) : Stream.of(folder)) {
                if (inside.findAny().isPresent()) {
                    throw new FormatException(folder.toString(), "expected a folder that is empty or not there yet");
                }
            }
        }
        Path parent = folder.toAbsolutePath().getParent();
        Files.createDirectories(parent);
        Path made = Files.createTempDirectory(parent, ".import");
        try {
            for (Map.Entry<String, byte[]> file : CollectionFormat.write(collection).entrySet()) {
                Path to = made.resolve(file.getKey());
                Files.createDirectories(to.getParent());
                Files.write(to, file.getValue());
            }
            Files.deleteIfExists(folder);
            Files.move(made, folder);
        } finally {
            if (Files.exists(made)) {
                try (Stream<Path> left = Files.walk(made)) {
                    left.sorted(Comparator.reverseOrder()).forEach(f -> f.toFile().delete());
                }
            }
        }
    }

    private static Map<String, byte[]> files(Path folder) throws IOException {
        Map<String, byte[]> files = new TreeMap<>();
        try (Stream<Path> walk = Files.walk(folder, 3)) {
            for (Path file : walk.filter(f -> f.toString().endsWith(".json") || f.toString().endsWith(".wav") && "assets".equals(f.getParent().getFileName().toString())).toList()) {
                files.put(folder.relativize(file).toString().replace('\\', '/'), content(file));
            }
        }
        if (files.keySet().stream().noneMatch(f -> f.endsWith(".json"))) {
            throw new FormatException(folder.toString(), "has no patch files (*.json)");
        }
        return files;
    }

    private static byte[] content(Path file) throws IOException {
        if (!Files.isRegularFile(file)) {
            throw new FormatException(file.toString(), "there is no such file");
        }
        long largest = file.toString().endsWith(".wav") ? SoundAsset.LARGEST : LARGEST;
        if (Files.size(file) > largest) {
            throw new FormatException(file.toString(), "expected at most " + largest + " bytes");
        }
        return Files.readAllBytes(file);
    }
}
