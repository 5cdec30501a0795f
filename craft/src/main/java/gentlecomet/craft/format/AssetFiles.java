package gentlecomet.craft.format;

import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.SoundFile;
import gentlecomet.sound.source.Recording;
import gentlecomet.sound.source.Recordings;
import java.util.Map;
import java.util.TreeMap;

/** The sound files of a collection beside its patches: {@code assets/HASH.wav}. */
public final class AssetFiles implements Recordings {

    private static final String FOLDER = "assets/";

    private final Map<Double, SoundAsset> byKey = new TreeMap<>();

    /** @param assets content by hash */
    public AssetFiles(Map<String, byte[]> assets) {
        assets.forEach((hash, content) -> {
            SoundAsset asset = SoundAsset.read(content, path(hash));
            byKey.put(asset.key(), asset);
        });
    }

    @Override
    public Recording find(double key) {
        SoundAsset asset = byKey.get(key);
        return asset == null ? null : asset.recording();
    }

    /** Where an asset lies in a collection's files. */
    public static String path(String hash) {
        return FOLDER + hash + ".wav";
    }

    /**
     * Takes the assets of a patch out of files.
     *
     * @param into content by hash
     * @throws FormatException when one is missing or is not what its name says
     */
    public static void collect(Patch patch, String place, Map<String, byte[]> files, Map<String, byte[]> into) {
        for (SoundFile file : patch.recordings()) {
            byte[] content = files.get(path(file.hash()));
            if (content == null) {
                throw new FormatException(place + ".recordings", "the recording \"" + file.name() + "\" is missing; expected it in "
                        + path(file.hash()));
            }
            if (!SoundAsset.read(content, path(file.hash())).hash().equals(file.hash())) {
                throw new FormatException(path(file.hash()), "the content does not have the hash of its name");
            }
            into.put(file.hash(), content);
        }
    }
}
