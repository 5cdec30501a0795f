package gentlecomet.studio.asset;

import gentlecomet.craft.format.SoundAsset;
import gentlecomet.craft.format.WavFormat;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.SoundFile;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.source.Recording;
import gentlecomet.sound.source.Recordings;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.page.RefusedException;
import java.io.IOException;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.multipart.MultipartFile;

/** The sound files of collections: taken in, kept, and handed to engines. */
@Service
public class Assets implements Recordings {

    /** Recordings kept ready for engines, in frames together: 96 MB of stereo. */
    private static final long READY_FRAMES = 12_000_000;

    private final AssetStore store;
    private final Map<Double, Recording> ready = new LinkedHashMap<>(16, 0.75f, true);

    Assets(AssetStore store) {
        this.store = store;
    }

    /** Reads and keeps a file. @throws gentlecomet.craft.format.FormatException when it cannot be taken */
    @Transactional
    public SoundAsset add(long collectionId, byte[] content, String fileName) {
        SoundAsset asset = SoundAsset.read(content, fileName);
        store.add(collectionId, asset);
        return asset;
    }

    /** As {@link #add(long, byte[], String)} of what a form has brought. */
    public SoundAsset add(long collectionId, MultipartFile file) throws IOException {
        String name = name(file);
        if (file.isEmpty()) {
            throw new RefusedException("Choose a WAV file first.", "file");
        }
        if (file.getSize() > SoundAsset.LARGEST) {
            throw new RefusedException(name + ": expected at most " + SoundAsset.LARGEST / 1_000_000 + " MB, found "
                    + file.getSize() / 1_000_000 + " MB. Nothing was changed.", "file");
        }
        return add(collectionId, file.getBytes(), name);
    }

    /** The name of a file that a form has brought. */
    public static String name(MultipartFile file) {
        return file.getOriginalFilename() == null || file.getOriginalFilename().isBlank() ? "the file" : file.getOriginalFilename();
    }

    /** A rendered sound as a file of a collection. */
    public SoundAsset bounced(long collectionId, Audio audio, String name) {
        return add(collectionId, WavFormat.write24(audio), name + ".wav");
    }

    /** Files of a collection, with the patches that use them. */
    public List<AssetRow> of(long collectionId) {
        return store.of(collectionId);
    }

    /** The files of a collection, to choose one. */
    public List<AssetName> names(long collectionId) {
        return store.names(collectionId);
    }

    /** A file by its hash, under the name that a collection has for it. */
    public SoundAsset get(long collectionId, String hash) {
        SoundAsset asset = get(hash);
        return store.name(collectionId, hash).map(name -> new SoundAsset(asset.hash(), name, asset.content(), asset.audio())).orElse(asset);
    }

    /** A file by its hash. */
    public SoundAsset get(String hash) {
        return SoundAsset.read(store.content(hash).orElseThrow(() -> new MissingException("This recording is no longer there.")), hash);
    }

    /** Content of a file by its hash, or null where it is not there. */
    public byte[] content(String hash) {
        return store.content(hash).orElse(null);
    }

    /** Takes a file out of a collection. @throws RefusedException when a patch uses it */
    @Transactional
    public void remove(long collectionId, String hash) {
        store.of(collectionId).stream().filter(a -> a.hash().equals(hash) && !a.unused()).findFirst().ifPresent(a -> {
            throw new RefusedException("\"" + a.name() + "\" is used by " + String.join(", ", a.users()) + "; it stays.");
        });
        store.remove(collectionId, hash);
    }

    @Override
    public Recording find(double key) {
        synchronized (ready) {
            Recording known = ready.get(key);
            if (known != null) {
                return known;
            }
        }
        Recording read = store.contentByKey(key).map(content -> SoundAsset.read(content, "recording").recording()).orElse(null);
        synchronized (ready) {
            if (read != null) {
                ready.put(key, read);
                long frames = ready.values().stream().mapToLong(Recording::frames).sum();
                while (frames > READY_FRAMES && ready.size() > 1) {
                    Double eldest = ready.keySet().iterator().next();
                    frames -= ready.remove(eldest).frames();
                }
            }
        }
        return read;
    }

    /** Content by hash of every file that patches refer to. */
    public Map<String, byte[]> neededBy(Collection<Patch> patches) {
        Map<String, byte[]> needed = new TreeMap<>();
        for (Patch patch : patches) {
            for (SoundFile file : patch.recordings()) {
                if (!needed.containsKey(file.hash())) {
                    store.content(file.hash()).ifPresent(content -> needed.put(file.hash(), content));
                }
            }
        }
        return needed;
    }
}
