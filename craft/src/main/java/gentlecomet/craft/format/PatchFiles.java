package gentlecomet.craft.format;

import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.SoundFile;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;

/** Patches as files of their own: one of JSON, or a ZIP with the sound files that it plays beside it. */
public final class PatchFiles {

    private static final String JSON = ".json";

    private PatchFiles() {
    }

    /** A patch and the path of its file. */
    public record Placed(String path, Patch patch) {
    }

    /** @param patches in the order of their paths @param assets sound files that they play, content by hash */
    public record Contents(List<Placed> patches, Map<String, byte[]> assets) {
    }

    /** @param name with its ending */
    public record Written(String name, byte[] content) {
    }

    /** A patch as one file. @param assets content by hash of the sound files that it plays */
    public static Written write(Patch patch, Map<String, byte[]> assets) {
        String name = CollectionFormat.plainName(patch.name());
        byte[] json = PatchFormat.write(patch).getBytes(StandardCharsets.UTF_8);
        if (assets.isEmpty()) {
            return new Written(name + JSON, json);
        }
        Map<String, byte[]> files = new TreeMap<>();
        files.put(name + JSON, json);
        assets.forEach((hash, content) -> files.put(AssetFiles.path(hash), content));
        return new Written(name + ".zip", ZipFormat.write(files));
    }

    /** Many patches as one ZIP, each in a file of its own with its number first, so that they stay in their order. @param assets of all of them, by hash */
    public static Written writeAll(String name, List<Patch> patches, Map<String, byte[]> assets) {
        Map<String, byte[]> files = new TreeMap<>();
        for (Patch patch : patches) {
            files.put(String.format(Locale.ROOT, "%03d-%s%s", files.size() + 1, CollectionFormat.plainName(patch.name()), JSON), PatchFormat.write(patch).getBytes(StandardCharsets.UTF_8));
        }
        assets.forEach((hash, content) -> files.put(AssetFiles.path(hash), content));
        return new Written(CollectionFormat.plainName(name) + ".zip", ZipFormat.write(files));
    }

    /** Whether a file is looked at: a patch, or a sound file that one may play. */
    public static boolean wanted(String path) {
        return path.endsWith(JSON) || path.endsWith(".wav");
    }

    /**
     * All patches among files, in whatever folders they lie. JSON of another kind, such as the index of a collection, is passed over unless it is the only file.
     *
     * @param files content by path
     * @param known content of a sound file by its hash where it is there already, or null
     * @throws FormatException that names the file and the place in it; nothing is given back then
     */
    public static Contents read(Map<String, byte[]> files, Function<String, byte[]> known) {
        Map<String, byte[]> sounds = new HashMap<>();
        files.forEach((path, content) -> {
            if (path.endsWith(".wav")) {
                sounds.put(AssetFiles.path(path.substring(path.lastIndexOf('/') + 1, path.length() - 4)), content);
            }
        });
        List<String> paths = files.keySet().stream().filter(p -> p.endsWith(JSON)).sorted().toList();
        List<Placed> patches = new ArrayList<>();
        Map<String, byte[]> assets = new TreeMap<>();
        for (String path : paths) {
            String text = CollectionFormat.text(files, path);
            if (paths.size() > 1 && !ofPatch(text, path)) {
                continue;
            }
            Patch patch = PatchFormat.read(text, path);
            for (SoundFile file : patch.recordings()) {
                byte[] there = sounds.containsKey(AssetFiles.path(file.hash())) ? null : known.apply(file.hash());
                if (there != null) {
                    sounds.put(AssetFiles.path(file.hash()), there);
                }
            }
            AssetFiles.collect(patch, path, sounds, assets);
            patches.add(new Placed(path, patch));
        }
        if (patches.isEmpty()) {
            throw new FormatException(paths.isEmpty() ? "The files" : paths.get(0), "expected a patch (" + JSON + "), or a ZIP or folder with patches");
        }
        return new Contents(patches, assets);
    }

    private static boolean ofPatch(String text, String path) {
        return PatchFormat.NAME.equals(Json.readObject(text, path).path("format").asText());
    }
}
