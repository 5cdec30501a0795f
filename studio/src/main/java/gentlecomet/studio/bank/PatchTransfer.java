package gentlecomet.studio.bank;

import gentlecomet.craft.format.PatchFiles;
import gentlecomet.craft.format.ZipFormat;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.SoundFile;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.Patches;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.multipart.MultipartFile;

/** Patches into a bank from files, and out of it into one. */
@Service
public class PatchTransfer {

    private final Banks banks;
    private final Collections collections;
    private final Patches patches;
    private final Assets assets;

    PatchTransfer(Banks banks, Collections collections, Patches patches, Assets assets) {
        this.banks = banks;
        this.collections = collections;
        this.patches = patches;
        this.assets = assets;
    }

    /** The working state of a patch as one file. */
    public PatchFiles.Written write(long patchId) {
        PatchRow row = patches.get(patchId);
        return PatchFiles.write(row.patch(), assets.neededBy(List.of(row.patch())));
    }

    /** The working states of patches of a bank as one ZIP, in the order given. */
    PatchFiles.Written writeAll(long bankId, List<Long> patchIds) {
        List<Patch> chosen = patchIds.stream().map(id -> patches.get(id).patch()).toList();
        if (chosen.isEmpty()) {
            throw new RefusedException("Choose patches first.");
        }
        return PatchFiles.writeAll(collections.bank(bankId).name(), chosen, assets.neededBy(chosen));
    }

    /** What a form has brought, ZIPs opened. @return content by path @throws gentlecomet.craft.format.FormatException when a ZIP cannot be read */
    public static Map<String, byte[]> unpacked(List<MultipartFile> brought) throws IOException {
        Map<String, byte[]> files = new TreeMap<>();
        for (MultipartFile file : brought) {
            String name = Assets.name(file);
            if (name.endsWith(".zip")) {
                try (InputStream in = file.getInputStream()) {
                    ZipFormat.read(in, name, PatchFiles::wanted).kept().forEach((path, content) -> files.put(name + "/" + path, content));
                }
            } else if (PatchFiles.wanted(name)) {
                files.put(name, file.getBytes());
            }
        }
        return files;
    }

    /** The patch of a file that was taken, and the name that its file gave it. */
    public record Taken(long id, String name, String nameInFile) {
    }

    /**
     * Takes all patches among files into the first free slots, or none of them; those whose names are taken get the nearest free ones.
     *
     * @param files content by path
     * @throws gentlecomet.craft.format.FormatException when one cannot be read
     */
    @Transactional
    public List<Taken> take(long bankId, Map<String, byte[]> files) {
        long collection = collections.bank(bankId).collectionId();
        PatchFiles.Contents contents = PatchFiles.read(files, assets::content);
        int free = banks.freeSlots(bankId);
        if (contents.patches().size() > free) {
            throw new RefusedException(contents.patches().size() + " patches do not fit: this bank has " + free + " free slots. Nothing was taken.");
        }
        contents.assets().forEach((hash, content) -> assets.add(collection, content, nameOf(hash, contents)));
        List<Taken> taken = new ArrayList<>();
        for (PatchFiles.Placed placed : contents.patches()) {
            String name = placed.patch().name();
            long id = banks.take(bankId, placed.patch(), "From the file " + placed.path().substring(placed.path().lastIndexOf('/') + 1));
            taken.add(new Taken(id, patches.summary(id).name(), name));
        }
        return taken;
    }

    private static String nameOf(String hash, PatchFiles.Contents contents) {
        return contents.patches().stream().flatMap(p -> p.patch().recordings().stream()).filter(f -> f.hash().equals(hash)).map(SoundFile::name).findFirst().orElse(hash);
    }
}
